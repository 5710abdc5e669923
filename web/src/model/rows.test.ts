import { describe, expect, it } from 'vitest';
import type { Field, Group } from '@/shared/kinds';
import { addField, findField, moveField, moveIn, moveOut, moveTo, removeFields, replaceField, rowsOf } from './rows';

const text = (id: string): Field => ({ id, key: id, label: id, kind: 'text' });
const rows = (id: string, ...fields: Field[]): Field => ({ id, key: id, label: id, kind: 'repeater', fields });
const groups: Group[] = [
  { id: 'ga', title: 'A', fields: [text('f1'), rows('r1', text('i1'), rows('r2', text('i2')))] },
  { id: 'gb', title: 'B', fields: [text('f3')] },
];

/** The tree in one line: f1 r1(i1 r2(i2)) | f3 */
function tree(list: Group[]): string {
  const within = (fields: Field[]): string =>
    fields
      .map((field) => (field.kind === 'repeater' ? `${field.id ?? ''}(${within(field.fields)})` : (field.id ?? '')))
      .join(' ');
  return list.map((group) => within(group.fields ?? [])).join(' | ');
}

describe('rows of a table of fields', () => {
  it('are flat, with how deep each stands and in what', () => {
    const found = groups.flatMap(rowsOf).map((row) => [row.field.id, row.depth, row.owner].join(':'));
    expect(found).toEqual(['f1:0:ga', 'r1:0:ga', 'i1:1:r1', 'r2:1:r1', 'i2:2:r2', 'f3:0:gb']);
  });

  it('are added behind a row, at the end, or within another', () => {
    const behind = addField(groups, 'ga', 'f1');
    expect(tree(behind.groups)).toBe(`f1 ${behind.id} r1(i1 r2(i2)) | f3`);
    const within = addField(groups, 'r2');
    expect(tree(within.groups)).toBe(`f1 r1(i1 r2(i2 ${within.id})) | f3`);
    expect(tree(groups)).toBe('f1 r1(i1 r2(i2)) | f3');
    expect(tree(addField(groups, 'gb', undefined, text('copy')).groups)).toBe('f1 r1(i1 r2(i2)) | f3 copy');
  });

  it('move among neighbours and over the edge of a group', () => {
    expect(tree(moveField(groups, 'f1', 1))).toBe('r1(i1 r2(i2)) f1 | f3');
    expect(tree(moveField(groups, 'r1', 1))).toBe('f1 | r1(i1 r2(i2)) f3');
    expect(tree(moveField(groups, 'f3', -1))).toBe('f1 r1(i1 r2(i2)) f3 | ');
    expect(tree(moveField(groups, 'r2', -1))).toBe('f1 r1(r2(i2) i1) | f3');
    expect(moveField(groups, 'f1', -1)).toBe(groups);
    expect(moveField(groups, 'gone', 1)).toBe(groups);
  });

  it('move into and out of repeaters', () => {
    const after = moveField(groups, 'f1', 1);
    expect(tree(moveIn(after, 'f1'))).toBe('r1(i1 r2(i2) f1) | f3');
    expect(tree(moveOut(groups, 'i2'))).toBe('f1 r1(i1 r2() i2) | f3');
    expect(tree(moveOut(groups, 'i1'))).toBe('f1 r1(r2(i2)) i1 | f3');
    expect(moveOut(groups, 'f1')).toBe(groups);
    expect(moveIn(groups, 'f1')).toBe(groups);
  });

  it('never stand in themselves, nor deeper than four levels', () => {
    expect(moveTo(groups, 'r1', 'r2', 0)).toBe(groups);
    const deep: Group[] = [
      { id: 'ga', title: 'A', fields: [rows('a', rows('b', rows('c', text('d')))), rows('e', text('f'))] },
    ];
    expect(moveTo(deep, 'e', 'c', 0)).toBe(deep);
    expect(tree(moveTo(deep, 'e', 'b', 0))).toBe('a(b(e(f) c(d)))');
  });

  it('are removed together and replaced one by one, wherever they stand', () => {
    expect(tree(removeFields(groups, new Set(['f1', 'i2'])))).toBe('r1(i1 r2()) | f3');
    const renamed = replaceField(groups, { ...text('i2'), key: 'other' });
    expect(findField(renamed, 'i2')?.field.key).toBe('other');
    expect(renamed[1]).toBe(groups[1]);
  });
});
