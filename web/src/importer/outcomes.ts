/** What becomes of a row, in the order in which people are told. */
export const OUTCOMES = ['failed', 'new', 'changed', 'same', 'left'] as const;

type Tone = 'draft' | 'safe' | 'bad' | 'plain';
const tones: Record<string, Tone | undefined> = { failed: 'bad', new: 'safe', changed: 'draft' };

export const toneOf = (outcome: string): Tone => tones[outcome] ?? 'plain';

const stateTones: Record<string, Tone | undefined> = { done: 'safe', paused: 'draft', ready: 'draft', tried: 'draft' };

/** The tone of the state of an import. */
export const stateTone = (state: string): Tone => stateTones[state] ?? 'plain';
