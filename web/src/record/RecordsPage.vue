<script setup lang="ts">
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { siteCounts } from '@/frame/queries';
import { useWorkspace } from '@/frame/workspace';
import { askAgain } from '@/shared/api/queries';
import ImportsPanel from '@/importer/ImportsPanel.vue';
import { IMPORTS } from '@/importer/queries';
import MediaLibrary from './MediaLibrary.vue';
import RecordList from './RecordList.vue';
import TermList from './TermList.vue';
import { addressOf, useRecordTypes, type RecordType } from './recordTypes';
import Choice from '@/shared/controls/Choice.vue';

const route = useRoute();
const router = useRouter();
const workspace = useWorkspace();
const recordTypes = useRecordTypes();
/** Stands where the key of a type does; no key has such a sign in it. */
const FILES = 'media-files';
const OTHERS: string[] = [FILES, IMPORTS];
const SORTS = ['types', 'taxonomies', 'values'] as const;

const site = computed(() => workspace.site(String(route.params.site ?? '')));
const recordType = computed(() => recordTypes.at(String(route.params.type ?? '')));
const ofSort = (sort: string) => recordTypes.all?.filter((each) => each.sort === sort) ?? [];

watch(
  () => [workspace.sites, route.params.site],
  async () => {
    if (route.params.site || !workspace.sites.length) {
      return;
    }
    const counted = await askAgain(siteCounts(workspace.path)).catch(() => workspace.sites);
    const largest = counted.filter((each) => !each.copyOf).sort((a, b) => (b.records ?? 0) - (a.records ?? 0))[0];
    if (largest && !route.params.site && route.name === 'records') {
      void router.replace({ name: 'record-list', params: { workspace: route.params.workspace, site: largest.path } });
    }
  },
  { immediate: true },
);

watch(
  () => route.params.site,
  async (path) => {
    if (typeof path === 'string' && path) {
      await recordTypes.load(path).catch(() => undefined);
      const first = ofSort('types')[0] ?? recordTypes.all?.[0];
      if (first && !recordType.value && !OTHERS.includes(String(route.params.type))) {
        await router.replace(to(first));
      }
    }
  },
  { immediate: true },
);

/** A copy is among the sites only while it is looked at. */
const choices = computed(() =>
  [...workspace.sites, ...(site.value?.copyOf ? [site.value] : [])].map((each) => ({
    value: each.path,
    label: each.name,
  })),
);

function choose(path: string): void {
  void router.push({ name: 'record-list', params: { workspace: route.params.workspace, site: path } });
}

/** Site values exist once, so they open at once. */
function to(each: RecordType) {
  const params = { ...route.params, type: addressOf(each) };
  return each.sort === 'values' ? { name: 'record', params: { ...params, id: 1 } } : { name: 'record-list', params };
}
</script>

<template>
  <div class="panes">
    <nav class="types" :aria-label="$t('record.type')">
      <label class="label" for="site">{{ $t('record.site') }}</label>
      <Choice id="site" :value="site?.path" :options="choices" @update:value="choose" />
      <template v-for="sort in SORTS" :key="sort">
        <h2 v-if="ofSort(sort).length">{{ $t(`record.sorts.${sort}`) }}</h2>
        <ul>
          <li v-for="each in ofSort(sort)" :key="each.id">
            <RouterLink :to="to(each)" :class="{ selected: each === recordType }">
              <span>{{ each.plural }}</span><span v-if="sort !== 'values'" class="muted"
                >{{ each.records.toLocaleString('en') }}{{ each.exact ? '' : '+' }}</span
              >
            </RouterLink>
          </li>
        </ul>
      </template>
      <ul v-if="site">
        <li>
          <RouterLink
            :to="{ name: 'record-list', params: { ...route.params, type: FILES } }"
            :class="{ selected: route.params.type === FILES }"
            >{{ $t('media.title') }}</RouterLink
          >
        </li>
        <li>
          <RouterLink
            :to="{ name: 'record-list', params: { ...route.params, type: IMPORTS } }"
            :class="{ selected: route.params.type === IMPORTS }"
            >{{ $t('importer.nav') }}</RouterLink
          >
        </li>
      </ul>
    </nav>
    <div class="main">
      <div v-if="workspace.known && workspace.sites.length === 0" class="empty">
        <p>{{ $t('record.noSites') }}</p>
        <RouterLink :to="{ name: 'sites', params: { workspace: route.params.workspace } }">{{
          $t('frame.sites')
        }}</RouterLink>
      </div>
      <MediaLibrary
        v-else-if="site && route.params.type === FILES"
        :site="site.path"
        :workspace="String(route.params.workspace)"
      />
      <ImportsPanel
        v-else-if="site && route.params.type === IMPORTS"
        :workspace="String(route.params.workspace)"
        :site="site.path"
        :name="site.name"
      />
      <div v-else-if="recordTypes.all?.length === 0 && site" class="empty">
        <p>{{ $t('record.noTypes', { site: site.name }) }}</p>
        <RouterLink :to="{ name: 'plan', params: { workspace: route.params.workspace, site: site.path } }">{{
          $t('site.open')
        }}</RouterLink>
      </div>
      <TermList v-else-if="site && recordType?.sort === 'taxonomies'" :site="site.path" :record-type="recordType" />
      <RecordList v-else-if="site && recordType?.sort === 'types'" :site="site.path" :record-type="recordType" />
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
h2 {
  margin: 12px 0 4px;
  font-size: 13px;
  color: var(--muted);
}
</style>
