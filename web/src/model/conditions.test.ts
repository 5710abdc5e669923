import { describe, expect, it } from 'vitest';
import type { Field, Group } from '@/shared/kinds';
import { conditionOf, fieldsInSight, joined, type Condition, type Joined } from './conditions';

const text = (id: string): Field => ({ id, key: id, label: id, kind: 'text' });

describe('conditions built by picking', () => {
  it.each([
    { field: 'f1', is: true },
    { not: { field: 'f1', has: 'x' } },
    { address: 'bottom-lock' },
    { any: [{ address: ['bottom-lock', 'top-lock'] }, { state: 'draft' }] },
    {
      all: [
        { field: 'f1', is: ['a', 'b'] },
        { taxonomy: 'x1', under: 'w1' },
      ],
    },
    { any: [{ state: 'draft' }, { parent: ['t1'] }, { all: [{ field: 'f1', filled: true }, { state: 'draft' }] }] },
    { all: [{ field: 'f1', is: true }, { any: [{ field: 'f2', has: 'x' }] }] },
    { all: [{ not: { any: [{ state: 'draft' }, { not: { parent: ['t1'] } }] } }] },
    { any: [{ field: 'f1', is: true }, { not: { not: { state: 'draft' } } }, { all: [] }] },
  ])('come back as they were: %j', (tree) => {
    expect(conditionOf(joined(tree as unknown as Condition))).toEqual(tree);
  });

  it('show that something must not hold, and how lists within go together', () => {
    const list = joined({
      all: [{ not: { field: 'f1', has: 'x' } }, { not: { any: [{ state: 'draft' }, { field: 'f2', is: 'y' }] } }],
    } as unknown as Condition);
    expect(list.parts.map((part) => part.not)).toEqual([true, true]);
    expect(list.parts[1]?.of).toMatchObject({ how: 'any', parts: [{ of: { what: 'state' } }, { of: { of: 'f2' } }] });
  });

  it('lose a list within when its last comparison goes', () => {
    const list: Joined = { how: 'all', parts: [{ not: true, of: { how: 'any', parts: [] } }] };
    expect(conditionOf(list)).toBeUndefined();
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
