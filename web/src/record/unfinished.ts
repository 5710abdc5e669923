/** What was typed and not saved yet, kept in this browser so that a closed window or a lost session loses nothing. */
export interface Unfinished {
  /** Version of the record that was open; 0 for a new one. */
  version: number;
  values: Record<string, unknown>;
  at: string;
}

const name = (key: string) => `jontrel.unfinished.${key}`;

/** Whether it could be kept. */
export function keep(key: string, unfinished: Unfinished): boolean {
  try {
    localStorage.setItem(name(key), JSON.stringify(unfinished));
    return true;
  } catch {
    return false;
  }
}

export function kept(key: string): Unfinished | undefined {
  try {
    const text = localStorage.getItem(name(key));
    return text ? (JSON.parse(text) as Unfinished) : undefined;
  } catch {
    return undefined;
  }
}

export function drop(key: string): void {
  try {
    localStorage.removeItem(name(key));
  } catch {
    // there was nothing to keep
  }
}
