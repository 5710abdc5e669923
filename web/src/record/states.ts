export const states = ['draft', 'published', 'scheduled', 'retired'] as const;

export function toneOf(state: string): 'draft' | 'safe' | 'plain' {
  return state === 'published' ? 'safe' : state === 'retired' ? 'plain' : 'draft';
}
