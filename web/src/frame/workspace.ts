import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, ask, type Schemas } from '@/shared/api/client';

/** The workspaces, the one that is open, and its sites. */
export const useWorkspace = defineStore('workspace', () => {
  const all = ref<Schemas['WorkspaceView'][]>([]);
  const path = ref('');
  const sites = ref<Schemas['SiteView'][]>([]);
  let lastAsked = 0;
  /** Whether the sites have been asked for and answered: before that none does not mean that there is none. */
  const known = ref(false);
  const current = computed(() => all.value.find((workspace) => workspace.path === path.value));

  async function loadAll(): Promise<void> {
    all.value = await ask(api.GET('/api/workspaces'));
  }

  async function open(wanted: string): Promise<void> {
    if (path.value !== wanted) {
      path.value = wanted;
      sites.value = [];
      known.value = false;
    }
    await loadSites();
  }

  /** @param counts whether to count the records too, which takes a while for large sites */
  async function loadSites(counts = false): Promise<void> {
    const asked = path.value;
    if (!asked) {
      return;
    }
    // of several answers under way only the one that was asked for last is taken
    const turn = ++lastAsked;
    const found = await ask(
      api.GET('/api/workspaces/{workspace}/sites', {
        params: { path: { workspace: asked }, query: { counts } },
      }),
    );
    if (path.value === asked && turn === lastAsked) {
      sites.value = found;
      known.value = true;
    }
  }

  return { all, path, sites, known, current, loadAll, open, loadSites };
});
