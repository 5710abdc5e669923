import { refDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { comparable, listable, whereOf, type Comparison } from './filters';
import { fieldsOf, type RecordType } from './recordTypes';
import { remember } from './neighbours';
import { ofRecordType, recordCount, recordPages, recordParts } from './queries';
import { renew, usePages, useResource } from '@/shared/api/queries';

/** What a list shows, as it is kept under a name. */
export interface View {
  search: string;
  filter: Comparison[];
  order: string;
  columns: string[];
}

/**
 * A list of records: searched, filtered, sorted, loaded page by page as it is scrolled.
 *
 * @param start what it shows at first, given its usual columns; everything, where nothing is said
 */
export function useRecordList(site: () => string, recordType: () => RecordType, start?: (usual: string[]) => View) {
  const search = ref('');
  const words = refDebounced(search, 250);
  const filter = ref<Comparison[]>([]);
  const settled = refDebounced(filter, 250);
  const order = ref('');
  const columns = ref<string[]>([]);
  const { data: own } = useResource(recordParts, { staleTime: Infinity });

  const fields = computed(() => fieldsOf(recordType()).filter((field) => listable(field) && field.id !== 'part_title'));
  const shown = computed(() => fields.value.filter((field) => columns.value.includes(field.id ?? '')));
  const all = computed(() => comparable(recordType(), own.value ?? []));
  const query = computed(() => ({
    where: whereOf(settled.value, all.value),
    search: words.value,
    order: order.value,
    fields: shown.value.map((field) => field.id).join(','),
  }));

  /** The columns that the definition asks for, or the first few. */
  function usual(): string[] {
    const wanted = (recordType().definition as { columns?: string[] }).columns ?? [];
    return (wanted.length ? wanted : fields.value.slice(0, 4).map((field) => field.id ?? '')).filter((id) =>
      fields.value.some((field) => field.id === id),
    );
  }

  const found = usePages(() => recordPages(site(), recordType(), query.value), {
    keeps: (key) => ofRecordType(site(), recordType()).every((part, at) => key[at] === part),
  });
  const counted = useResource(() => recordCount(site(), recordType(), query.value), { keepsLast: true });
  const records = computed(() => found.pages.value?.flatMap((page) => page.records) ?? []);
  const count = computed(() => counted.data.value);
  const refused = ref('');
  const problem = computed({
    get: () => refused.value || found.problem.value,
    set: (sentence) => (refused.value = sentence),
  });

  watch(records, (now) => {
    remember(
      site(),
      recordType().id,
      now.map((record) => record.id),
    );
  });

  const load = () => renew(ofRecordType(site(), recordType()));

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
    () => [site(), recordType().id],
    () => {
      show(start?.(usual()) ?? { search: '', filter: [], order: '', columns: usual() });
    },
    { immediate: true },
  );
  return {
    search,
    filter,
    order,
    columns,
    records,
    count,
    loading: found.isFetching,
    problem,
    fields,
    shown,
    all,
    query,
    load,
    more: found.more,
    show,
    current,
    usual,
  };
}
