import { onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { Choices } from './choices';

/** After how many milliseconds without a key what was typed is sent. */
const PAUSE = 350;

interface OpenWorkbook {
  view: ShallowRef<Schemas['WorkbookView'] | undefined>;
  choices: Ref<Choices>;
  problem: Ref<string>;
  /** Whether what is shown does not have the last choice yet. */
  busy: Ref<boolean>;
  load: () => Promise<void>;
  choose: (next: Choices, soon?: boolean) => void;
  settled: () => Promise<void>;
}

/** A workbook that was read, with the model that is proposed for it; choices are sent one after the other, the newest last. */
export function useWorkbook(workspace: string, id: number): OpenWorkbook {
  const view = shallowRef<Schemas['WorkbookView']>();
  const choices = ref<Choices>({ sheets: [] });
  const problem = ref('');
  const busy = ref(false);
  const path = { workspace, id };
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<void> | undefined;
  let unsent = false;
  onScopeDispose(() => {
    clearTimeout(timer);
    if (unsent) {
      void send();
    }
  });

  async function load(): Promise<void> {
    problem.value = '';
    try {
      const params = { path };
      const [told, chosen] = await Promise.all([
        ask(api.GET('/api/workspaces/{workspace}/workbooks/{id}', { params })),
        ask(api.GET('/api/workspaces/{workspace}/workbooks/{id}/choices', { params })),
      ]);
      view.value = told;
      choices.value = chosen;
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    }
  }

  /** @param soon whether more is likely to follow at once, as while somebody types */
  function choose(next: Choices, soon = false): void {
    choices.value = next;
    unsent = true;
    busy.value = true;
    clearTimeout(timer);
    timer = setTimeout(() => void send(), soon ? PAUSE : 0);
  }

  async function send(): Promise<void> {
    clearTimeout(timer);
    while (sending) {
      await sending;
    }
    if (unsent) {
      sending = put();
      await sending;
    }
  }

  async function put(): Promise<void> {
    unsent = false;
    try {
      view.value = await ask(
        api.PUT('/api/workspaces/{workspace}/workbooks/{id}/choices', { params: { path }, body: choices.value }),
      );
      problem.value = '';
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    } finally {
      sending = undefined;
      busy.value = unsent;
    }
  }

  return { view, choices, problem, busy, load, choose, settled: send };
}
