import { describe, expect, it } from 'vitest';
import type { Group } from '@/shared/kinds';
import { addField, moveField, removeField, replaceField } from './rows';

const groups: Group[] = [
  {
    id: 'ga',
    title: 'A',
    fields: [
      { id: 'f1', key: 'one', label: 'One', kind: 'text' },
      { id: 'f2', key: 'two', label: 'Two', kind: 'choice', options: [{ id: 'o1', key: 'a', label: 'A' }] },
    ],
  },
  { id: 'gb', title: 'B', fields: [{ id: 'f3', key: 'three', label: 'Three', kind: 'date' }] },
];

const ids = (list: Group[]) => list.map((group) => (group.fields ?? []).map((field) => field.id).join());

describe('rows of a table of fields', () => {
  it('adds behind a row or at the end', () => {
    const behind = addField(groups, 'ga', 'f1');
    expect(ids(behind.groups)).toEqual([`f1,${behind.id},f2`, 'f3']);
    const last = addField(groups, 'gb');
    expect(ids(last.groups)).toEqual(['f1,f2', `f3,${last.id}`]);
    expect(ids(groups)).toEqual(['f1,f2', 'f3']);
  });

  it('gives a copy and its options identities of their own', () => {
    const source = groups[0]?.fields?.[1];
    const copied = addField(groups, 'ga', 'f2', source);
    const made = copied.groups[0]?.fields?.[2];
    expect(made?.id).toBe(copied.id);
    expect(made?.kind === 'choice' && made.options?.[0]?.id).not.toBe('o1');
    expect(made?.label).toBe('Two');
  });

  it('moves within a group and over its edge', () => {
    expect(ids(moveField(groups, 'f1', 1))).toEqual(['f2,f1', 'f3']);
    expect(ids(moveField(groups, 'f2', 1))).toEqual(['f1', 'f2,f3']);
    expect(ids(moveField(groups, 'f3', -1))).toEqual(['f1,f2,f3', '']);
    expect(moveField(groups, 'f1', -1)).toEqual(groups);
    expect(moveField(groups, 'gone', 1)).toEqual(groups);
  });

  it('removes and replaces one row', () => {
    expect(ids(removeField(groups, 'f2'))).toEqual(['f1', 'f3']);
    const renamed = replaceField(groups, { id: 'f3', key: 'drei', label: 'Three', kind: 'date' });
    expect(renamed[1]?.fields?.[0]?.key).toBe('drei');
  });
});
