import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { useSession } from '@/session/session';
import { queryClient, renew } from '@/shared/api/queries';
import { i18n } from '@/shared/i18n';
import { useDraft } from '@/model/draft';
import { ofWorkspace } from './queries';
import ReleasesPage from './ReleasesPage.vue';

/** What the server suggests as the next version. */
let suggested: string;

function answer(request: Request): Promise<Response> {
  const { pathname } = new URL(request.url);
  if (pathname.endsWith('/next')) {
    const next = {
      nextVersion: suggested,
      lastVersion: '1.0.0',
      advice: 'minor',
      reasons: [],
      changes: [{ sentence: 'Added', reach: 'form' }],
      findings: [],
    };
    return Promise.resolve(Response.json(next));
  }
  if (pathname.endsWith('/session')) {
    return Promise.resolve(Response.json({ name: 'anna', role: 'architect', setup: false }));
  }
  const draft = { revision: 1, ids: [], definitions: [], findings: [], changed: [], uses: {} };
  return Promise.resolve(Response.json(pathname.endsWith('/draft') ? draft : []));
}

beforeEach(() => {
  suggested = '1.1.0';
  queryClient.clear();
  vi.stubGlobal('fetch', answer);
  setActivePinia(createPinia());
});
afterEach(() => vi.unstubAllGlobals());

it('follows the suggested version until somebody types another', async () => {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/w/:workspace', name: 'releases', component: ReleasesPage }],
  });
  await router.push('/w/tessel');
  await useSession().load();
  await useDraft().open('tessel');
  const page = mount(ReleasesPage, { global: { plugins: [i18n, router], stubs: { WorkspaceTokens: true } } });
  await flushPromises();
  await flushPromises();
  const version = page.get<HTMLInputElement>('#version');
  expect(version.element.value).toBe('1.1.0');
  suggested = '1.2.0';
  await renew(ofWorkspace('tessel'));
  await flushPromises();
  expect(version.element.value).toBe('1.2.0');
  await version.setValue('3.0.0');
  suggested = '1.3.0';
  await renew(ofWorkspace('tessel'));
  await flushPromises();
  expect(version.element.value).toBe('3.0.0');
});
