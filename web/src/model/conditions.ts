import { innerOf, withInnerOf } from '@/shared/definitions';
import type { Schemas } from '@/shared/api/client';
import { kinds, type Field, type Group } from '@/shared/kinds';

export type Condition = Schemas['Condition'];
export type Test = 'is' | 'is_not' | 'above' | 'at_least' | 'below' | 'at_most' | 'has' | 'under' | 'filled';
type Tree = Record<string, unknown>;

/** A comparison as it is built: what is compared, how, and with what. */
export interface Comparison {
  what: 'field' | 'taxonomy' | 'parent' | 'state' | 'address';
  of: string;
  test: Test;
  values: string[];
}

/** What goes together; a part may be a list of parts itself. What cannot be built by picking is kept as it is. */
export interface Joined {
  how: 'all' | 'any';
  parts: Part[];
}

export interface Part {
  not: boolean;
  of: Comparison | Joined | { kept: Tree };
}

export const states = ['draft', 'published', 'scheduled', 'retired'] as const;

function texts(value: unknown): string[] {
  return (Array.isArray(value) ? value : [value]).map((each) => String(each));
}

function comparison(tree: Tree): Comparison | undefined {
  if ('parent' in tree) {
    return { what: 'parent', of: '', test: 'is', values: texts(tree.parent) };
  }
  if ('state' in tree) {
    return { what: 'state', of: '', test: 'is', values: texts(tree.state) };
  }
  if ('address' in tree) {
    return { what: 'address', of: '', test: 'is', values: texts(tree.address) };
  }
  const what = 'field' in tree ? 'field' : 'taxonomy' in tree ? 'taxonomy' : undefined;
  const test = Object.keys(tree).find((name) => name !== what) as Test | undefined;
  return what && test ? { what, of: String(tree[what]), test, values: texts(tree[test]) } : undefined;
}

export function isJoined(of: Part['of']): of is Joined {
  return 'how' in of;
}

function listOf(tree: Tree): Joined | undefined {
  const how = 'any' in tree ? 'any' : 'all' in tree ? 'all' : undefined;
  const trees = how ? (tree[how] as Tree[]) : [];
  return how && trees.length ? { how, parts: trees.map(partOf) } : undefined;
}

function partOf(tree: Tree): Part {
  const not = 'not' in tree;
  const inner = not ? (tree.not as Tree) : tree;
  const of = listOf(inner) ?? comparison(inner);
  return of ? { not, of } : { not: false, of: { kept: tree } };
}

/** A condition as a list that can be built by picking. */
export function joined(condition: Condition | undefined): Joined {
  const tree = (condition ?? {}) as Tree;
  return listOf(tree) ?? { how: 'all', parts: Object.keys(tree).length ? [partOf(tree)] : [] };
}

function written(each: Comparison): Tree {
  if (each.what === 'parent') {
    return { parent: each.values };
  }
  if (each.what === 'address') {
    return { address: each.values.length === 1 ? each.values[0] : each.values };
  }
  if (each.what === 'state') {
    return { state: each.values[0] ?? 'published' };
  }
  const value = each.values.length === 1 ? natural(each.values[0] ?? '') : each.values;
  return { [each.what]: each.of, [each.test]: value };
}

/** As files have it: yes and no and numbers stand without quotes. */
function natural(text: string): unknown {
  return text === 'true' ? true : text === 'false' ? false : text;
}

function treeOf({ not, of }: Part): Tree | undefined {
  const tree = isJoined(of) ? joinedTree(of) : 'what' in of ? written(of) : of.kept;
  return tree && not ? { not: tree } : tree;
}

function joinedTree({ how, parts }: Joined): Tree | undefined {
  const trees = parts.map(treeOf).filter((tree) => tree !== undefined);
  return trees.length ? { [how]: trees } : undefined;
}

/** The condition of such a list; nothing where the list is empty, and no list where one comparison stands alone. */
export function conditionOf(list: Joined): Condition | undefined {
  const [only, ...others] = list.parts;
  const tree = only && others.length === 0 && !isJoined(only.of) ? treeOf(only) : joinedTree(list);
  return tree as Condition | undefined;
}

/** The comparisons that a field's kind has. */
export function testsOf(field: Field | undefined): Test[] {
  switch (field ? kinds[field.kind].compared : 'none') {
    case 'order':
      return ['is', 'is_not', 'above', 'at_least', 'below', 'at_most', 'filled'];
    case 'text':
      return ['is', 'is_not', 'has', 'filled'];
    case 'same':
      return ['is', 'is_not', 'filled'];
    case 'none':
      return ['filled'];
  }
}

/** The fields that a condition of a field may compare: those beside it and around it. */
export function fieldsInSight(groups: Group[], own: string | undefined): Field[] {
  const top = groups.flatMap((group) => group.fields ?? []);
  const around: Field[] = [];
  let beside = top;
  for (;;) {
    const recordType = beside.find((field) => withInnerOf(innerOf(field)).some((inner) => inner.id === own));
    if (!recordType) {
      break;
    }
    around.push(...beside);
    beside = innerOf(recordType);
  }
  return [...beside, ...around].filter(
    (field) => field.id !== own && !['note', 'group', 'repeater'].includes(field.kind),
  );
}
