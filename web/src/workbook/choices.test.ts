import { describe, expect, it } from 'vitest';
import type { Schemas } from '@/shared/api/client';
import { becomes, chooseColumn, chooseSheet, choiceOf, chosenOf, isOtherwise, type Choices } from './choices';

const NONE: Choices = { sheets: [] };

describe('choices', () => {
  it('keep what was chosen of other columns and sheets', () => {
    const first = chooseColumn(NONE, 0, 2, { label: 'Keeper' });
    const second = chooseColumn(chooseColumn(first, 1, 2, { use: 'skip' }), 0, 3, { required: true });
    const third = chooseColumn(second, 0, 2, { kind: 'number' });
    expect(chosenOf(third, 0, 2)).toEqual({ column: 2, label: 'Keeper', kind: 'number' });
    expect(chosenOf(third, 0, 3).required).toBe(true);
    expect(chosenOf(third, 1, 2).use).toBe('skip');
  });

  it('forget what was chosen of columns when the sheet becomes something else', () => {
    const chosen = chooseColumn(NONE, 0, 2, { use: 'terms' });
    expect(chosenOf(chooseSheet(chosen, 0, { name: 'Oven' }), 0, 2).use).toBe('terms');
    expect(chosenOf(chooseSheet(chosen, 0, { role: 'list' }), 0, 2).use).toBeUndefined();
  });

  it('tell a field by its kind, and all else by its use', () => {
    const column = { use: 'field', kind: 'number' } as Schemas['WorkbookColumn'];
    expect(choiceOf(becomes(column))).toEqual({ use: 'field', kind: 'number' });
    expect(choiceOf(becomes({ ...column, use: 'title', kind: '' }))).toEqual({ use: 'title', kind: undefined });
  });

  it('are none where everything was taken back', () => {
    expect(isOtherwise({ column: 1 })).toBe(false);
    expect(isOtherwise({ column: 1, label: undefined, joins: {} })).toBe(false);
    expect(isOtherwise(JSON.parse('{"column":1,"use":null,"joins":{}}') as { column: number })).toBe(false);
    expect(isOtherwise({ column: 1, required: false })).toBe(true);
    expect(isOtherwise({ column: 1, joins: { a: 'b' } })).toBe(true);
  });
});
