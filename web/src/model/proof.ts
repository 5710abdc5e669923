import { useDebounceFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { queryClient } from '@/shared/api/queries';
import { idOf, type Defined } from '@/shared/definitions';
import { useDraft } from './draft';
import { lookOf } from './queries';

/** For how many milliseconds nobody types before the server is asked. */
const PAUSE = 200;

/**
 * What the definition that is open makes. An edit is answered with it; the server is asked where there is no such answer: for
 * another definition, for values that are tried, for what others have changed, and while edits cannot be stored.
 */
export const useProof = defineStore('proof', () => {
  const draft = useDraft();
  const answer = shallowRef<Schemas['Proof']>();
  /** The definition that the answer is about: what is open may have been typed on since. */
  const answered = shallowRef<Defined>();
  const values = ref<Record<string, unknown>>({});
  const failed = ref('');
  /** Whether the page, the index or the API answer is shown. */
  const looks = ref(false);
  const conditions = computed(() => answer.value?.conditions ?? {});
  let current: Defined | undefined;
  /** Whether anybody sees it: what nobody sees is not asked for. */
  let isShown = false;
  /** The revision of the draft that the answer is about: its other definitions have a part in it. */
  let answeredAt = -1;
  let asked = 0;

  function take(of: Defined, found: Schemas['Proof'], revision: number): void {
    answered.value = of;
    answer.value = found;
    answeredAt = revision;
    failed.value = '';
  }

  async function prove(): Promise<void> {
    const mine = ++asked;
    const of = current;
    const { revision } = draft;
    if (!of) {
      return;
    }
    try {
      const found = await ask(
        api.POST('/api/proof/{workspace}', {
          params: { path: draft.path },
          body: { sort: of.sort, definition: of.definition, values: values.value },
        }),
      );
      if (mine === asked) {
        take(of, found, revision);
      }
    } catch (thrown) {
      if (mine === asked) {
        failed.value = sentenceOf(thrown);
      }
    }
  }

  const proveSoon = useDebounceFn(prove, PAUSE);
  const proveWhereUnanswered = useDebounceFn(async () => {
    const isAnswered =
      answeredAt === draft.revision &&
      JSON.stringify(answered.value?.definition) === JSON.stringify(current?.definition);
    // what is being stored is answered then
    if (isShown && draft.state !== 'saving' && !isAnswered) {
      await prove();
    }
  }, PAUSE);

  function show(next: Defined): void {
    isShown = true;
    if (!current || idOf(current) !== idOf(next)) {
      answer.value = undefined;
      answered.value = undefined;
      values.value = {};
      current = next;
      void prove();
      return;
    }
    current = next;
    void proveWhereUnanswered();
  }

  function hide(): void {
    isShown = false;
  }

  function set(next: Record<string, unknown>): void {
    values.value = next;
    void proveSoon();
  }

  /** The values that the edit under way was sent with: where others are tried by its answer, that answer is not theirs. */
  let sentWith: Record<string, unknown> | undefined;
  draft.follow({
    shown(id) {
      if (!isShown || !current || idOf(current) !== id) {
        return undefined;
      }
      sentWith = values.value;
      return { values: sentWith, look: looks.value };
    },
    told(of, { proof, look }) {
      if (current && idOf(current) === idOf(of) && proof && sentWith === values.value) {
        asked++;
        take(of, proof, draft.revision);
      }
      if (look) {
        queryClient.setQueryData(lookOf(draft.workspace, of, draft.revision).queryKey, look);
      }
    },
  });
  watch([() => draft.state, () => draft.revision], () => void proveWhereUnanswered());

  return { answer, answered, values, failed, looks, conditions, show, hide, set };
});
