import { useIntervalFn } from '@vueuse/core';
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { useChoosing, type Choosing } from '@/shared/choosing';

export type Details = Schemas['ImportDetails'];
export type Mapping = Schemas['MappingView'];
export type Progress = Schemas['ImportProgress'];
export type Work = 'try' | 'run' | 'pause' | 'undo';

/** States in which the server works on an import. */
const WORKING = new Set(['reading', 'trying', 'running', 'undoing']);
/** States in which it can be said where rows go, and cells can be corrected. */
const OPEN = new Set(['ready', 'tried', 'undone']);
/** Milliseconds after which it is asked again how far it is. */
const AGAIN = 700;

interface OpenImport extends Choosing<Details, Mapping> {
  progress: ComputedRef<Progress | undefined>;
  isWorking: ComputedRef<boolean>;
  isOpen: ComputedRef<boolean>;
  /** Whether something was asked of the server that it has not answered yet. */
  isActing: Ref<boolean>;
  refused: Ref<string>;
  /** Does what stores something, and shows what comes of it. */
  act: (doing: () => Promise<Details | Progress>) => Promise<boolean>;
  work: (what: Work) => Promise<boolean>;
}

/** Rows of workbooks that become records of a site: where they go, and how far they are. */
export function useImport(site: string, id: number): OpenImport {
  const path = { site, id };
  const chosen = useChoosing<Details, Mapping>({
    load: () => ask(api.GET('/api/sites/{site}/imports/{id}', { params: { path } })),
    store: ({ progress }, body) => {
      const params = { path, query: { revision: progress.revision } };
      return ask(api.PUT('/api/sites/{site}/imports/{id}/mapping', { params, body }));
    },
    choicesOf: (view) => view.mapping,
    none: { sheets: [] },
  });
  const { view } = chosen;
  const progress = computed(() => view.value?.progress);
  const isWorking = computed(() => WORKING.has(progress.value?.state ?? ''));
  const isOpen = computed(() => OPEN.has(progress.value?.state ?? ''));
  const isActing = ref(false);
  const refused = ref('');

  function tell(progress: Progress): void {
    if (view.value) {
      view.value = { ...view.value, progress };
    }
  }

  /** What became of the rows is told once the work has ended. */
  async function look(): Promise<void> {
    try {
      const now = await ask(api.GET('/api/sites/{site}/imports/{id}/progress', { params: { path } }));
      if (WORKING.has(now.state)) {
        tell(now);
      } else if (isWorking.value) {
        await chosen.load();
      }
    } catch (thrown) {
      chosen.problem.value = sentenceOf(thrown);
    }
  }

  const { pause, resume } = useIntervalFn(() => void look(), AGAIN, { immediate: false });
  watch(isWorking, (is) => {
    if (is) {
      resume();
    } else {
      pause();
    }
  });

  async function act(doing: () => Promise<Details | Progress>): Promise<boolean> {
    refused.value = '';
    isActing.value = true;
    try {
      await chosen.settled();
      const told = await doing();
      if ('sheets' in told) {
        chosen.take(told);
      } else if (WORKING.has(told.state)) {
        tell(told);
      } else {
        await chosen.load();
      }
      return true;
    } catch (thrown) {
      refused.value = sentenceOf(thrown);
      await chosen.load();
      return false;
    } finally {
      isActing.value = false;
    }
  }

  const params = { path };
  const work = (what: Work) =>
    act(() => {
      switch (what) {
        case 'try':
          return ask(api.POST('/api/sites/{site}/imports/{id}/try', { params }));
        case 'run':
          return ask(api.POST('/api/sites/{site}/imports/{id}/run', { params }));
        case 'pause':
          return ask(api.POST('/api/sites/{site}/imports/{id}/pause', { params }));
        case 'undo':
          return ask(api.POST('/api/sites/{site}/imports/{id}/undo', { params }));
      }
    });

  return { ...chosen, progress, isWorking, isOpen, isActing, refused, act, work };
}
