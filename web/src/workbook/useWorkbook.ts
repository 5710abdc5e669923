import { onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { api, ApiError, ask, mayPass, sentenceOf, type Schemas } from '@/shared/api/client';
import type { Choices } from './choices';

/** After how many milliseconds without a key what was typed is sent. */
const PAUSE = 350;
/** After how many milliseconds it is tried again. */
const RETRY = 3_000;
/** How often others may choose at the same moment. */
const TRIES = 5;
const CONFLICT = 409;

/** What becomes of the choices that there are. */
export type Choosing = (before: Choices) => Choices;

interface OpenWorkbook {
  view: ShallowRef<Schemas['WorkbookView'] | undefined>;
  choices: Ref<Choices>;
  problem: Ref<string>;
  /** Whether what is shown does not have the last choice yet. */
  busy: Ref<boolean>;
  load: () => Promise<void>;
  take: (told: Schemas['WorkbookView']) => void;
  choose: (choosing: Choosing, soon?: boolean) => void;
  settled: () => Promise<void>;
}

/**
 * A workbook that was read, with the model that is proposed for it. Choices are sent one after the other; where somebody else chose
 * meanwhile, they are made again upon what is chosen now.
 */
export function useWorkbook(workspace: string, id: number): OpenWorkbook {
  const view = shallowRef<Schemas['WorkbookView']>();
  const choices = ref<Choices>({ sheets: [] });
  const problem = ref('');
  const busy = ref(false);
  const path = { workspace, id };
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<void> | undefined;
  let unsent: Choosing[] = [];
  onScopeDispose(() => {
    clearTimeout(timer);
    if (unsent.length) {
      void send();
    }
  });

  /** What is chosen here and not stored yet stands upon what the server tells. */
  function take(told: Schemas['WorkbookView']): void {
    view.value = told;
    choices.value = unsent.reduce<Choices>((before, choosing) => choosing(before), told.choices);
  }

  async function load(): Promise<void> {
    try {
      take(await ask(api.GET('/api/workspaces/{workspace}/workbooks/{id}', { params: { path } })));
      problem.value = '';
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    }
  }

  /** @param soon whether more is likely to follow at once, as while somebody types */
  function choose(choosing: Choosing, soon = false): void {
    unsent.push(choosing);
    choices.value = choosing(choices.value);
    busy.value = true;
    clearTimeout(timer);
    timer = setTimeout(() => void send(), soon ? PAUSE : 0);
  }

  async function send(): Promise<void> {
    clearTimeout(timer);
    while (sending) {
      await sending;
    }
    if (unsent.length && view.value) {
      sending = store();
      await sending;
    }
  }

  async function store(): Promise<void> {
    try {
      for (let tried = 1; ; tried++) {
        const sent = unsent.length;
        try {
          const query = { chosen: view.value?.chosen ?? 0 };
          const params = { path, query };
          const told = await ask(
            api.PUT('/api/workspaces/{workspace}/workbooks/{id}/choices', { params, body: choices.value }),
          );
          unsent = unsent.slice(sent);
          take(told);
          break;
        } catch (thrown) {
          if (!(thrown instanceof ApiError) || thrown.status !== CONFLICT || tried === TRIES) {
            throw thrown;
          }
          take(thrown.current as Schemas['WorkbookView']);
        }
      }
      problem.value = '';
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
      if (mayPass(thrown)) {
        timer = setTimeout(() => void send(), RETRY);
      }
    } finally {
      sending = undefined;
      busy.value = unsent.length > 0;
    }
  }

  return { view, choices, problem, busy, load, take, choose, settled: send };
}
