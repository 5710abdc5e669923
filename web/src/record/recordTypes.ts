import { useQuery } from '@tanstack/vue-query';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { askAgain, queryClient } from '@/shared/api/queries';
import type { Field } from '@/shared/kinds';
import { recordTypeList } from './queries';

export type RecordType = Schemas['RecordTypeView'];

/** How content types, taxonomies and site values stand in addresses of this interface: types by their key alone. */
export function addressOf(recordType: Pick<RecordType, 'sort' | 'key'>): string {
  return recordType.sort === 'types' ? recordType.key : `${recordType.sort}-${recordType.key}`;
}

/** What the installed definitions of one site hold. */
export const useRecordTypes = defineStore('recordTypes', () => {
  const site = ref('');
  const found = useQuery(
    computed(() => ({ ...recordTypeList(site.value), enabled: false })),
    queryClient,
  );
  const all = computed(() => (site.value ? found.data.value : undefined));

  async function load(path: string): Promise<void> {
    site.value = path;
    await askAgain(recordTypeList(path));
  }

  const byId = (id: string) => all.value?.find((each) => each.id === id);
  const at = (address: string) => all.value?.find((each) => addressOf(each) === address);

  return { site, all, load, byId, at };
});

/** The fields of a record itself, in the order of the form. */
export function fieldsOf(recordType: RecordType): Field[] {
  return [...recordType.first, ...recordType.groups.flatMap((group) => group.fields)].map(({ field }) => field);
}

/** A noun as it stands within a sentence: "Waterway" is "waterway", but "VHF channel" stays. */
export function noun(name: string): string {
  return /^\p{Lu}\p{Lu}/u.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);
}
