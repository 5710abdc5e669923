import { useEventListener } from '@vueuse/core';
import type { Ref } from 'vue';

/** Escape closes what floats over the page, and nothing behind it; the focus goes back to what opened it. */
export function useEscape(open: Ref<boolean>, opener: () => HTMLElement | null | undefined): void {
  useEventListener(
    document,
    'keydown',
    (event: KeyboardEvent) => {
      if (event.key === 'Escape' && open.value) {
        event.stopPropagation();
        open.value = false;
        opener()?.focus();
      }
    },
    { capture: true },
  );
}
