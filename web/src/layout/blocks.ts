import type { Schemas } from '@/shared/api/client';
import { newId } from '@/shared/kinds';
import { treeOf } from '@/shared/tree';

/** A block in the words of the code format; which settings it has depends on what it is. */
export type Block = Schemas['Block'];
export type BlockWord = Block['block'];
export type BlockOf<W extends BlockWord> = Extract<Block, { block: W }>;
export type Way = Schemas['WayView'];
export type Use = 'page' | 'card' | 'row';
/** What is laid out: of a type its records, the list of them and what search engines are told; of a site what is around pages. */
export type PlaceUse = Use | 'index' | 'head' | 'look';
export const uses: readonly Use[] = ['page', 'card', 'row'];

/** What arranges other blocks, in the order people are offered it. */
export const arranging = ['columns', 'section', 'fold', 'stack'] as const;
/** What needs nothing to be named. */
export const plain = ['text', 'everything_else', 'trail', 'index_link', 'neighbours', 'children', 'terms'] as const;

export function within(block: Block): Block[] {
  return 'blocks' in block ? (block.blocks ?? []) : [];
}

/** Whether blocks may stand in it: what arranges, and lists that show blocks for each of what they list. */
export function holds(block: Block): boolean {
  switch (block.block) {
    case 'columns':
    case 'section':
    case 'fold':
    case 'stack':
      return true;
    case 'rows':
    case 'related':
    case 'children':
      return block.as === 'blocks';
    default:
      return false;
  }
}

function holding(block: Block, blocks: Block[]): Block {
  if (!('blocks' in block) && !blocks.length) {
    return block;
  }
  const next = { ...block, blocks } as Block & { blocks?: Block[] };
  if (!blocks.length) {
    delete next.blocks;
  }
  return next;
}

export const blockTree = treeOf<Block>({ within, holding, holds });

/** The block with some settings changed; those that are undefined are left out. */
export function changed(block: Block, change: Record<string, unknown>): Block {
  const next: Record<string, unknown> = { ...block, ...change };
  return Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)) as Block;
}

/** The block with a setting that it has: undefined, and so its default, where it is empty. */
export function setting(block: Block, name: string): unknown {
  return (block as Record<string, unknown>)[name];
}

/** A new block for a word of the quick line. */
export function plainBlock(word: (typeof plain)[number] | (typeof arranging)[number], label: string): Block {
  const id = newId('b');
  switch (word) {
    case 'text':
      return { id, block: 'text', text: label };
    case 'section':
    case 'fold':
      return { id, block: word, label };
    default:
      return { id, block: word };
  }
}

/** A new block that shows a value first of all as its kind does. */
export function blockOfWay(way: Way): Block {
  const id = newId('b');
  switch (way.block) {
    case 'rows':
      return { id, block: 'rows', field: way.path };
    case 'related':
      return { id, block: 'related', field: way.path };
    case 'terms':
      return way.path.includes('.')
        ? { id, block: 'field', field: way.path }
        : { id, block: 'terms', taxonomy: way.path };
    default:
      return { id, block: 'field', field: way.path };
  }
}

/** The words of a way that begin as somebody has typed them: "kee ph" finds "Keeper › Phone". */
export function finds(words: string, label: string): boolean {
  const parts = label.toLowerCase().split(/[^\p{L}\p{N}]+/u);
  return words
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => parts.some((part) => part.startsWith(word)));
}

/** Doubled braces before it stand for themselves. */
const VALUES = /(?<=(?:^|[^{])(?:\{\{)*)\{([^{}]*)\}/g;

/** A text with other words for the ways to its values. */
function withWays(text: string, word: (way: string) => string): string {
  return text.replace(VALUES, (all, inside: string) =>
    inside.includes('"') && !inside.includes(' else ')
      ? all
      : `{${inside
          .split(' else ')
          .map((part) => (part.trim().startsWith('"') ? part : word(part.trim())))
          .join(' else ')}}`,
  );
}

/** A text as people type it, with the keys of values; the model has their ids. */
export function typedText(text: string, ways: Way[]): string {
  return withWays(text, (path) => ways.find((way) => way.path === path)?.keys ?? path);
}

/** A typed text with the ids of its values; what names no value stays as it is, so that the checks can say so. */
export function storedText(text: string, ways: Way[]): string {
  return withWays(text, (keys) => ways.find((way) => way.keys === keys)?.path ?? keys);
}

/** Ways as they are named from within the rows of a repeater: its fields first, then those around. */
export function waysInRows(ways: Way[], field: string): Way[] {
  const inner = ways
    .filter((way) => way.path.startsWith(`${field}.`))
    .map((way) => ({
      ...way,
      path: way.path.slice(field.length + 1),
      keys: way.keys.split('.').slice(field.split('.').length).join('.'),
      label: way.label.split(' › ').slice(field.split('.').length).join(' › '),
    }));
  return [...inner, ...ways.filter((way) => !way.path.startsWith(`${field}.`) && way.path !== field)];
}

const filters = ['choice', 'yes_no', 'number', 'date', 'time', 'date_time', 'term'];

/** Whether lists can be narrowed by what a way leads to. */
export const filterable = (way: Way): boolean => way.block === 'terms' || filters.includes(way.kind);

/** Whether lists can be grouped by it. */
export const groupable = (way: Way): boolean => way.block === 'terms' || way.kind === 'choice' || way.kind === 'term';

/** Whether lists can be sorted by it. */
export const sortable = (way: Way): boolean => !way.many && way.kind !== 'records';

/** Settings without those that are as they are by default. */
export function filled<T extends object>(of: T): T | undefined {
  const kept = Object.entries(of).filter(
    ([, value]) => value !== undefined && value !== '' && !(Array.isArray(value) && !value.length),
  );
  return kept.length ? (Object.fromEntries(kept) as T) : undefined;
}
