<script setup lang="ts">
import { NButton } from 'naive-ui';
import { refDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { allFields } from '@/shared/kinds';
import { shortTime } from '@/shared/time';

const props = defineProps<{ site: string; type: Schemas['InstalledType'] }>();
const route = useRoute();
const router = useRouter();
const session = useSession();
const search = ref('');
const wanted = refDebounced(search, 250);
const state = ref('');
const incomplete = ref(false);
const page = ref(1);
const list = ref<Schemas['ListView']>();
const problem = ref('');

/** The first few fields that fit a line; pictures and long texts do not. */
const columns = computed(() =>
  allFields(props.type.definition)
    .filter((field) => field.kind !== 'image' && field.kind !== 'long_text')
    .slice(0, 4),
);
const pages = computed(() => Math.max(1, Math.ceil((list.value?.total ?? 0) / (list.value?.pageSize ?? 1))));

watch([wanted, state, incomplete], () => {
  page.value = 1;
});
watch(
  [wanted, state, incomplete, page],
  async () => {
    const path = { site: props.site, type: props.type.definition.key };
    const query = { search: wanted.value, state: state.value, incomplete: incomplete.value, page: page.value };
    try {
      list.value = await ask(api.GET('/api/sites/{site}/types/{type}/records', { params: { path, query } }));
      problem.value = '';
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    }
  },
  { immediate: true },
);

function to(id: number | string) {
  return {
    name: 'record',
    params: { workspace: route.params.workspace, site: props.site, type: props.type.definition.key, id },
  };
}
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>{{ type.definition.plural }}</h1>
      <NButton v-if="session.mayWrite" type="primary" @click="router.push(to('new'))">{{ type.wordings.add }}</NButton>
    </div>
    <div class="row filters">
      <input
        v-model="search"
        class="input"
        type="search"
        :placeholder="type.wordings.search"
        :aria-label="type.wordings.search"
      />
      <select v-model="state" class="input" :aria-label="$t('record.state')">
        <option value="">{{ $t('record.all') }}</option>
        <option value="draft">{{ $t('record.draft') }}</option>
        <option value="published">{{ $t('record.published') }}</option>
      </select>
      <label class="row"><input v-model="incomplete" type="checkbox" />{{ $t('record.onlyIncomplete') }}</label>
      <span class="muted">{{ $t('record.total', { n: list?.total ?? 0 }, list?.total ?? 0) }}</span>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="list?.total === 0" class="panel empty">
      <p>{{ type.wordings.empty }}</p>
    </div>
    <div v-else-if="list" class="panel list">
      <table class="table">
        <thead>
          <tr>
            <th>{{ $t('record.title') }}</th>
            <th v-for="field in columns" :key="field.id" :class="{ num: field.kind === 'number' }">
              {{ field.label }}
            </th>
            <th>{{ $t('record.state') }}</th>
            <th>{{ $t('record.updated') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="record in list.records" :key="record.id">
            <td>
              <RouterLink :to="to(record.id)">{{ record.shown.title }}</RouterLink>
            </td>
            <td v-for="field in columns" :key="field.id" :class="{ num: field.kind === 'number' }">
              {{ record.shown[field.key] }}
            </td>
            <td>
              <Tag :tone="record.state === 'draft' ? 'draft' : 'safe'">{{ $t(`record.${record.state}`) }}</Tag>
              <Tag v-if="!record.complete" tone="bad">{{ $t('record.incomplete') }}</Tag>
            </td>
            <td class="muted time">{{ shortTime(record.updatedAt) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="pages > 1" class="row">
      <NButton size="small" :disabled="page <= 1" @click="page--">{{ $t('record.newer') }}</NButton>
      <span class="muted">{{ $t('record.page', { page, pages }) }}</span>
      <NButton size="small" :disabled="page >= pages" @click="page++">{{ $t('record.older') }}</NButton>
    </div>
  </div>
</template>

<style scoped>
.filters .input {
  width: 200px;
}
.list {
  padding: 4px 8px;
}
.time {
  white-space: nowrap;
}
td .tag {
  display: flex;
}
</style>
