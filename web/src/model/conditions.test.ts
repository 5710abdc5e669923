import { describe, expect, it } from 'vitest';
import type { Field, Group } from '@/shared/kinds';
import { conditionOf, fieldsInSight, joined, type Condition } from './conditions';

const text = (id: string): Field => ({ id, key: id, label: id, kind: 'text' });

describe('conditions built by picking', () => {
  it.each([
    { field: 'f1', is: true },
    { not: { field: 'f1', has: 'x' } },
    {
      all: [
        { field: 'f1', is: ['a', 'b'] },
        { taxonomy: 'x1', under: 'w1' },
      ],
    },
    { any: [{ state: 'draft' }, { parent: ['t1'] }, { all: [{ field: 'f1', filled: true }, { state: 'draft' }] }] },
  ])('come back as they were: %j', (tree) => {
    expect(conditionOf(joined(tree as unknown as Condition))).toEqual(tree);
  });

  it('are nothing where nothing is compared', () => {
    expect(conditionOf(joined(undefined))).toBeUndefined();
  });

  it('compare what stands beside them or around them', () => {
    const groups: Group[] = [
      {
        id: 'g',
        title: 'G',
        fields: [
          text('a'),
          { id: 'r', key: 'r', label: 'R', kind: 'repeater', fields: [text('b'), text('c')] },
          { id: 'n', key: 'n', label: 'N', kind: 'note', text: 'x' },
        ],
      },
    ];
    expect(fieldsInSight(groups, 'b').map((field) => field.id)).toEqual(['c', 'a']);
    expect(fieldsInSight(groups, 'a').map((field) => field.id)).toEqual([]);
    expect(fieldsInSight(groups, undefined).map((field) => field.id)).toEqual(['a']);
  });
});
