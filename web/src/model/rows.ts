import { innerOf } from '@/shared/definitions';
import { newId, type Field, type Group } from '@/shared/kinds';

/**
 * Edits of the rows of a table of fields, whatever stands in what; each gives new groups and leaves the old ones as they
 * are.
 */

/** Deepest level a field may stand at; the checker says the same. */
export const DEEPEST = 4;

/** A field as a row: how far within others it stands (from 0), and the group or field that holds it. */
export interface Row {
  field: Field;
  depth: number;
  owner: string;
}

export function rowsOf(group: Group): Row[] {
  return rowsWithin(group.fields ?? [], 0, group.id ?? '');
}

function rowsWithin(fields: Field[], depth: number, owner: string): Row[] {
  return fields.flatMap((field) => [{ field, depth, owner }, ...rowsWithin(innerOf(field), depth + 1, field.id ?? '')]);
}

export function holdsFields(field: Field): field is Extract<Field, { fields?: Field[] }> {
  return field.kind === 'group' || field.kind === 'repeater';
}

function withFields(field: Field, fields: Field[]): Field {
  return holdsFields(field) ? { ...field, fields } : field;
}

/** The fields of every record type changed by a function; record types without change stay the same objects. */
function mapFields(groups: Group[], change: (fields: Field[], owner: string) => Field[]): Group[] {
  const within = (fields: Field[], owner: string): Field[] => {
    const inner = fields.map((field) => {
      if (!holdsFields(field)) {
        return field;
      }
      const before = field.fields;
      const after = within(before, field.id ?? '');
      return after === before ? field : withFields(field, after);
    });
    const same = inner.every((field, i) => field === fields[i]);
    return change(same ? fields : inner, owner);
  };
  return groups.map((group) => {
    const before = group.fields ?? [];
    const after = within(before, group.id ?? '');
    return after === before ? group : { ...group, fields: after };
  });
}

export function findField(groups: Group[], id: string): Row | undefined {
  return groups.flatMap(rowsOf).find((row) => row.field.id === id);
}

export function insertField(groups: Group[], owner: string, at: number, field: Field): Group[] {
  return mapFields(groups, (fields, recordType) =>
    recordType === owner ? [...fields.slice(0, at), field, ...fields.slice(at)] : fields,
  );
}

/** A new text field behind another, or at the end of a group or field. */
export function addField(
  groups: Group[],
  owner: string,
  afterId?: string,
  made?: Field,
): { groups: Group[]; id: string } {
  const field: Field = made ?? { id: newId('f'), key: '', label: '', kind: 'text' };
  const siblings = fieldsIn(groups, owner);
  const at = afterId === undefined ? siblings.length : siblings.findIndex((each) => each.id === afterId) + 1;
  return { groups: insertField(groups, owner, at, field), id: field.id ?? '' };
}

function fieldsIn(groups: Group[], owner: string): Field[] {
  const group = groups.find((each) => each.id === owner);
  if (group) {
    return group.fields ?? [];
  }
  const recordType = findField(groups, owner)?.field;
  return recordType ? innerOf(recordType) : [];
}

export function replaceField(groups: Group[], field: Field): Group[] {
  return mapFields(groups, (fields) =>
    fields.some((each) => each.id === field.id) ? fields.map((each) => (each.id === field.id ? field : each)) : fields,
  );
}

export function removeFields(groups: Group[], ids: ReadonlySet<string>): Group[] {
  return mapFields(groups, (fields) =>
    fields.some((field) => ids.has(field.id ?? '')) ? fields.filter((field) => !ids.has(field.id ?? '')) : fields,
  );
}

/** Levels that a field takes with everything in it. */
function height(field: Field): number {
  return 1 + Math.max(0, ...innerOf(field).map(height));
}

/** Puts a field at a place of a group or field; the groups as they are where it cannot stand there. */
export function moveTo(groups: Group[], id: string, owner: string, at: number): Group[] {
  const row = findField(groups, id);
  const into = groups.some((group) => group.id === owner) ? 0 : (findField(groups, owner)?.depth ?? -2) + 1;
  const within = row && withOwn(row.field).includes(owner);
  if (!row || within || into < 0 || into + height(row.field) > DEEPEST) {
    return groups;
  }
  const siblings = fieldsIn(groups, owner);
  const from = siblings.findIndex((each) => each.id === id);
  const place = from >= 0 && from < at ? at - 1 : at;
  return insertField(removeFields(groups, new Set([id])), owner, place, row.field);
}

function withOwn(field: Field): string[] {
  return [field.id ?? '', ...innerOf(field).flatMap(withOwn)];
}

/** One place up or down among its neighbours; at the edge of a group it goes into the next one. */
export function moveField(groups: Group[], id: string, by: -1 | 1): Group[] {
  const row = findField(groups, id);
  if (!row) {
    return groups;
  }
  const siblings = fieldsIn(groups, row.owner);
  const to = siblings.findIndex((field) => field.id === id) + by;
  if (to >= 0 && to < siblings.length) {
    return moveTo(groups, id, row.owner, by === 1 ? to + 1 : to);
  }
  const at = groups.findIndex((group) => group.id === row.owner);
  const neighbour = at < 0 ? undefined : groups[at + by];
  return neighbour ? moveTo(groups, id, neighbour.id ?? '', by === 1 ? 0 : (neighbour.fields ?? []).length) : groups;
}

/** Into the group or repeater just above it. */
export function moveIn(groups: Group[], id: string): Group[] {
  const row = findField(groups, id);
  const siblings = row ? fieldsIn(groups, row.owner) : [];
  const above = siblings[siblings.findIndex((field) => field.id === id) - 1];
  return above && holdsFields(above) ? moveTo(groups, id, above.id ?? '', innerOf(above).length) : groups;
}

/** Out of the group or repeater around it, to the place behind that. */
export function moveOut(groups: Group[], id: string): Group[] {
  const row = findField(groups, id);
  const around = row ? findField(groups, row.owner) : undefined;
  if (!around) {
    return groups;
  }
  const at = fieldsIn(groups, around.owner).findIndex((field) => field.id === around.field.id) + 1;
  return moveTo(groups, id, around.owner, at);
}

/** The same with another key for what has the id, however deep it stands; the very same where nothing has it. */
export function withKey<T>(of: T, id: string, key: string): T {
  if (Array.isArray(of)) {
    const items = of as unknown[];
    const next = items.map((each) => withKey(each, id, key));
    return next.some((each, at) => each !== items[at]) ? (next as T) : of;
  }
  if (typeof of !== 'object' || of === null) {
    return of;
  }
  if ('id' in of && of.id === id) {
    return { ...of, key };
  }
  const entries = Object.entries(of);
  const next = entries.map(([name, value]) => [name, withKey(value as unknown, id, key)] as const);
  return next.some(([, value], at) => value !== entries[at]?.[1]) ? (Object.fromEntries(next) as T) : of;
}
