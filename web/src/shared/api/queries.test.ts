import { flushPromises } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, expect, it, vi } from 'vitest';
import { ref } from 'vue';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import { living } from '@/shared/testing/setup';
import { askAgain, useResource } from './queries';

beforeEach(() => {
  setActivePinia(createPinia());
  vi.unstubAllGlobals();
});

it('shows an answer under its own key only, however late it comes', async () => {
  const answers = new Map<string, (text: string) => void>();
  const key = ref('a');
  const { data } = living(() =>
    useResource(() => ({
      queryKey: ['thing', key.value],
      queryFn: () => new Promise<string>((resolve) => answers.set(key.value, resolve)),
    })),
  );
  await flushPromises();
  key.value = 'b';
  await flushPromises();
  answers.get('b')?.('of b');
  await flushPromises();
  answers.get('a')?.('of a');
  await flushPromises();
  expect(data.value).toBe('of b');
});

it('tells nobody what another was told before them', async () => {
  const asked = vi.fn(() => Promise.resolve('for anna'));
  const resource = { queryKey: ['accounts'], queryFn: asked };
  const { data } = living(() => useResource(resource));
  await flushPromises();
  expect(data.value).toBe('for anna');
  useSession().forget();
  await flushPromises();
  expect(data.value).toBeUndefined();
  expect(asked).toHaveBeenCalledTimes(1);
  asked.mockResolvedValue('for ben');
  await askAgain(resource);
  await flushPromises();
  expect(data.value).toBe('for ben');
});

it('gives everybody who asks for the sites at once the newest answer, and nobody an error', async () => {
  let turn = 0;
  vi.stubGlobal('fetch', async (request: Request) => {
    const mine = ++turn;
    await new Promise((resolve) => setTimeout(resolve, 5));
    request.signal.throwIfAborted();
    return Response.json([{ path: `site-${String(mine)}` }]);
  });
  const workspace = useWorkspace();
  await Promise.all([workspace.open('tessel'), workspace.loadSites(), workspace.loadSites()]);
  expect(workspace.sites.map((site) => site.path)).toEqual([`site-${String(turn)}`]);
});
