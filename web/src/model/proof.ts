import { useDebounceFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { idOf, type Defined } from '@/shared/definitions';
import { useDraft } from './draft';

/** What the definition that is open makes, asked of the server a moment after each change. */
export const useProof = defineStore('proof', () => {
  const answer = shallowRef<Schemas['Proof']>();
  /** The definition that the answer is about: what is open may have been typed on since. */
  const answered = shallowRef<Defined>();
  const values = ref<Record<string, unknown>>({});
  const failed = ref('');
  const conditions = computed(() => answer.value?.conditions ?? {});
  let current: Defined | undefined;
  let asked = 0;

  async function prove(): Promise<void> {
    const mine = ++asked;
    const of = current;
    if (!of) {
      return;
    }
    try {
      const found = await ask(
        api.POST('/api/proof/{workspace}', {
          params: { path: useDraft().path },
          body: { sort: of.sort, definition: of.definition, values: values.value },
        }),
      );
      if (mine === asked) {
        answered.value = of;
        answer.value = found;
        failed.value = '';
      }
    } catch (thrown) {
      failed.value = sentenceOf(thrown);
    }
  }

  const soon = useDebounceFn(prove, 200);

  function show(next: Defined): void {
    if (!current || idOf(current) !== idOf(next)) {
      answer.value = undefined;
      answered.value = undefined;
      values.value = {};
      current = next;
      void prove();
      return;
    }
    current = next;
    void soon();
  }

  function set(next: Record<string, unknown>): void {
    values.value = next;
    void soon();
  }

  return { answer, answered, values, failed, conditions, show, set };
});
