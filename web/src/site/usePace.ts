import { computed, shallowRef, watch, type Ref } from 'vue';
import type { Schemas } from '@/shared/api/client';

/** For how many milliseconds back the pace is measured. */
const WINDOW = 10_000;

interface Pace {
  /** Records that steps have walked through so far, and all that they will. */
  done: number;
  all: number;
  /** Records in a second lately; 0 while that is not known. */
  rate: number;
  /** Seconds that the rest takes at this rate. */
  left: number;
}

/** How fast a run goes, from what it told in the last seconds: whatever it took before, or while it was paused. */
export function usePace(run: Ref<Schemas['RunView'] | undefined>): Ref<Pace> {
  const seen = shallowRef<{ at: number; done: number }[]>([]);
  const counted = computed(() => {
    const steps = run.value?.steps.filter((step) => step.rowsExpected > 0) ?? [];
    return {
      done: steps.reduce((sum, step) => sum + Math.min(step.rowsDone, step.rowsExpected), 0),
      all: steps.reduce((sum, step) => sum + step.rowsExpected, 0),
    };
  });
  watch(
    [() => run.value?.id, () => run.value?.state, () => counted.value.done],
    ([id, state, done], [before]) => {
      const now = Date.now();
      const kept = id === before && state === 'running' ? seen.value.filter((each) => now - each.at < WINDOW) : [];
      seen.value = [...kept, { at: now, done }];
    },
    { immediate: true },
  );
  return computed(() => {
    const [first, last] = [seen.value[0], seen.value.at(-1)];
    const rate = first && last && last.at > first.at ? (1000 * (last.done - first.done)) / (last.at - first.at) : 0;
    const { done, all } = counted.value;
    return { done, all, rate, left: rate > 0 ? (all - done) / rate : 0 };
  });
}
