<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { IMPORTS } from '@/importer/queries';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';
import FilterBar from './FilterBar.vue';
import ListTools from './ListTools.vue';
import RecordBulk from './RecordBulk.vue';
import RecordTable from './RecordTable.vue';
import { provideForm } from './form';
import { addressOf, noun, useRecordTypes, type RecordType } from './recordTypes';
import { pathOf, siteLinks } from './links';
import { fromQuery, toQuery } from './listAddress';
import { rememberAddress } from './neighbours';
import { useRecordList } from './useRecordList';
import TextInput from '@/shared/controls/TextInput.vue';
import { storeValue } from './quickEdit';

const props = defineProps<{ site: string; recordType: RecordType }>();
const route = useRoute();
const router = useRouter();
const session = useSession();
const recordTypes = useRecordTypes();
const picked = ref(new Set<number>());
const list = useRecordList(
  () => props.site,
  () => props.recordType,
  (usual) => fromQuery(route.query, usual),
);
const { search, filter, order, columns, records, count, loading, problem, fields, shown, all, query } = list;

const links = siteLinks(
  () => props.site,
  () => props.recordType,
  recordTypes.byId,
  () => String(route.params.workspace),
);
provideForm({ prefix: 'b', readonly: () => false, problems: () => [], hidden: () => false, ...links });

const deleted = computed(() => Number(route.query.deleted ?? 0));

/** What is searched, filtered, sorted and shown stands in the address, and is there again for those who come back. */
const addressed = () => toQuery(list.current(), list.usual());
watch([() => list.current(), () => props.recordType.id], () => {
  rememberAddress(props.site, props.recordType.id, addressed());
  const isHere = route.params.site === props.site && route.params.type === addressOf(props.recordType);
  if (route.name === 'record-list' && isHere) {
    void router.replace({ query: { ...addressed(), ...told.value } });
  }
});
/** What an address says besides: that something was deleted. */
const told = computed(() => ({
  ...(route.query.deleted ? { deleted: route.query.deleted, title: route.query.title } : {}),
}));
watch(
  () => route.query,
  (query) => {
    const said = fromQuery(query, list.usual());
    if (JSON.stringify(toQuery(said, list.usual())) !== JSON.stringify(addressed())) {
      list.show(said);
    }
  },
);

watch(
  () => [props.site, props.recordType.id],
  () => (picked.value = new Set()),
);

function to(id: number | string) {
  return {
    name: 'record',
    params: { workspace: route.params.workspace, site: props.site, type: addressOf(props.recordType), id },
  };
}

const exportOf = (format: string) =>
  `/api/sites/${props.site}/${props.recordType.sort}/${props.recordType.key}/export.${format}?${new URLSearchParams(query.value).toString()}`;

async function bringBack(): Promise<void> {
  try {
    const params = { path: { ...pathOf(props.site, props.recordType), id: deleted.value } };
    await ask(api.POST('/api/sites/{site}/{sort}/{key}/records/{id}/back', { params }));
    await router.replace({ query: {} });
    await list.load();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>{{ recordType.plural }}</h1>
      <NButton v-if="session.mayWrite" type="primary" @click="router.push(to('new'))">{{
        recordType.wordings.add ?? $t('record.add', { name: noun(recordType.singular) })
      }}</NButton>
    </div>
    <div v-if="deleted" class="panel row" role="status">
      {{ $t('record.deleted', { title: String(route.query.title ?? '') }) }}
      <NButton size="small" @click="bringBack">{{ $t('record.bulk.back') }}</NButton>
    </div>
    <div class="row filters">
      <TextInput
        v-model:value="search"
        :placeholder="recordType.wordings.search ?? $t('record.search')"
        :aria-label="recordType.wordings.search ?? $t('record.search')"
      />
      <ListTools
        v-model="columns"
        :site="site"
        :record-type="recordType"
        :fields="fields"
        :current="list.current"
        @show="list.show"
        @failed="problem = $event"
      />
      <span class="muted" role="status">{{
        count &&
        (count.exact
          ? $t('record.total', { n: count.records }, count.records)
          : $t('record.moreThan', { n: count.records.toLocaleString('en') }))
      }}</span>
      <span class="row exports"
        >{{ $t('record.export') }}
        <a v-for="format in ['csv', 'xlsx', 'jsonl']" :key="format" :href="exportOf(format)" download>{{
          $t(`record.formats.${format}`)
        }}</a>
        <RouterLink v-if="session.mayWrite" :to="{ params: { ...route.params, type: IMPORTS }, query: {} }">{{
          $t('importer.link')
        }}</RouterLink></span
      >
    </div>
    <FilterBar v-model="filter" :all="all" />
    <RecordBulk
      v-if="session.mayWrite"
      :site="site"
      :record-type="recordType"
      :picked="[...picked]"
      @done="list.load()"
      @none="picked = new Set()"
    />
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="count?.records === 0 && !loading" class="panel empty">
      <p>
        {{ query.where || query.search ? $t('record.noneFits') : (recordType.wordings.empty ?? $t('record.none')) }}
      </p>
    </div>
    <RecordTable
      v-else
      :key="`${site}/${recordType.id}`"
      v-model:order="order"
      v-model:picked="picked"
      :record-type="recordType"
      :records="records"
      :total="count?.records ?? records.length"
      :fields="shown"
      :may-pick="session.mayWrite"
      :busy="loading"
      :to="to"
      :name="`${site}/${recordType.id}`"
      :place="JSON.stringify(addressed())"
      :store="(record, field, value) => storeValue(site, recordType, record, field, value)"
      @open="router.push(to($event))"
      @more="list.more()"
    />
  </div>
</template>

<style scoped>
.filters {
  flex-wrap: wrap;
}
.filters > .text-input {
  width: 200px;
}
.exports {
  margin-left: auto;
}
</style>
