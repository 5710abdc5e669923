import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { i18n } from '@/shared/i18n';
import { useSession } from '@/session/session';
import { queryClient } from '@/shared/api/queries';
import { choose } from '@/shared/testing/controls';
import PlanPage from './PlanPage.vue';

/** Plans whose answers come when the test lets them, by their version. */
const waiting = new Map<string, () => void>();
const posted: unknown[] = [];
/** Numbers of the site's runs, the last one first; and the state of the last. */
let begun: number[] = [];
let state = 'running';
/** Whether the site still looks through its records. */
let counting = false;

function runOf(id: number) {
  const step = { seq: 0, sentence: 'Fill rows', rowsDone: 250, rowsExpected: 1000, state: 'acting' };
  return {
    id,
    kind: 'forward',
    fromVersion: '1.0.0',
    toVersion: '2.0.0',
    state: id === begun[0] ? state : 'done',
    by: 'anna',
    startedAt: '2026-06-01T10:00:00Z',
    steps: [step],
    findings: [],
    canUndo: state === 'done',
  };
}

/** What the server would stream. */
class Stream {
  static last?: Stream;
  onmessage?: (event: { data: string }) => void;
  constructor() {
    Stream.last = this;
  }
  close(): void {
    Stream.last = undefined;
  }
  send(run: object): void {
    this.onmessage?.({ data: JSON.stringify(run) });
  }
}

function planTo(to: string) {
  return {
    site: `Trial of ${to}`,
    from: '1.0.0',
    to,
    stages: [to],
    installed: false,
    runnable: !counting,
    counted: counting ? 3 : 4,
    questions: 4,
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
    begun = [7];
    return Response.json({ id: 7 });
  }
  if (/runs\/\d+$/.test(url.pathname)) {
    return Response.json(runOf(Number(url.pathname.split('/').at(-1))));
  }
  if (url.pathname.endsWith('/runs')) {
    return Response.json(begun.map(runOf));
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
  vi.stubGlobal('EventSource', Stream);
  begun = [];
  state = 'running';
  counting = false;
  posted.length = 0;
  queryClient.clear();
  waiting.clear();
  setActivePinia(createPinia());
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function open() {
  const pages = ['plan', 'run', 'held', 'sites', 'releases', 'record-list'];
  const router = createRouter({
    history: createMemoryHistory(),
    routes: pages.map((name) => ({ path: `/${name}/:workspace?/:site?/:run?/:type?`, name, component: PlanPage })),
  });
  await router.push('/plan/tessel/trial');
  await useSession().load();
  const page = mount(PlanPage, { global: { plugins: [i18n, router], stubs: { SiteTokens: true, RunList: true } } });
  await flushPromises();
  const button = (name: string) => page.findAll('button').find((each) => each.text().startsWith(name));
  return { page, button };
}

it('runs the plan that is shown, whichever answer comes last and however often it is clicked', async () => {
  const { page, button } = await open();
  await choose(page, '2.0.0');
  await flushPromises();
  waiting.get('2.0.0')?.();
  await flushPromises();
  waiting.get('3.0.0')?.();
  await flushPromises();
  const run = button('Run on');
  expect(run?.text()).toContain('Trial of 2.0.0');
  await run?.trigger('click');
  await run?.trigger('click');
  await flushPromises();
  expect(posted).toEqual([{ version: '2.0.0' }]);
});

it('shows the run on the same screen until it has ended, and what to do then', async () => {
  const { page, button } = await open();
  waiting.get('3.0.0')?.();
  await flushPromises();
  await button('Run on')?.trigger('click');
  await flushPromises();
  expect(page.text()).toContain('250 of 1,000');
  expect(button('Pause')).toBeDefined();
  expect(button('Run on'), 'nothing else can run meanwhile').toBeUndefined();
  state = 'done';
  Stream.last?.send(runOf(7));
  await flushPromises();
  expect(button('Pause')).toBeUndefined();
  expect(button('Undo this run')).toBeDefined();
  expect(page.text()).toContain('Fill rows');
});

it('opens before everything is counted, and goes on by itself', async () => {
  vi.useFakeTimers();
  counting = true;
  const { page, button } = await open();
  waiting.get('3.0.0')?.();
  await flushPromises();
  expect(page.text()).toContain('3 of 4 questions');
  expect(button('Run on')?.attributes('disabled')).toBeDefined();
  counting = false;
  waiting.clear();
  await vi.advanceTimersByTimeAsync(1000);
  waiting.get('3.0.0')?.();
  await flushPromises();
  expect(page.text()).not.toContain('of 4 questions');
  expect(button('Run on')?.attributes('disabled')).toBeUndefined();
  waiting.clear();
  await vi.advanceTimersByTimeAsync(5000);
  expect(waiting.size, 'nothing is asked again').toBe(0);
});

it('opens on a run that somebody else has started', async () => {
  begun = [9];
  state = 'paused';
  const { page, button } = await open();
  expect(waiting.size, 'nothing is planned while it has not ended').toBe(0);
  expect(page.text()).toContain('Run 1.0.0 to 2.0.0');
  expect(button('Continue')).toBeDefined();
});

it('keeps the parts in their places while a plan is on its way, and the one that was picked', async () => {
  begun = [5];
  state = 'done';
  const { page } = await open();
  await flushPromises();
  const tabs = () => page.findAll('.n-tabs-tab').map((tab) => tab.attributes('data-name'));
  const before = tabs();
  expect(before).toEqual(['questions', 'steps', 'rehearsal', 'changes', 'runs', 'site']);
  await page.find('.n-tabs-tab[data-name="runs"]').trigger('click');
  waiting.get('3.0.0')?.();
  await flushPromises();
  await flushPromises();
  expect(page.text()).toContain('Trial of 3.0.0');
  expect(tabs()).toEqual(before);
  expect(page.find('run-list-stub').exists(), 'what was picked is shown').toBe(true);
});
