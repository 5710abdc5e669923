import { api, ask } from '@/shared/api/client';
import { isGroup, newId, type Field, type Group, type Section } from '@/shared/kinds';
import { useDraft } from './draft';

/** A copy of a field with ids of its own, under a key that is free; made by the server, where ids are known. */
export async function copyOf(field: Field, taken: string[]): Promise<Field> {
  const params = { path: useDraft().path };
  const copy = await ask(api.POST('/api/workspaces/{workspace}/draft/copy', { params, body: { field, taken } }));
  return copy.field as Field;
}

/** Puts a copy of a field at the end of a content type's last group of its own. */
export async function copyTo(field: Field, typeId: string): Promise<void> {
  const draft = useDraft();
  const target = draft.types.find((type) => type.id === typeId);
  if (!target) {
    return;
  }
  const sections: Section[] = target.groups ?? [];
  const own: Group[] = sections.filter(isGroup);
  const made = await copyOf(
    field,
    own.flatMap((group) => (group.fields ?? []).map((each) => each.key)),
  );
  const last: Group = own[own.length - 1] ?? { id: newId('g'), title: target.singular };
  const fields: Field[] = last.fields ?? [];
  const filled: Group = { ...last, fields: [...fields, made] };
  const others: Section[] = sections.filter((each) => each !== last);
  const at = sections.findIndex((each) => each === last);
  const groups: Section[] = at < 0 ? [...others, filled] : [...others.slice(0, at), filled, ...others.slice(at)];
  draft.edit({ sort: 'type', definition: { ...target, groups } });
}

export async function copyOfGroup(group: Group): Promise<Group> {
  const params = { path: useDraft().path };
  const copy = await ask(api.POST('/api/workspaces/{workspace}/draft/copy', { params, body: { group, taken: [] } }));
  return copy.group as Group;
}
