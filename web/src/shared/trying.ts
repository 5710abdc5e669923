import { ref, type Ref } from 'vue';
import { sentenceOf } from './api/client';

/** What came of the last try: empty, or the sentence that says what to do. */
export function useTrying(): {
  problem: Ref<string>;
  busy: Ref<boolean>;
  trying: (work: () => Promise<unknown>) => Promise<boolean>;
} {
  const problem = ref('');
  const busy = ref(false);

  async function trying(work: () => Promise<unknown>): Promise<boolean> {
    problem.value = '';
    busy.value = true;
    try {
      await work();
      return true;
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
      return false;
    } finally {
      busy.value = false;
    }
  }

  return { problem, busy, trying };
}
