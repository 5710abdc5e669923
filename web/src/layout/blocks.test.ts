import { describe, expect, it } from 'vitest';
import {
  blockOfWay,
  blockTree,
  changed,
  finds,
  storedText,
  typedText,
  waysInRows,
  type Block,
  type Way,
} from './blocks';
import { typeWithin } from './scopes';

const text = (id: string): Block => ({ id, block: 'text', text: id });
const columns = (id: string, ...blocks: Block[]): Block => ({ id, block: 'columns', blocks });
const shown = (blocks: Block[]): string =>
  blocks.map((each) => (each.id ?? '') + ('blocks' in each && each.blocks ? `(${shown(each.blocks)})` : '')).join(' ');
const way = (path: string, label: string, more: Partial<Way> = {}): Way => ({
  path,
  keys: path.replace(/f/g, 'k'),
  label,
  kind: 'text',
  block: 'field',
  many: false,
  presentations: [],
  leads: [],
  ...more,
});

describe('a tree of blocks', () => {
  const all = [columns('c', text('a'), text('b')), text('d'), text('e')];

  it('moves blocks into what holds others and out of it', () => {
    expect(shown(blockTree.indent(all, 'd'))).toBe('c(a b d) e');
    expect(shown(blockTree.indent(all, 'e'))).toBe('c(a b) d e');
    expect(shown(blockTree.outdent(all, 'a'))).toBe('c(b) a d e');
    expect(shown(blockTree.move(all, 'b', -1))).toBe('c(b a) d e');
    expect(shown(blockTree.addWithin(all, text('n'), 'c'))).toBe('c(a b n) d e');
    expect(shown(blockTree.remove(blockTree.remove(all, 'a'), 'b'))).toBe('c d e');
    expect(shown(all)).toBe('c(a b) d e');
  });

  it('takes a block where it is dropped, and never into itself', () => {
    expect(shown(blockTree.drop(all, 'e', 'before', 'a'))).toBe('c(e a b) d');
    expect(shown(blockTree.drop(all, 'a', 'after', 'd'))).toBe('c(b) d a e');
    expect(shown(blockTree.drop(all, 'e', 'within', 'c'))).toBe('c(a b e) d');
    expect(shown(blockTree.drop(all, 'e', 'within', 'd'))).toBe('c(a b) d e');
    expect(shown(blockTree.drop(all, 'c', 'after', 'e'))).toBe('d e c(a b)');
    for (const target of ['a', 'c', 'none']) {
      expect(shown(blockTree.drop(all, 'c', 'within', target))).toBe('c(a b) d e');
    }
  });

  it('puts no block into a list that shows no blocks', () => {
    const related = (as?: 'blocks'): Block => ({ id: 'r', block: 'related', field: 'f', ...(as ? { as } : {}) });
    expect(shown(blockTree.indent([related(), text('d')], 'd'))).toBe('r d');
    expect(shown(blockTree.indent([related('blocks'), text('d')], 'd'))).toBe('r(d)');
  });

  it('loses a setting that is taken away', () => {
    const before: Block = { id: 'x', block: 'field', field: 'f', label: 'L' };
    expect(blockTree.replace([before], changed(before, { label: undefined }))).toEqual([
      { id: 'x', block: 'field', field: 'f' },
    ]);
  });
});

describe('the quick line', () => {
  it('finds a way by the beginnings of its words', () => {
    expect(finds('kee ph', 'Keeper › Phone')).toBe(true);
    expect(finds('ph', 'Keeper › Phone')).toBe(true);
    expect(finds('keeper fax', 'Keeper › Phone')).toBe(false);
    expect(finds('', 'Anything')).toBe(true);
    expect(finds('école', 'École du canal')).toBe(true);
  });

  it('makes the block that a value is usually shown by', () => {
    expect(blockOfWay(way('f1', 'Rise'))).toMatchObject({ block: 'field', field: 'f1' });
    expect(blockOfWay(way('f2', 'Works', { block: 'rows' }))).toMatchObject({ block: 'rows', field: 'f2' });
    expect(blockOfWay(way('x1', 'Waters', { block: 'terms' }))).toMatchObject({ block: 'terms', taxonomy: 'x1' });
    expect(blockOfWay(way('f3.x1', 'Keeper › Skills', { block: 'terms' }))).toMatchObject({ block: 'field' });
  });
});

describe('what can be shown', () => {
  const ways = [way('f1', 'Rise'), way('f2', 'Works', { block: 'rows' }), way('f2.f3', 'Works › Year')];

  it('is named from within a row first of all by what the row has', () => {
    expect(waysInRows(ways, 'f2').map((each) => `${each.path} ${each.label}`)).toEqual(['f3 Year', 'f1 Rise']);
  });

  it('stands in texts by keys where people type them, and by ids where it is kept', () => {
    const typed = 'Built {k1 else k2.k3 else "k1"} {nothing} {{k1}} {';
    const kept = 'Built {f1 else f2.f3 else "k1"} {nothing} {{k1}} {';
    expect(storedText(typed, ways)).toBe(kept);
    expect(typedText(kept, ways)).toBe(typed);
  });

  it('is that of what a block lists', () => {
    const related: Block = { id: 'r', block: 'related', field: 'f9' };
    const lead = way('f9', 'Keeper', { leads: ['t2'] });
    expect(typeWithin(related, [lead], [], ['t1'])).toBe('t2');
    expect(typeWithin(text('a'), [lead], [], ['t1'])).toBe('');
  });
});
