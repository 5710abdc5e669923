import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';

export type Holder = Schemas['HolderView'];

/** How content types, taxonomies and site values stand in addresses of this interface: types by their key alone. */
export function addressOf(holder: Pick<Holder, 'sort' | 'key'>): string {
  return holder.sort === 'types' ? holder.key : `${holder.sort}-${holder.key}`;
}

/** What the installed definitions of one site hold. */
export const useHolders = defineStore('holders', () => {
  const site = ref('');
  const all = shallowRef<Holder[]>();

  async function load(path: string): Promise<void> {
    if (site.value !== path) {
      site.value = path;
      all.value = undefined;
    }
    const found = await ask(api.GET('/api/sites/{site}/holders', { params: { path: { site: path } } }));
    if (site.value === path) {
      all.value = found;
    }
  }

  const byId = (id: string) => all.value?.find((each) => each.id === id);
  const at = (address: string) => all.value?.find((each) => addressOf(each) === address);

  return { site, all, load, byId, at };
});

/** The fields of a record itself, in the order of the form. */
export function fieldsOf(holder: Holder): Field[] {
  return [...holder.first, ...holder.groups.flatMap((group) => group.fields)].map(({ field }) => field as Field);
}

/** A noun as it stands within a sentence: "Waterway" is "waterway", but "VHF channel" stays. */
export function noun(name: string): string {
  return /^\p{Lu}\p{Lu}/u.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);
}
