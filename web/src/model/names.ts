import { api, ask } from '@/shared/api/client';

/** The key for a label that meets none of the taken ones; asked of the server, where the rule lives. */
export async function keyFor(label: string, taken: string[]): Promise<string> {
  const names = await ask(api.POST('/api/proof/names', { body: { labels: [label], taken } }));
  return names.keys[0] ?? '';
}
