import { describe, expect, it } from 'vitest';
import { comparable, testsOf, whereOf, type Compared } from './filters';
import type { RecordType } from './recordTypes';

const recordType = {
  id: 't1',
  sort: 'types',
  key: 'tree',
  first: [{ field: { id: 'part_title', key: 'title', label: 'Title', kind: 'text' } }],
  groups: [
    {
      id: 'g',
      title: 'G',
      description: '',
      fields: [
        { field: { id: 'n', key: 'n', label: 'Note', kind: 'note', text: '' } },
        {
          field: {
            id: 'r',
            key: 'r',
            label: 'Rows',
            kind: 'repeater',
            fields: [{ id: 'd', key: 'd', label: 'Day', kind: 'date' }],
          },
        },
        { field: { id: 'x', key: 'x', label: 'Sorts', kind: 'term', taxonomy: 'x', many: true } },
      ],
    },
  ],
} as unknown as RecordType;
const own = [{ id: 'own_state', label: 'State', kind: 'choice' }];

describe('filters of lists', () => {
  const all = comparable(recordType, own);

  it('compare fields, fields of rows and what every record has', () => {
    expect(all.map((each) => each.label)).toEqual(['Title', 'Rows', 'Rows: Day', 'Sorts', 'State']);
  });

  it('have the comparisons of their kind', () => {
    const tests = (id: string) => testsOf(all.find((each) => each.id === id));
    expect(tests('d')).toContain('at_least');
    expect(tests('x')[0]).toBe('under');
    expect(tests('r')).toEqual(['filled']);
    expect(testsOf(undefined)).toEqual(['filled']);
  });

  it('become one condition; what is still typed is left out', () => {
    expect(whereOf([], all)).toBe('');
    const state: Compared['id'] = 'own_state';
    expect(
      JSON.parse(
        whereOf(
          [
            { field: 'x', test: 'under', value: '12' },
            { field: 'd', test: 'filled', value: 'true' },
            { field: state, test: 'is', value: 'draft' },
            { field: 'part_title', test: 'has', value: '' },
            { field: 'gone', test: 'is', value: 'x' },
          ],
          all,
        ),
      ),
    ).toEqual({
      all: [
        { taxonomy: 'x', under: ['12'] },
        { field: 'd', filled: true },
        { field: 'own_state', is: 'draft' },
      ],
    });
  });
});
