import { kinds, type Field, type KindCode } from '@/shared/kinds';
import type { Schemas } from '@/shared/api/client';
import { fieldsOf, type RecordType } from './recordTypes';

/** A comparison of a list's filter, as it is picked. */
export interface Comparison {
  field: string;
  test: Test;
  value: string;
}
export type Test = 'is' | 'is_not' | 'above' | 'at_least' | 'below' | 'at_most' | 'has' | 'under' | 'filled';

export interface Compared {
  id: string;
  label: string;
  kind: string;
  field: Field | undefined;
  /** Whether it is a taxonomy of the type. */
  taxonomy: boolean;
}

/** Kinds whose values a list can look for, beside those that can be compared: by being there, or by what they lead to. */
const ONLY_THERE = ['image', 'file', 'place', 'repeater'];

/** Everything a list can be filtered by: fields, fields within groups and rows, and what every record has. */
export function comparable(recordType: RecordType, own: Schemas['OwnView'][]): Compared[] {
  const within = (fields: Field[], before: string): Compared[] =>
    fields.flatMap((field) => {
      const label = before + field.label;
      const inner = field.kind === 'group' || field.kind === 'repeater' ? field.fields : [];
      const taxonomy = field.kind === 'term' && field.taxonomy === field.id;
      const self = ['note', 'group'].includes(field.kind)
        ? []
        : [{ id: field.id ?? '', label, kind: field.kind, field, taxonomy }];
      return [...self, ...within(inner, `${label}: `)];
    });
  return [
    ...within(fieldsOf(recordType), ''),
    ...own.map(({ id, label, kind }) => ({ id, label, kind, field: undefined, taxonomy: false })),
  ];
}

export function testsOf(of: Compared | undefined): Test[] {
  if (!of) {
    return ['filled'];
  }
  if (of.taxonomy) {
    return ['under', 'is', 'is_not', 'filled'];
  }
  const compared = of.kind in kinds ? kinds[of.kind as KindCode].compared : 'same';
  if (compared === 'order') {
    return ['is', 'is_not', 'at_least', 'at_most', 'above', 'below', 'filled'];
  }
  if (compared === 'text' || of.kind === 'rich_text') {
    return ['has', 'is', 'is_not', 'filled'];
  }
  if (ONLY_THERE.includes(of.kind)) {
    return ['filled'];
  }
  return ['is', 'is_not', 'filled'];
}

/** The condition that the server understands; comparisons without a value are still being typed. */
export function whereOf(filter: Comparison[], all: Compared[]): string {
  const parts = filter
    .filter((each) => each.value !== '' && all.some((known) => known.id === each.field))
    .map((each) => {
      const of = all.find((known) => known.id === each.field);
      const value = each.value === 'true' ? true : each.value === 'false' ? false : each.value;
      return of?.taxonomy
        ? { taxonomy: each.field, [each.test]: each.test === 'filled' ? value : [each.value] }
        : { field: each.field, [each.test]: value };
    });
  return parts.length === 0 ? '' : JSON.stringify(parts.length === 1 ? parts[0] : { all: parts });
}

/** Fields that fit a line of a list. */
export function listable(field: Field): boolean {
  return !['image', 'long_text', 'rich_text', 'note', 'group', 'repeater', 'file'].includes(field.kind);
}
