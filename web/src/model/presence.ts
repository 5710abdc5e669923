import { useDocumentVisibility, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { newId } from '@/shared/kinds';
import { useDraft } from './draft';

const EVERY = 3_000;

/**
 * Who else looks at the draft; tells the server what is open here, and takes in what others have changed, and what a window
 * left that is gone.
 */
export const usePresence = defineStore('presence', () => {
  const others = ref<Schemas['Person'][]>([]);
  const visit = newId('v');
  const visible = useDocumentVisibility();
  let at = '';

  async function beat(): Promise<void> {
    const draft = useDraft();
    if (!draft.workspace || !draft.loaded || visible.value === 'hidden') {
      return;
    }
    void draft.takeLeft();
    try {
      const present = await ask(
        api.POST('/api/workspaces/{workspace}/presence', {
          params: { path: draft.path },
          body: { visit, definition: at },
        }),
      );
      others.value = present.others;
      if (present.revision > draft.revision) {
        await draft.refresh();
      }
    } catch {
      others.value = [];
    }
  }

  const timer = useIntervalFn(() => void beat(), EVERY, { immediate: false });

  function look(definition: string): void {
    at = definition;
    void beat();
    timer.resume();
  }

  return { others, look, leave: timer.pause };
});
