import { newId, type Field, type Group } from '@/shared/kinds';

/** Edits of the rows of a table of fields; each gives new groups and leaves the old ones as they are. */

/** A copy of a field whose options, inner fields and inverse are things of their own. */
function withNewIds(field: Field): Field {
  switch (field.kind) {
    case 'choice':
      return { ...field, options: (field.options ?? []).map((option) => ({ ...option, id: newId('o') })) };
    case 'group':
    case 'repeater':
      return { ...field, fields: field.fields.map((inner) => ({ ...withNewIds(inner), id: newId('f') })) };
    case 'relation':
      return field.inverse ? { ...field, inverse: { ...field.inverse, id: newId('i') } } : field;
    default:
      return field;
  }
}

export function addField(
  groups: Group[],
  groupId: string,
  afterId?: string,
  copyOf?: Field,
): { groups: Group[]; id: string } {
  const id = newId('f');
  const made: Field = copyOf
    ? { ...withNewIds(structuredClone(copyOf)), id }
    : { id, key: '', label: '', kind: 'text' };
  const edited = groups.map((group) => {
    if (group.id !== groupId) {
      return group;
    }
    const fields = [...(group.fields ?? [])];
    const at = afterId === undefined ? fields.length : fields.findIndex((field) => field.id === afterId) + 1;
    fields.splice(at, 0, made);
    return { ...group, fields };
  });
  return { groups: edited, id };
}

export function replaceField(groups: Group[], field: Field): Group[] {
  return groups.map((group) => ({
    ...group,
    fields: (group.fields ?? []).map((each) => (each.id === field.id ? field : each)),
  }));
}

export function removeField(groups: Group[], id: string): Group[] {
  return groups.map((group) => ({ ...group, fields: (group.fields ?? []).filter((field) => field.id !== id) }));
}

/** One place up or down; at the edge of a group it goes into the next one. */
export function moveField(groups: Group[], id: string, by: -1 | 1): Group[] {
  const at = groups.findIndex((group) => (group.fields ?? []).some((field) => field.id === id));
  const group = groups[at];
  if (!group) {
    return groups;
  }
  const fields = [...(group.fields ?? [])];
  const from = fields.findIndex((field) => field.id === id);
  const [moved] = fields.splice(from, 1);
  if (!moved) {
    return groups;
  }
  const to = from + by;
  if (to >= 0 && to <= fields.length) {
    fields.splice(to, 0, moved);
    return groups.map((each, i) => (i === at ? { ...each, fields } : each));
  }
  const neighbour = groups[at + by];
  if (!neighbour) {
    return groups;
  }
  const into = [...(neighbour.fields ?? [])];
  into.splice(by === 1 ? 0 : into.length, 0, moved);
  return groups.map((each, i) => (i === at ? { ...each, fields } : i === at + by ? { ...each, fields: into } : each));
}
