import { api, ask, type Schemas } from '@/shared/api/client';

/** Keys, plurals and paths for labels; asked of the server, where the rules live. */
export function namesFor(labels: string[], taken: string[]): Promise<Schemas['DerivedNames']> {
  return ask(api.POST('/api/proof/names', { body: { labels, taken } }));
}

/** The key for a label that meets none of the taken ones. */
export async function keyFor(label: string, taken: string[]): Promise<string> {
  return (await namesFor([label], taken)).keys[0] ?? '';
}
