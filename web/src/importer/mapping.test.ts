import { describe, expect, it } from 'vitest';
import type { RecordType } from '@/record/recordTypes';
import type { Field } from '@/shared/kinds';
import {
  choiceOf,
  columnOf,
  fieldWord,
  isUnclear,
  keyColumns,
  sheetAt,
  targetOf,
  targetsOf,
  withColumn,
  withSheet,
  wordOf,
  type MappedSheet,
} from './mapping';
import type { Mapping } from './useImport';

const sheets = (...names: string[]) =>
  names.map((name, sheet) => ({ sheet, file: 'all.ods', name, hidden: false, rows: 1, columns: [], outcomes: {} }));
const loom: RecordType = {
  id: 'tloom',
  sort: 'types',
  key: 'loom',
  singular: 'Loom',
  plural: 'Looms',
  path: 'looms',
  under: [],
  wordings: {},
  exact: true,
  records: 0,
  parentRequired: false,
  definition: {} as RecordType['definition'],
  first: [{ field: { id: 'part_title', key: 'title', label: 'Title', kind: 'text' } }],
  groups: [
    {
      id: 'g',
      title: 'Facts',
      description: '',
      fields: [
        { id: 'fcode', key: 'code', label: 'Code', kind: 'text' },
        { id: 'fwhere', key: 'where', label: 'Where', kind: 'place' },
        { id: 'fnote', key: 'note', label: 'Note', kind: 'note', text: 'Look.' },
        {
          id: 'fwash',
          key: 'washes',
          label: 'Washes',
          kind: 'repeater',
          fields: [{ id: 'fday', key: 'day', label: 'Day', kind: 'date' }],
        },
      ].map((field) => ({ field: field as Field })),
    },
  ],
};

describe('where columns go', () => {
  const targets = targetsOf(loom);

  it('knows every field that takes a cell, halves of places too', () => {
    expect(targets.map((each) => [each.way.map((field) => field.key).join('.'), each.part])).toEqual([
      ['title', ''],
      ['code', ''],
      ['where', ''],
      ['where', 'latitude'],
      ['where', 'longitude'],
      ['washes.day', ''],
    ]);
  });

  it('finds fields by id and by keys, as mappings from files have them', () => {
    const day = targets.at(-1);
    expect(targetOf(targets, { column: 'Day', field: 'fday' })).toBe(day);
    expect(targetOf(targets, { column: 'Day', field: 'washes.day', part: '' })).toBe(day);
    expect(targetOf(targets, { column: 'Day', field: 'day' })).toBeUndefined();
  });

  it('has a word for each choice, and the choice for each word', () => {
    for (const target of targets) {
      const column = { column: 'X', ...choiceOf(fieldWord(target), targets, false) };
      expect(targetOf(targets, column)).toBe(target);
      expect(wordOf(column, target)).toBe(fieldWord(target));
    }
    expect(wordOf({ column: 'X', ...choiceOf('state', targets, false) }, undefined)).toBe('state');
  });

  it('says which row of a repeater a column is, unless rows are such rows', () => {
    const word = fieldWord(targets.at(-1) as (typeof targets)[number]);
    expect(choiceOf(word, targets, false).row).toBe(1);
    expect(choiceOf(word, targets, true).row).toBe(0);
  });

  it('forgets what was said of another goal', () => {
    const named: MappedSheet = {
      sheet: 'Looms',
      columns: [{ column: 'Code', goal: 'field', field: 'fcode', by: 'title', replace: { 'n/a': '' } }],
    };
    const changed = withColumn(named, ' code', choiceOf('number', targets, false));
    expect(columnOf(changed, 'Code')).toMatchObject({ column: 'Code', goal: 'number', field: '', replace: {} });
  });

  it('finds sheets by name, and the only one whatever it is called', () => {
    const mapping: Mapping = { sheets: [{ sheet: 'may.csv', to: 'loom' }] };
    expect(sheetAt(mapping, sheets('june'), 0).to).toBe('loom');
    expect(sheetAt(mapping, sheets('june', 'July'), 1)).toEqual({ sheet: 'July', use: 'skip' });
    const before = sheetAt(mapping, sheets('june', 'July'), 1);
    expect(withSheet(mapping, before, { ...before, use: 'records' }).sheets).toHaveLength(2);
  });

  it('lets rows be known by what can tell them apart', () => {
    const columns = [
      { column: 'No', goal: 'number' },
      { column: 'Name', goal: 'field', field: 'part_title' },
      { column: 'Day', goal: 'field', field: 'fday' },
      { column: 'Where', goal: 'field', field: 'fwhere', part: '' },
    ];
    expect(keyColumns(loom, { sheet: 'Looms', columns })).toEqual(['No', 'Name']);
  });

  it('sees what could be read in two ways', () => {
    expect(isUnclear(['2026-01-02', '03/04/2027'])).toBe(true);
    expect(isUnclear(['1,234'])).toBe(true);
    expect(isUnclear(['1,5', '1,234.50', '2026-01-02', 'a, b'])).toBe(false);
  });
});
