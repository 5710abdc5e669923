import { onScopeDispose, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { ApiError, isRefused, mayPass, sentenceOf } from './api/client';

/** After how many milliseconds without a key what was typed is sent. */
const PAUSE = 350;
/** After how many milliseconds it is tried again. */
const RETRY = 3_000;
/** How often others may choose at the same moment. */
const TRIES = 5;
const CONFLICT = 409;

/** What somebody looks at and chooses from, kept on the server; others may look at it and choose at the same time. */
interface Source<V, C> {
  load: () => Promise<V>;
  /** Stores choices upon a view; a conflict, with the view of now, where that is not of now. */
  store: (view: V, choices: C) => Promise<V>;
  choicesOf: (view: V) => C;
  none: C;
}

export interface Choosing<V, C> {
  view: ShallowRef<V | undefined>;
  choices: Ref<C>;
  problem: Ref<string>;
  /** Whether what is shown does not have the last choice yet. */
  busy: Ref<boolean>;
  load: () => Promise<void>;
  take: (told: V) => void;
  choose: (change: (before: C) => C, soon?: boolean) => void;
  settled: () => Promise<void>;
}

/**
 * Choices are sent one after the other; where somebody else chose meanwhile, they are made again upon what is chosen now.
 */
export function useChoosing<V, C>(source: Source<V, C>): Choosing<V, C> {
  const view: ShallowRef<V | undefined> = shallowRef();
  const choices = shallowRef(source.none) as Ref<C>;
  const problem = ref('');
  const busy = ref(false);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<void> | undefined;
  let unsent: ((before: C) => C)[] = [];
  onScopeDispose(() => {
    clearTimeout(timer);
    if (unsent.length) {
      void send();
    }
  });

  /** What is chosen here and not stored yet stands upon what the server tells. */
  function take(told: V): void {
    view.value = told;
    choices.value = unsent.reduce((before, change) => change(before), source.choicesOf(told));
  }

  async function load(): Promise<void> {
    try {
      take(await source.load());
      problem.value = '';
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    }
  }

  /** @param soon whether more is likely to follow at once, as while somebody types */
  function choose(change: (before: C) => C, soon = false): void {
    unsent.push(change);
    choices.value = change(choices.value);
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
          const told = await source.store(view.value as V, choices.value);
          unsent = unsent.slice(sent);
          take(told);
          break;
        } catch (thrown) {
          if (!(thrown instanceof ApiError) || thrown.status !== CONFLICT || tried === TRIES) {
            throw thrown;
          }
          take(thrown.current as V);
        }
      }
      problem.value = '';
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
      if (mayPass(thrown)) {
        timer = setTimeout(() => void send(), RETRY);
      } else if (isRefused(thrown) && view.value) {
        // what the server refuses for good would keep every later choice from being stored
        unsent = [];
        take(view.value);
      }
    } finally {
      sending = undefined;
      busy.value = unsent.length > 0;
    }
  }

  return { view, choices, problem, busy, load, take, choose, settled: send };
}
