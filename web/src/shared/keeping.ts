import { randomName } from './randomName';

/**
 * What was typed and not saved yet, kept in this browser so that a closed window or a lost session loses nothing. Each form or
 * window keeps under a name of its own: two of them never write over each other, and what an open one keeps is left to it.
 */
const BEGINNING = 'jontrel.kept.';
const at = (place: string, keeper: string) => `${BEGINNING}${place}/${keeper}`;
const lockOf = (keeper: string) => `jontrel.keeper.${keeper}`;

/** Missing where the page is not served securely. */
const locks = () => navigator.locks as LockManager | undefined;

/** Whether it can be told which keepers are open; where not, all seem to be closed. */
export function tellsOpen(): boolean {
  return locks() !== undefined;
}

export interface Keeper {
  name: string;
  /** From now on others may take up what it has kept. */
  close: () => void;
}

/** A name to keep things under; other windows can tell that it is in use, for as long as this window is open. */
export function newKeeper(): Keeper {
  const name = randomName();
  let close: () => void = () => undefined;
  const closed = new Promise<void>((resolve) => (close = resolve));
  locks()
    ?.request(lockOf(name), () => closed)
    .catch(() => undefined);
  return { name, close };
}

async function inUse(): Promise<Set<string>> {
  const held = (await locks()?.query())?.held ?? [];
  return new Set(held.map((each) => each.name ?? ''));
}

/** Whether it could be kept. */
export function keep(place: string, keeper: string, value: { at: string } & Record<string, unknown>): boolean {
  try {
    localStorage.setItem(at(place, keeper), JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

export interface Kept<T> {
  place: string;
  keeper: string;
  value: T;
}

/** What is kept at a place, or at places within it, by keepers that are closed; newest first. */
export async function kept<T extends { at: string }>(within: string): Promise<Kept<T>[]> {
  const open = await inUse();
  const found: Kept<T>[] = [];
  try {
    for (let i = 0; i < localStorage.length; i++) {
      const key = localStorage.key(i) ?? '';
      const end = key.lastIndexOf('/');
      const keeper = key.slice(end + 1);
      if (key.startsWith(at(within, '')) && !open.has(lockOf(keeper))) {
        const value = JSON.parse(localStorage.getItem(key) ?? '') as T;
        found.push({ place: key.slice(BEGINNING.length, end), keeper, value });
      }
    }
  } catch {
    // nothing can be read
  }
  return found.sort((a, b) => b.value.at.localeCompare(a.value.at));
}

export function drop(place: string, keeper: string): void {
  try {
    localStorage.removeItem(at(place, keeper));
  } catch {
    // there was nothing to keep
  }
}
