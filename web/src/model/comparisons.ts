import { computed } from 'vue';
import type { Field } from '@/shared/kinds';
import { testsOf, type Comparison, type Test } from './conditions';
import { useDraft } from './draft';

interface Choice {
  id: string;
  label: string;
}

/** What comparisons of these fields can be: their tests, what they can be compared with, and how a new one begins. */
export function useComparisons(fields: () => Field[]) {
  const draft = useDraft();
  const taxonomies = computed(() => draft.ofSort('taxonomy'));

  function fieldOf(each: Comparison): Field | undefined {
    return each.what === 'field' ? fields().find((field) => field.id === each.of) : undefined;
  }

  function termsOf(taxonomy: string): Choice[] {
    const all = taxonomies.value.find((each) => each.id === taxonomy)?.terms ?? [];
    const flat = (terms: typeof all): typeof all => terms.flatMap((term) => [term, ...flat(term.children ?? [])]);
    return flat(all).map((term) => ({ id: term.id ?? '', label: term.label }));
  }

  function optionsOf(field: Field | undefined): Choice[] {
    if (field?.kind === 'choice') {
      const own = field.list ? draft.ofSort('list').find((each) => each.id === field.list)?.options : field.options;
      return (own ?? []).map((option) => ({ id: option.id ?? '', label: option.label }));
    }
    return field?.kind === 'term' ? termsOf(field.taxonomy) : [];
  }

  function choicesOf(each: Comparison): Choice[] {
    switch (each.what) {
      case 'taxonomy':
        return termsOf(each.of);
      case 'parent':
        return draft.types.map((type) => ({ id: type.id ?? '', label: type.singular }));
      default:
        return optionsOf(fieldOf(each));
    }
  }

  function firstValue(each: Comparison): string {
    if (each.test === 'filled' || fieldOf(each)?.kind === 'yes_no') {
      return 'true';
    }
    return choicesOf(each)[0]?.id ?? '';
  }

  function tests(each: Comparison): Test[] {
    return each.what === 'taxonomy' ? ['is', 'is_not', 'under', 'filled'] : testsOf(fieldOf(each));
  }

  /** A new comparison of this, with its first test and value. */
  function fresh(what: Comparison['what'], of: string): Comparison {
    const bare: Comparison = { what, of, test: 'is', values: [] };
    if (what === 'parent' || what === 'state' || what === 'address') {
      return { ...bare, values: what === 'state' ? ['published'] : what === 'address' ? [''] : [] };
    }
    const test = what === 'taxonomy' ? 'filled' : (tests(bare)[0] ?? 'filled');
    return { ...bare, test, values: [firstValue({ ...bare, test })] };
  }

  /** The comparison by another test; its values stay where they still mean something. */
  function tested(each: Comparison, test: Test): Comparison {
    const keeps = (each.test === 'filled') === (test === 'filled');
    return { ...each, test, values: keeps ? each.values : [firstValue({ ...each, test })] };
  }

  return { taxonomies, fieldOf, choicesOf, tests, fresh, tested };
}
