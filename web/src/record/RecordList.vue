<script setup lang="ts">
import { NButton } from 'naive-ui';
import { refDebounced, useIntersectionObserver } from '@vueuse/core';
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { shortTime } from '@/shared/time';
import FilterBar from './FilterBar.vue';
import RecordBulk from './RecordBulk.vue';
import { comparable, keepViews, listable, viewsOf, whereOf, type Comparison, type View } from './filters';
import { provideForm } from './form';
import { addressOf, fieldsOf, noun, useHolders, type Holder } from './holders';
import { pathOf, siteLinks } from './links';
import { remember } from './neighbours';
import { toneOf } from './states';

const props = defineProps<{ site: string; holder: Holder }>();
const PAGE = 100;
const route = useRoute();
const router = useRouter();
const session = useSession();
const holders = useHolders();
const search = ref('');
const words = refDebounced(search, 250);
const filter = ref<Comparison[]>([]);
const settled = refDebounced(filter, 250);
const order = ref('');
const records = shallowRef<Schemas['RecordView'][]>([]);
const next = ref<string>();
const count = ref<Schemas['CountView']>();
const loading = ref(false);
const problem = ref('');
const picked = ref(new Set<number>());
const own = shallowRef<Schemas['OwnView'][]>([]);
const columns = ref<string[]>([]);
const views = ref<View[]>([]);
const viewName = ref('');
const choosing = ref(false);
const end = useTemplateRef<HTMLElement>('end');
let asked = 0;
let last = -1;

const links = siteLinks(
  () => props.site,
  () => props.holder,
  holders.byId,
  () => String(route.params.workspace),
);
provideForm({ prefix: 'b', readonly: () => false, problems: () => [], hidden: () => false, ...links });

const fields = computed(() => fieldsOf(props.holder).filter((field) => listable(field) && field.id !== 'part_title'));
const shown = computed(() => fields.value.filter((field) => columns.value.includes(field.id ?? '')));
const all = computed(() => comparable(props.holder, own.value));
const query = computed(() => ({
  where: whereOf(settled.value, all.value),
  search: words.value,
  order: order.value,
  fields: shown.value.map((field) => field.id).join(','),
}));
const deleted = computed(() => Number(route.query.deleted ?? 0));

/** The columns that the definition asks for, or the first few. */
function usual(): string[] {
  const wanted = (props.holder.definition as { columns?: string[] }).columns ?? [];
  return (wanted.length ? wanted : fields.value.slice(0, 4).map((field) => field.id ?? '')).filter((id) =>
    fields.value.some((field) => field.id === id),
  );
}

async function load(more = false): Promise<void> {
  const mine = more ? asked : ++asked;
  loading.value = true;
  try {
    const params = {
      path: pathOf(props.site, props.holder),
      query: { ...query.value, most: PAGE, ...(more && next.value ? { after: next.value } : {}) },
    };
    const page = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records', { params }));
    if (mine !== asked) {
      return;
    }
    records.value = more ? [...records.value, ...page.records] : page.records;
    next.value = page.next;
    problem.value = '';
    remember(
      props.site,
      props.holder.id,
      records.value.map((record) => record.id),
    );
    if (!more) {
      const { where, search: text } = query.value;
      count.value = await ask(
        api.GET('/api/sites/{site}/{sort}/{key}/count', {
          params: { path: params.path, query: { where, search: text } },
        }),
      );
    }
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    loading.value = false;
  }
}

watch(
  () => [props.site, props.holder.id],
  () => {
    search.value = '';
    filter.value = [];
    order.value = '';
    picked.value = new Set();
    columns.value = usual();
    views.value = viewsOf(props.site, props.holder.id);
    own.value = own.value.length ? own.value : [];
  },
  { immediate: true },
);
ask(api.GET('/api/record-parts'))
  .then((found) => (own.value = found))
  .catch(() => undefined);
watch([query, () => props.holder.id], () => void load(), { immediate: true });
useIntersectionObserver(end, ([entry]) => {
  if (entry?.isIntersecting && next.value && !loading.value) {
    void load(true);
  }
});

function sortBy(id: string): void {
  order.value = order.value === id ? `-${id}` : order.value === `-${id}` ? '' : id;
}

const sorted = (id: string) =>
  order.value === id ? 'ascending' : order.value === `-${id}` ? 'descending' : ('none' as const);

function pick(at: number, event: MouseEvent | KeyboardEvent): void {
  const set = new Set(picked.value);
  const ids = records.value.map((record) => record.id);
  const id = ids[at] ?? 0;
  if (event.shiftKey && last >= 0) {
    ids.slice(Math.min(last, at), Math.max(last, at) + 1).forEach((each) => set.add(each));
  } else if (!set.delete(id)) {
    set.add(id);
  }
  last = at;
  picked.value = set;
}

/** Arrows go from row to row, space picks, Enter opens. */
function onKey(event: KeyboardEvent, at: number): void {
  const rows = document.querySelectorAll<HTMLElement>('tr[data-record]');
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault();
    rows[at + (event.key === 'ArrowDown' ? 1 : -1)]?.focus();
    if (event.shiftKey) {
      pick(at, event);
    }
  } else if (event.key === ' ' && event.target === event.currentTarget) {
    event.preventDefault();
    pick(at, event);
  } else if (event.key === 'Enter' && event.target === event.currentTarget) {
    void router.push(to(records.value[at]?.id ?? 'new'));
  } else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault();
    picked.value = new Set(records.value.map((record) => record.id));
  }
}

function to(id: number | string) {
  return {
    name: 'record',
    params: { workspace: route.params.workspace, site: props.site, type: addressOf(props.holder), id },
  };
}

const exportOf = (format: string) =>
  `/api/sites/${props.site}/${props.holder.sort}/${props.holder.key}/export.${format}?${new URLSearchParams(query.value).toString()}`;

function keepView(): void {
  const name = viewName.value.trim();
  if (name) {
    const view = { name, search: search.value, filter: filter.value, order: order.value, columns: columns.value };
    views.value = [...views.value.filter((each) => each.name !== name), view];
    keepViews(props.site, props.holder.id, views.value);
    viewName.value = '';
  }
}

function openView(name: string): void {
  const view = views.value.find((each) => each.name === name);
  if (view) {
    search.value = view.search;
    filter.value = view.filter;
    order.value = view.order;
    columns.value = view.columns;
  }
}

function dropView(name: string): void {
  views.value = views.value.filter((each) => each.name !== name);
  keepViews(props.site, props.holder.id, views.value);
}

async function bringBack(): Promise<void> {
  try {
    const params = { path: { ...pathOf(props.site, props.holder), id: deleted.value } };
    await ask(api.POST('/api/sites/{site}/{sort}/{key}/records/{id}/back', { params }));
    await router.replace({ query: {} });
    await load();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>{{ holder.plural }}</h1>
      <NButton v-if="session.mayWrite" type="primary" @click="router.push(to('new'))">{{
        holder.wordings.add ?? $t('record.add', { name: noun(holder.singular) })
      }}</NButton>
    </div>
    <div v-if="deleted" class="panel row" role="status">
      {{ $t('record.deleted', { title: String(route.query.title ?? '') }) }}
      <NButton size="small" @click="bringBack">{{ $t('record.bulk.back') }}</NButton>
    </div>
    <div class="row filters">
      <input
        v-model="search"
        class="input"
        type="search"
        :placeholder="holder.wordings.search ?? $t('record.search')"
        :aria-label="holder.wordings.search ?? $t('record.search')"
      />
      <select
        v-if="views.length"
        class="input"
        :aria-label="$t('record.views')"
        @change="openView(($event.target as HTMLSelectElement).value)"
      >
        <option value="">{{ $t('record.views') }}</option>
        <option v-for="view in views" :key="view.name" :value="view.name">{{ view.name }}</option>
      </select>
      <NButton size="small" :aria-expanded="choosing" @click="choosing = !choosing">{{ $t('record.columns') }}</NButton>
      <span class="muted" role="status">{{
        count?.exact === false
          ? $t('record.moreThan', { n: count.records.toLocaleString('en') })
          : $t('record.total', { n: count?.records ?? 0 }, count?.records ?? 0)
      }}</span>
      <span class="row exports"
        >{{ $t('record.export') }}
        <a v-for="format in ['csv', 'xlsx', 'jsonl']" :key="format" :href="exportOf(format)" download>{{
          $t(`record.formats.${format}`)
        }}</a></span
      >
    </div>
    <div v-if="choosing" class="panel choose">
      <fieldset>
        <legend>{{ $t('record.columns') }}</legend>
        <label v-for="field in fields" :key="field.id" class="row"
          ><input v-model="columns" type="checkbox" :value="field.id" />{{ field.label }}</label
        >
      </fieldset>
      <div class="row">
        <input
          v-model="viewName"
          class="input"
          :aria-label="$t('record.viewName')"
          :placeholder="$t('record.viewName')"
        />
        <NButton size="small" :disabled="!viewName.trim()" @click="keepView">{{ $t('record.keepView') }}</NButton>
        <NButton v-for="view in views" :key="view.name" size="tiny" quaternary @click="dropView(view.name)">{{
          $t('record.dropView', { name: view.name })
        }}</NButton>
      </div>
    </div>
    <FilterBar v-model="filter" :all="all" />
    <RecordBulk
      v-if="session.mayWrite"
      :site="site"
      :holder="holder"
      :picked="[...picked]"
      @done="load()"
      @none="picked = new Set()"
    />
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="count?.records === 0 && !loading" class="panel empty">
      <p>{{ query.where || query.search ? $t('record.noneFits') : (holder.wordings.empty ?? $t('record.none')) }}</p>
    </div>
    <div v-else class="panel list">
      <table class="table">
        <thead>
          <tr>
            <th v-if="session.mayWrite" class="pick">
              <span class="hidden">{{ $t('record.bulk.title') }}</span>
            </th>
            <th :aria-sort="sorted(holder.first.length ? 'part_title' : 'own_slug')">
              <button
                type="button"
                class="plain-button"
                @click="sortBy(holder.first.length ? 'part_title' : 'own_slug')"
              >
                {{ $t('record.title') }}
              </button>
            </th>
            <th
              v-for="field in shown"
              :key="field.id"
              :class="{ num: field.kind === 'number' }"
              :aria-sort="sorted(field.id ?? '')"
            >
              <button
                v-if="!['relation', 'term', 'place'].includes(field.kind) && !('many' in field && field.many)"
                type="button"
                class="plain-button"
                @click="sortBy(field.id ?? '')"
              >
                {{ field.label }}
              </button>
              <template v-else>{{ field.label }}</template>
            </th>
            <th v-if="holder.sort === 'types'" :aria-sort="sorted('own_state')">
              <button type="button" class="plain-button" @click="sortBy('own_state')">{{ $t('record.state') }}</button>
            </th>
            <th :aria-sort="sorted('own_updated_at')">
              <button type="button" class="plain-button" @click="sortBy('own_updated_at')">
                {{ $t('record.updated') }}
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(record, at) in records"
            :key="record.id"
            data-record
            tabindex="0"
            :aria-selected="picked.has(record.id)"
            :class="{ picked: picked.has(record.id) }"
            @keydown="onKey($event, at)"
          >
            <td v-if="session.mayWrite" class="pick">
              <input
                type="checkbox"
                :checked="picked.has(record.id)"
                :aria-label="$t('record.pick', { title: record.title })"
                tabindex="-1"
                @click="pick(at, $event)"
              />
            </td>
            <td>
              <RouterLink :to="to(record.id)" dir="auto">{{ record.title }}</RouterLink>
            </td>
            <td v-for="field in shown" :key="field.id" :class="{ num: field.kind === 'number' }">
              <span
                v-if="field.kind === 'colour' && record.shown[field.key]"
                class="dot"
                :style="{ background: record.shown[field.key] }"
              />{{ record.shown[field.key] }}
            </td>
            <td v-if="holder.sort === 'types'">
              <Tag :tone="toneOf(record.state)">{{ $t(`record.states.${record.state}`) }}</Tag>
              <Tag v-if="!record.complete" tone="bad">{{ $t('record.incomplete') }}</Tag>
            </td>
            <td class="muted time">{{ shortTime(record.updatedAt) }}</td>
          </tr>
        </tbody>
      </table>
      <div ref="end" class="end">
        <NButton v-if="next" size="small" :loading="loading" @click="load(true)">{{ $t('record.loadMore') }}</NButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.filters {
  flex-wrap: wrap;
}
.filters .input {
  width: 200px;
}
.exports {
  margin-left: auto;
}
.list {
  padding: 4px 8px;
  overflow-x: auto;
}
.list tbody tr {
  content-visibility: auto;
  contain-intrinsic-height: 32px;
}
.pick {
  width: 28px;
}
.picked {
  background: var(--petrol-soft);
}
.time {
  white-space: nowrap;
}
td .tag {
  display: inline-flex;
}
th .plain-button {
  font-weight: inherit;
}
th[aria-sort='ascending'] .plain-button::after {
  content: ' ↑' / '';
}
th[aria-sort='descending'] .plain-button::after {
  content: ' ↓' / '';
}
.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 6px;
  border: 1px solid var(--muted);
  border-radius: 2px;
  vertical-align: -1px;
}
.choose fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}
.choose .input {
  width: 200px;
}
.end {
  min-height: 1px;
  text-align: center;
}
</style>
