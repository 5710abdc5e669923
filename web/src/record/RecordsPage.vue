<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { api, ask, type Schemas } from '@/shared/api/client';
import RecordList from './RecordList.vue';

const route = useRoute();
const router = useRouter();
const workspace = useWorkspace();
const types = ref<Schemas['InstalledType'][]>();

const site = computed(() => workspace.sites.find((each) => each.path === route.params.site));
const type = computed(() => types.value?.find((each) => each.definition.key === route.params.type));

watch(
  () => [workspace.sites.length, route.params.site],
  () => {
    const largest = [...workspace.sites].sort((a, b) => b.records - a.records)[0];
    if (!route.params.site && largest) {
      void router.replace({ name: 'record-list', params: { workspace: workspace.path, site: largest.path } });
    }
  },
  { immediate: true },
);

watch(
  () => route.params.site,
  async (path) => {
    types.value = undefined;
    if (typeof path === 'string' && path) {
      types.value = await ask(api.GET('/api/sites/{site}/types', { params: { path: { site: path } } })).catch(() => []);
      const first = types.value[0];
      if (first && !type.value) {
        await router.replace({ name: 'record-list', params: { ...route.params, type: first.definition.key } });
      }
    }
  },
  { immediate: true },
);

function choose(event: Event): void {
  const path = (event.target as HTMLSelectElement).value;
  void router.push({ name: 'record-list', params: { workspace: workspace.path, site: path } });
}
</script>

<template>
  <div class="panes">
    <nav class="types" :aria-label="$t('record.type')">
      <label class="label" for="site">{{ $t('record.site') }}</label>
      <select id="site" class="input" :value="site?.path" @change="choose">
        <option v-for="each in workspace.sites" :key="each.path" :value="each.path">{{ each.name }}</option>
      </select>
      <ul>
        <li v-for="each in types" :key="each.definition.id">
          <RouterLink
            :to="{ name: 'record-list', params: { ...route.params, type: each.definition.key } }"
            :class="{ selected: each === type }"
          >
            <span>{{ each.definition.plural }}</span><span class="muted">{{ each.records }}</span>
          </RouterLink>
        </li>
      </ul>
    </nav>
    <div class="main">
      <div v-if="workspace.sites.length === 0" class="empty">
        <p>{{ $t('record.noSites') }}</p>
        <RouterLink :to="{ name: 'sites', params: { workspace: workspace.path } }">{{ $t('frame.sites') }}</RouterLink>
      </div>
      <div v-else-if="types?.length === 0 && site" class="empty">
        <p>{{ $t('record.noTypes', { site: site.name }) }}</p>
        <RouterLink :to="{ name: 'plan', params: { workspace: workspace.path, site: site.path } }">{{
          $t('site.open')
        }}</RouterLink>
      </div>
      <RecordList v-else-if="type && site" :key="site.path + type.definition.key" :site="site.path" :type="type" />
    </div>
  </div>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-columns: 212px minmax(0, 1fr);
  min-height: 100%;
}
.types {
  padding: 12px;
  background: var(--surface);
  border-right: 1px solid var(--line);
}
ul {
  list-style: none;
  margin: 12px -12px;
  padding: 0;
}
li a {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 6px 12px 6px 9px;
  color: var(--ink);
  text-decoration: none;
  border-left: 3px solid transparent;
  overflow-wrap: anywhere;
}
li a.selected {
  border-left-color: var(--petrol);
  background: var(--petrol-soft);
  font-weight: 600;
}
.main {
  padding: 16px 24px;
  min-width: 0;
}
</style>
