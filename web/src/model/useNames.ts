import { useDebounceFn } from '@vueuse/core';
import { keyFor } from './names';

/** Keys that follow labels while those are first typed, until somebody types a key. */
export function useDerivedKeys(put: (id: string, key: string) => void) {
  const deriving = new Set<string>();
  const typed = new Set<string>();

  const derive = useDebounceFn(async (id: string, label: string, taken: string[]) => {
    const key = await keyFor(label, taken);
    if (!typed.has(id)) {
      put(id, key);
    }
  }, 200);

  return {
    begin(id: string): void {
      deriving.add(id);
    },
    end(id: string): void {
      deriving.delete(id);
    },
    typed(id: string): void {
      deriving.delete(id);
      typed.add(id);
    },
    label(id: string, label: string, keyNow: string, taken: string[]): void {
      if (!keyNow) {
        deriving.add(id);
      }
      if (deriving.has(id)) {
        derive(id, label, taken)?.catch(() => undefined);
      }
    },
  };
}
