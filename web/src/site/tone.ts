/** The tone of a run's state. */
export function toneOf(state: string): 'safe' | 'bad' | 'draft' | 'plain' {
  return state === 'done'
    ? 'safe'
    : state === 'interrupted'
      ? 'bad'
      : state === 'running' || state === 'paused'
        ? 'draft'
        : 'plain';
}
