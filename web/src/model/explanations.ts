import { useEventListener, useTimeoutFn } from '@vueuse/core';
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useHelp } from './useHelp';

/**
 * Settings are explained in the words of the description of files. An element that a setting is changed in names it in
 * `data-explain`, as `text.min_length` or `a_type.public`; the cells of a table of fields by their column.
 */
export interface Explanation {
  label: string;
  text: string;
  /** Where the help tells of it. */
  anchor: string;
}

/** What the interface calls what is no setting of a kind, by the names that the server explains it under. */
const labels: Record<string, Record<string, string>> = {
  a_type: {
    singular: 'model.singular',
    plural: 'model.plural',
    key: 'model.key',
    path: 'model.path',
    description: 'model.description',
    wordings: 'model.wordings',
    parts: 'model.parts',
    part_labels: 'model.partLabels',
    public: 'model.rare.public',
    searchable: 'model.rare.searchable',
    navigation: 'model.rare.navigation',
    api: 'model.rare.api',
    api_path: 'model.rare.apiPath',
    new_records: 'model.rare.newRecords',
    icon: 'model.rare.icon',
    navigation_place: 'model.navigation.title',
    nested: 'model.rare.nested',
    columns: 'model.rare.columns',
  },
  index: {
    on: 'model.rare.indexOn',
    order: 'model.rare.order',
    descending: 'model.rare.descending',
    page_size: 'model.rare.pageSize',
    as: 'layout.index.as',
    columns: 'layout.index.columns',
    group_by: 'layout.index.group',
    intro: 'layout.index.intro',
    filters: 'layout.index.filterBy',
    search: 'layout.index.search',
  },
  head: {
    title: 'layout.head.title',
    description: 'layout.head.description',
    picture: 'layout.head.picture',
    hidden: 'layout.head.hidden',
    hidden_when: 'layout.head.hiddenWhen',
    schema: 'layout.head.schema',
  },
  head_property: { name: 'layout.head.property', value: 'layout.head.value' },
  across: { narrow: 'layout.index.narrow', medium: 'layout.index.medium', wide: 'layout.index.wide' },
  nested: { required: 'model.rare.nestedRequired', parents_in_address: 'model.parentsInAddress' },
  taxonomy_use: {
    required: 'model.taxonomies.required',
    max: 'model.taxonomies.max',
    add_terms: 'model.taxonomies.add',
  },
  a_taxonomy: {
    singular: 'model.singular',
    plural: 'model.plural',
    key: 'model.key',
    path: 'model.path',
    description: 'model.description',
    hierarchical: 'model.hierarchical',
    parents_in_address: 'model.parentsInAddress',
  },
  a_group: { title: 'model.title', key: 'model.key', description: 'model.description' },
  a_list: { title: 'model.title', key: 'model.key', description: 'model.description' },
  a_values: { title: 'model.title', key: 'model.key', description: 'model.description' },
  a_layout: { title: 'model.title', key: 'model.key', description: 'model.description' },
  a_part: { title: 'model.title', key: 'model.key', description: 'model.description' },
  a_listing: {
    title: 'model.title',
    key: 'model.key',
    description: 'model.description',
    type: 'model.listing.type',
    limit: 'model.listing.limit',
    shown: 'model.listing.shown',
    where: 'model.listing.where',
    fields: 'layout.settings.columns',
    layout: 'model.listing.layout',
    order: 'layout.settings.order',
    about: 'model.listing.about',
  },
  field: {
    label: 'model.table.label',
    kind: 'model.table.kind',
    key: 'model.table.key',
    required: 'model.table.required',
    help: 'model.table.help',
    show_when: 'model.shownWhen',
  },
  relation: { to: 'model.relation.to', inverse: 'model.relation.named' },
  inverse: {
    label: 'model.relation.label',
    key: 'model.key',
    many: 'model.relation.many',
    shown: 'model.relation.shown',
  },
  option: { label: 'model.table.label', key: 'model.key', retired: 'model.retired' },
};

export function anchorOf(group: string, name: string): string {
  return `${group}-${name}`;
}

/** The settings of a kind, a sort of definitions or a part that the interface has words for, in the order of files. */
export function useExplanations(): (group: string) => (Explanation & { name: string })[] {
  const i18n = useI18n();
  const help = useHelp();
  return (group) =>
    Object.entries(help.value[group] ?? {}).flatMap(([name, text]) => {
      const key = labels[group]?.[name] ?? `model.settings.${name}`;
      return i18n.te(key) ? [{ name, label: i18n.t(key), text, anchor: anchorOf(group, name) }] : [];
    });
}

/** What is explained of an element: the nearest that names a setting. */
export function explainedAt(target: EventTarget | null): string {
  const element = target instanceof Element ? target.closest<HTMLElement>('[data-explain], [data-column]') : undefined;
  return element?.dataset.explain ?? (element?.dataset.column ? `field.${element.dataset.column}` : '');
}

/** For how many milliseconds the pointer rests on what is explained: what it passes is not. */
const REST = 300;

/** The explanation of what got the focus last, or of what the pointer came to rest on since; until another definition. */
export function useExplanation(
  within: Ref<HTMLElement | null>,
  definition: () => string | undefined,
): ComputedRef<Explanation | undefined> {
  const explanations = useExplanations();
  const setting = ref('');
  const { start, stop } = useTimeoutFn((pointed: string) => (setting.value = pointed), REST, { immediate: false });

  watch(definition, () => {
    stop();
    setting.value = '';
  });

  function of(named: string): Explanation | undefined {
    const [group = '', name = ''] = named.split('.');
    return (
      explanations(group).find((each) => each.name === name) ?? explanations('field').find((each) => each.name === name)
    );
  }

  useEventListener(within, 'focusin', ({ target }: FocusEvent) => {
    stop();
    setting.value = explainedAt(target);
    const found = of(setting.value);
    if (found && target instanceof Element && !target.hasAttribute('aria-describedby')) {
      target.setAttribute('aria-description', found.text);
    }
  });
  // moves alone: under a pointer that rests, the page may move by itself
  useEventListener(within, 'pointermove', ({ target }: PointerEvent) => {
    const pointed = explainedAt(target);
    if (pointed) {
      start(pointed);
    } else {
      stop();
    }
  });
  return computed(() => of(setting.value));
}
