import { refDebounced } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { comparable, listable, whereOf, type Comparison } from './filters';
import { fieldsOf, type Holder } from './holders';
import { pathOf } from './links';
import { remember } from './neighbours';

const PAGE = 200;

/** What a list shows, as it is kept under a name. */
export interface View {
  search: string;
  filter: Comparison[];
  order: string;
  columns: string[];
}

/** A list of records: searched, filtered, sorted, loaded page by page as it is scrolled. */
export function useRecordList(site: () => string, holder: () => Holder) {
  const search = ref('');
  const words = refDebounced(search, 250);
  const filter = ref<Comparison[]>([]);
  const settled = refDebounced(filter, 250);
  const order = ref('');
  const columns = ref<string[]>([]);
  const own = shallowRef<Schemas['OwnView'][]>([]);
  const records = shallowRef<Schemas['RecordView'][]>([]);
  const next = ref<string>();
  const count = ref<Schemas['CountView']>();
  const loading = ref(false);
  const problem = ref('');
  let asked = 0;

  const fields = computed(() => fieldsOf(holder()).filter((field) => listable(field) && field.id !== 'part_title'));
  const shown = computed(() => fields.value.filter((field) => columns.value.includes(field.id ?? '')));
  const all = computed(() => comparable(holder(), own.value));
  const query = computed(() => ({
    where: whereOf(settled.value, all.value),
    search: words.value,
    order: order.value,
    fields: shown.value.map((field) => field.id).join(','),
  }));

  /** The columns that the definition asks for, or the first few. */
  function usual(): string[] {
    const wanted = (holder().definition as { columns?: string[] }).columns ?? [];
    return (wanted.length ? wanted : fields.value.slice(0, 4).map((field) => field.id ?? '')).filter((id) =>
      fields.value.some((field) => field.id === id),
    );
  }

  async function load(more = false): Promise<void> {
    const mine = more ? asked : ++asked;
    loading.value = true;
    try {
      const params = {
        path: pathOf(site(), holder()),
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
        site(),
        holder().id,
        records.value.map((record) => record.id),
      );
      if (!more) {
        const { where, search: text } = query.value;
        const asking = { params: { path: params.path, query: { where, search: text } } };
        count.value = await ask(api.GET('/api/sites/{site}/{sort}/{key}/count', asking));
      }
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    } finally {
      loading.value = false;
    }
  }

  function more(): void {
    if (next.value && !loading.value) {
      void load(true);
    }
  }

  function show(view: View): void {
    search.value = view.search;
    filter.value = view.filter;
    order.value = view.order;
    columns.value = view.columns;
  }

  const current = (): View => ({
    search: search.value,
    filter: filter.value,
    order: order.value,
    columns: columns.value,
  });

  watch(
    () => [site(), holder().id],
    () => {
      show({ search: '', filter: [], order: '', columns: usual() });
      records.value = [];
      count.value = undefined;
    },
    { immediate: true },
  );
  ask(api.GET('/api/record-parts'))
    .then((found) => (own.value = found))
    .catch(() => undefined);
  watch([query, () => holder().id], () => void load(), { immediate: true });

  return {
    search,
    filter,
    order,
    columns,
    records,
    next,
    count,
    loading,
    problem,
    fields,
    shown,
    all,
    query,
    load,
    more,
    show,
    current,
  };
}
