import { useDark, useToggle } from '@vueuse/core';

const isDark = useDark({ storageKey: 'jontrel-theme' });
const toggle = useToggle(isDark);

/** The theme of this browser: the system's until somebody chooses. */
export function useTheme() {
  return { isDark, toggle: () => toggle() };
}
