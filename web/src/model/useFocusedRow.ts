import { useEventListener, useTimeoutFn } from '@vueuse/core';
import { ref, type Ref } from 'vue';

export interface FocusedRow {
  /** The id of the row that is unfolded. */
  selected: Ref<string | undefined>;
  /** A row has got the focus. */
  focused: (id: string | undefined) => void;
}

/**
 * The row that has the focus, which unfolds, while the one before folds. Both move what stands below: while a pointer
 * is pressed they wait, so that press and release of a click fall on the same thing.
 */
export function useFocusedRow(): FocusedRow {
  const selected = ref<string>();
  let pressed = false;
  let dragged = false;
  let waiting: { id: string | undefined } | undefined;

  // after the click, which follows the release
  const { start } = useTimeoutFn(
    () => {
      if (waiting && !pressed) {
        selected.value = waiting.id;
        waiting = undefined;
      }
    },
    0,
    { immediate: false },
  );

  function release(): void {
    pressed = false;
    start();
  }

  function press(): void {
    pressed = true;
    dragged = false;
  }

  function endDrag(): void {
    dragged = false;
    release();
  }

  useEventListener(window, 'pointerdown', press, { capture: true });
  useEventListener(window, 'pointerup', release, { capture: true });
  useEventListener(window, 'dragstart', () => (dragged = true), { capture: true });
  useEventListener(window, 'pointercancel', () => dragged || release(), { capture: true });
  // a row that is dropped into another table is gone before its drag ends
  useEventListener(window, ['drop', 'dragend'], endDrag, { capture: true });

  return {
    selected,
    focused: (id) => {
      waiting = pressed ? { id } : undefined;
      if (!pressed) {
        selected.value = id;
      }
    },
  };
}
