import { describe, expect, it } from 'vitest';
import type { Term } from '@/shared/definitions';
import { addTerm, indentTerm, moveTerm, outdentTerm, removeTerm, replaceTerm, termRows } from './terms';

const term = (id: string, ...children: Term[]): Term => ({
  id,
  key: id,
  label: id.toUpperCase(),
  ...(children.length ? { children } : {}),
});
const terms = [term('a', term('b'), term('c')), term('d')];
const tree = (some: Term[]): string =>
  some.map((each) => (each.id ?? '') + (each.children ? `(${tree(each.children)})` : '')).join(' ');

describe('a tree of terms', () => {
  it('is edited without touching what it was', () => {
    expect(termRows(terms).map((row) => `${String(row.depth)}${row.term.id ?? ''}`)).toEqual(['0a', '1b', '1c', '0d']);
    expect(tree(indentTerm(terms, 'd'))).toBe('a(b c d)');
    expect(tree(outdentTerm(terms, 'b'))).toBe('a(c) b d');
    expect(tree(outdentTerm(terms, 'a'))).toBe('a(b c) d');
    expect(tree(indentTerm(terms, 'a'))).toBe('a(b c) d');
    expect(tree(moveTerm(terms, 'c', -1))).toBe('a(c b) d');
    expect(tree(moveTerm(terms, 'a', -1))).toBe('a(b c) d');
    expect(tree(removeTerm(terms, 'b'))).toBe('a(c) d');
    const added = addTerm(terms, 'b');
    expect(tree(added.terms)).toBe(`a(b ${added.id} c) d`);
    expect(replaceTerm(terms, { ...term('c'), label: 'Other' })[0]?.children?.[1]?.label).toBe('Other');
    expect(tree(terms)).toBe('a(b c) d');
  });
});
