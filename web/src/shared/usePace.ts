import { computed, shallowRef, watch, type Ref } from 'vue';

/** For how many milliseconds back the pace is measured. */
const WINDOW = 10_000;

interface Pace {
  /** Records or rows that it has walked through so far, and all that it will. */
  done: number;
  all: number;
  /** Of them in a second lately; 0 while that is not known. */
  rate: number;
  /** Seconds that the rest takes at this rate. */
  left: number;
}

/** How far work is that goes on step by step. */
interface Work {
  /** Which work it is, so that the pace of another is not taken for its own. */
  key: string | number | undefined;
  isOn: boolean;
  done: number;
  all: number;
}

/** How fast work goes, from what it told in the last seconds: whatever it took before, or while it was paused. */
export function usePace(work: () => Work): Ref<Pace> {
  const seen = shallowRef<{ at: number; done: number }[]>([]);
  const counted = computed(work);
  watch(
    [() => counted.value.key, () => counted.value.isOn, () => counted.value.done],
    ([key, isOn, done], [before]) => {
      const now = Date.now();
      const kept = key === before && isOn ? seen.value.filter((each) => now - each.at < WINDOW) : [];
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
