import { useDraft } from './draft';
import { keyFor } from './names';

const PAUSE = 200;
const RETRY = 1_500;
const MOST_TRIES = 20;

/** Keys in the draft that follow labels while those are first typed, until somebody types a key. */
export function useDerivedKeys() {
  const draft = useDraft();
  const deriving = new Set<string>();
  const typed = new Set<string>();
  /** By id: each waits on its own, since people who type fast are in the next one before. */
  const waiting = new Map<string, ReturnType<typeof setTimeout>>();
  /** What each label was last derived for: an older answer may come later. */
  const asked = new Map<string, string>();

  async function derive(id: string, label: string, taken: () => string[]): Promise<void> {
    waiting.delete(id);
    const key = await keyFor(label, taken());
    if (asked.get(id) !== label || typed.has(id)) {
      return;
    }
    // somebody else may have got it while the answer was on its way
    const now = taken();
    draft.setKey(id, now.includes(key) ? await keyFor(label, now) : key);
  }

  /** Where the server is away or busy, some times more. */
  function later(id: string, label: string, taken: () => string[], pause: number, attempt: number): void {
    clearTimeout(waiting.get(id));
    const again = () => {
      if (attempt < MOST_TRIES && asked.get(id) === label) {
        later(id, label, taken, RETRY, attempt + 1);
      }
    };
    waiting.set(
      id,
      setTimeout(() => {
        derive(id, label, taken).catch(again);
      }, pause),
    );
  }

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
    /** @param taken keys that it must not meet, as they are when it is derived */
    label(id: string, label: string, keyNow: string, taken: () => string[]): void {
      if (!keyNow) {
        deriving.add(id);
      }
      if (deriving.has(id)) {
        asked.set(id, label);
        later(id, label, taken, PAUSE, 1);
      }
    },
  };
}
