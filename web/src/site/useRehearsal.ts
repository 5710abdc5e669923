import { useIntervalFn } from '@vueuse/core';
import { computed, type Ref } from 'vue';
import { api, ask } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import { oneRehearsal, ofSite, rehearsalList } from './queries';

const LOOK_EVERY = 700;

/** The last rehearsal of a site as it goes on, and its report. */
export function useRehearsal(site: Ref<string>) {
  const list = useResource(() => rehearsalList(site.value));
  const last = computed(() => list.data.value?.[0]);
  const one = useResource(() => oneRehearsal(site.value, last.value?.id ?? 0), {
    enabled: () => last.value !== undefined,
  });
  const rehearsal = computed(() => (one.data.value?.id === last.value?.id ? one.data.value : undefined) ?? last.value);
  const isUnderWay = computed(() => ['copying', 'running'].includes(rehearsal.value?.state ?? ''));

  const again = async (): Promise<void> => {
    await renew(rehearsalList(site.value).queryKey);
    if (last.value) {
      await renew(oneRehearsal(site.value, last.value.id).queryKey);
    }
  };
  useIntervalFn(() => {
    if (isUnderWay.value) {
      void again();
    }
  }, LOOK_EVERY);

  async function start(version: string): Promise<void> {
    const params = { path: { site: site.value } };
    await ask(api.POST('/api/sites/{site}/rehearsals', { params, body: { version } }));
    await renew(ofSite(site.value));
  }

  /** Removes the copy; gives up what is under way. */
  async function remove(): Promise<void> {
    if (last.value) {
      const params = { path: { site: site.value, id: last.value.id } };
      await ask(api.DELETE('/api/sites/{site}/rehearsals/{id}/copy', { params }));
      await again();
    }
  }

  return { rehearsal, isUnderWay, problem: computed(() => list.problem.value || one.problem.value), start, remove };
}
