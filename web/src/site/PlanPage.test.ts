import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { i18n } from '@/shared/i18n';
import { useSession } from '@/session/session';
import { choose } from '@/shared/testing/controls';
import PlanPage from './PlanPage.vue';

/** Plans whose answers come when the test lets them, by their version. */
const waiting = new Map<string, () => void>();
const posted: unknown[] = [];

function planTo(to: string) {
  return {
    site: `Trial of ${to}`,
    from: '1.0.0',
    to,
    stages: [to],
    installed: false,
    runnable: true,
    asks: [],
    findings: [],
    steps: [],
    changes: [],
  };
}

async function answer(request: Request): Promise<Response> {
  const url = new URL(request.url);
  if (url.pathname.endsWith('/plan')) {
    const version = url.searchParams.get('version') ?? '';
    await new Promise<void>((resolve) => waiting.set(version, resolve));
    return Response.json(planTo(version));
  }
  if (request.method === 'POST') {
    posted.push(await request.json());
    return Response.json({ id: 7 });
  }
  if (url.pathname.endsWith('/versions')) {
    return Response.json([{ version: '3.0.0' }, { version: '2.0.0' }]);
  }
  if (url.pathname.endsWith('/session')) {
    return Response.json({ name: 'anna', role: 'architect', setup: false });
  }
  if (url.pathname.endsWith('/settings')) {
    return Response.json({ settings: { look: '', address: '', unlisted: false }, looks: [] });
  }
  return Response.json([]);
}

beforeEach(() => {
  vi.stubGlobal('fetch', answer);
  setActivePinia(createPinia());
});
afterEach(() => vi.unstubAllGlobals());

it('runs the plan that is shown, whichever answer comes last and however often it is clicked', async () => {
  const pages = ['plan', 'run', 'held', 'sites', 'releases'];
  const router = createRouter({
    history: createMemoryHistory(),
    routes: pages.map((name) => ({ path: `/${name}/:workspace?/:site?/:run?`, name, component: PlanPage })),
  });
  await router.push('/plan/tessel/trial');
  await useSession().load();
  const page = mount(PlanPage, { global: { plugins: [i18n, router], stubs: { SiteTokens: true, RunList: true } } });
  await flushPromises();
  await choose(page, '2.0.0');
  await flushPromises();
  waiting.get('2.0.0')?.();
  await flushPromises();
  waiting.get('3.0.0')?.();
  await flushPromises();
  const run = page.findAll('button').find((button) => button.text().startsWith('Run'));
  expect(run?.text()).toContain('Trial of 2.0.0');
  await run?.trigger('click');
  await run?.trigger('click');
  await flushPromises();
  expect(posted).toEqual([{ version: '2.0.0' }]);
});
