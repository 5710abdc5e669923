import { innerOf, withInnerOf } from '@/shared/definitions';
import type { Schemas } from '@/shared/api/client';
import type { Field, Group } from '@/shared/kinds';

export type Condition = Schemas['Condition'];
export type Test = 'is' | 'is_not' | 'above' | 'at_least' | 'below' | 'at_most' | 'has' | 'under' | 'filled';
type Tree = Record<string, unknown>;

/** A comparison as it is built: what is compared, how, and with what. */
export interface Comparison {
  what: 'field' | 'taxonomy' | 'parent' | 'state';
  of: string;
  test: Test;
  values: string[];
}

export interface Joined {
  how: 'all' | 'any';
  of: (Comparison | { not: Comparison } | { kept: Condition })[];
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
  const what = 'field' in tree ? 'field' : 'taxonomy' in tree ? 'taxonomy' : undefined;
  const test = Object.keys(tree).find((name) => name !== what) as Test | undefined;
  return what && test ? { what, of: String(tree[what]), test, values: texts(tree[test]) } : undefined;
}

/** A condition as a list that can be built by picking; parts that are nested deeper are kept as they are. */
export function joined(condition: Condition | undefined): Joined {
  const tree = (condition ?? { all: [] }) as Tree;
  const how = 'any' in tree ? 'any' : 'all';
  const parts = (how in tree ? tree[how] : [tree]) as Tree[];
  return {
    how,
    of: parts.map((part) => {
      const not = 'not' in part ? comparison(part.not as Tree) : undefined;
      return not ? { not } : (comparison(part) ?? { kept: part as Condition });
    }),
  };
}

function written(each: Comparison): Tree {
  if (each.what === 'parent') {
    return { parent: each.values };
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

/** The condition of such a list; nothing where the list is empty. */
export function conditionOf(list: Joined): Condition | undefined {
  const parts = list.of.map((each) =>
    'kept' in each ? each.kept : 'not' in each ? { not: written(each.not) } : written(each),
  );
  if (parts.length === 0) {
    return undefined;
  }
  return (parts.length === 1 ? parts[0] : { [list.how]: parts }) as Condition;
}

/** The comparisons that a field's kind has. */
export function testsOf(field: Field | undefined): Test[] {
  switch (field?.kind) {
    case undefined:
      return ['filled'];
    case 'number':
    case 'date':
    case 'time':
    case 'date_time':
      return ['is', 'is_not', 'above', 'at_least', 'below', 'at_most', 'filled'];
    case 'text':
    case 'long_text':
    case 'email':
    case 'url':
    case 'phone':
      return ['is', 'is_not', 'has', 'filled'];
    case 'yes_no':
    case 'choice':
    case 'term':
    case 'colour':
    case 'icon':
      return ['is', 'is_not', 'filled'];
    default:
      return ['filled'];
  }
}

/** The fields that a condition of a field may compare: those beside it and around it. */
export function fieldsInSight(groups: Group[], own: string | undefined): Field[] {
  const top = groups.flatMap((group) => group.fields ?? []);
  const around: Field[] = [];
  let beside = top;
  for (;;) {
    const holder = beside.find((field) => withInnerOf(innerOf(field)).some((inner) => inner.id === own));
    if (!holder) {
      break;
    }
    around.push(...beside);
    beside = innerOf(holder);
  }
  return [...beside, ...around].filter(
    (field) => field.id !== own && !['note', 'group', 'repeater'].includes(field.kind),
  );
}
