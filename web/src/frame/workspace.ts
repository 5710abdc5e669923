import { CancelledError, useQuery } from '@tanstack/vue-query';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { askAgain, queryClient } from '@/shared/api/queries';
import type { Schemas } from '@/shared/api/client';
import { siteList, workspaceList } from './queries';

/** Which workspace is open, and what the server says of it: all workspaces, and the sites of this one. */
export const useWorkspace = defineStore('workspace', () => {
  const path = ref('');
  /** These are asked for by {@link loadAll} and {@link loadSites}, which are waited for. */
  const workspaces = useQuery({ ...workspaceList(), enabled: false }, queryClient);
  const found = useQuery(
    computed(() => ({ ...siteList(path.value), enabled: false })),
    queryClient,
  );
  const all = computed(() => workspaces.data.value ?? []);
  const everySite = computed(() => (path.value ? (found.data.value ?? []) : []));
  /** Without the copies that plans are rehearsed on. */
  const sites = computed(() => everySite.value.filter((site) => !site.copyOf));
  /** A site by its path, copies too. */
  const site = (wanted: string) => everySite.value.find((each) => each.path === wanted);
  /** Whether the sites have been asked for and answered: before that none does not mean that there is none. */
  const known = computed(() => path.value !== '' && found.data.value !== undefined);
  const current = computed(() => all.value.find((workspace) => workspace.path === path.value));

  async function loadAll(): Promise<void> {
    await askAgain(workspaceList());
  }

  async function open(wanted: string): Promise<void> {
    path.value = wanted;
    await loadSites();
  }

  async function loadSites(): Promise<void> {
    if (path.value) {
      const wanted = siteList(path.value);
      await queryClient.cancelQueries({ queryKey: wanted.queryKey, exact: true });
      await askAgain(wanted).catch((thrown: unknown) => {
        // somebody asked again meanwhile, and gets the newer answer
        if (!(thrown instanceof CancelledError)) {
          throw thrown;
        }
      });
    }
  }

  /** Takes in what an answer to something else said of the sites. */
  function tell(said: Schemas['SiteView'][]): void {
    const { queryKey } = siteList(path.value);
    void queryClient.cancelQueries({ queryKey, exact: true });
    queryClient.setQueryData<Schemas['SiteView'][]>(queryKey, said);
  }

  return { all, path, sites, site, known, current, loadAll, open, loadSites, tell };
});
