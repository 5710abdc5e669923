import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { NDialogProvider } from 'naive-ui';
import { h } from 'vue';
import { createMemoryHistory, createRouter, RouterView, type Router } from 'vue-router';
import { useSession } from '@/session/session';
import { queryClient } from '@/shared/api/queries';
import { i18n } from '@/shared/i18n';
import RecordPage from './RecordPage.vue';

const recordType = (id: string, key: string) => ({
  id,
  key,
  sort: 'types',
  singular: key,
  plural: `${key}s`,
  path: key,
  wordings: {},
  under: ['t1'],
  definition: {},
  first: [{ field: { id: 'part_title', key: 'title', label: 'Title', kind: 'text' } }],
  groups: [],
});

/** Records by `type/number`, and what holds an answer back. */
const titles: Record<string, string> = { 'lock/1': 'Tidal Lock', 'person/1': 'Ada', 'lock/2': 'Mill Lock' };
let held: Map<string, Promise<void>>;
let posted: unknown[];

function opened(type: string, id: number) {
  const title = titles[`${type}/${String(id)}`];
  const updatedAt = '2026-05-01T09:00:00Z';
  const record = {
    id,
    version: 1,
    updatedAt,
    updatedBy: 'anna',
    state: 'draft',
    title,
    values: { title },
    shown: {},
    address: '',
    slug: '',
  };
  return { record, links: [], files: [], problems: [], pointers: [], hidden: [], setAside: [] };
}

async function answer(request: Request): Promise<Response> {
  const { pathname } = new URL(request.url);
  const [, , , , , type = '', records, id] = pathname.split('/');
  await held.get(`${type}/${id ?? ''}`);
  if (pathname.endsWith('/record-types')) {
    return Response.json([recordType('t1', 'lock'), recordType('t2', 'person')]);
  }
  if (pathname.endsWith('/check')) {
    return Response.json({ problems: [], hidden: [] });
  }
  if (pathname.endsWith('/session')) {
    return Response.json({ name: 'anna', role: 'editor', setup: false });
  }
  if (records === 'records' && request.method === 'POST') {
    const sent = (await request.json()) as { values: { title: string } };
    posted.push(sent);
    titles[`${type}/9`] = sent.values.title;
    return Response.json(opened(type, 9));
  }
  if (id === '77') {
    return Response.json({ detail: 'There is no such record.' }, { status: 404 });
  }
  return records === 'records' && id && /^\d+$/.test(id)
    ? Response.json(opened(type, Number(id)))
    : Response.json({ records: [] });
}

let router: Router;

beforeEach(async () => {
  held = new Map();
  posted = [];
  localStorage.clear();
  queryClient.clear();
  vi.stubGlobal('fetch', answer);
  setActivePinia(createPinia());
  router = createRouter({
    history: createMemoryHistory(),
    routes: ['record', 'record-list', 'held'].map((name) => ({
      path: name === 'record' ? '/w/:workspace/:site/:type/:id' : `/${name}/:workspace?/:site?/:type?`,
      name,
      component: RecordPage,
    })),
  });
  await useSession().load();
});
afterEach(() => {
  vi.unstubAllGlobals();
  document.body.innerHTML = '';
});

async function page(address: string): Promise<VueWrapper> {
  await router.push(`/w/tessel/trial/${address}`);
  const stubs = { RecordHistory: true, RecordSide: true, PagePreview: true };
  const made = mount(() => h(NDialogProvider, () => h(RouterView)), {
    global: { plugins: [i18n, router], stubs },
    attachTo: document.body,
  });
  await flushPromises();
  return made;
}

const title = (made: VueWrapper) => made.find<HTMLInputElement>('[data-field=title] input');

it('shows no form of another record while the next is asked for', async () => {
  const made = await page('lock/1');
  expect(title(made).element.value).toBe('Tidal Lock');
  let go: () => void = () => undefined;
  held.set('lock/1', new Promise((resolve) => (go = resolve)));
  await router.push('/w/tessel/trial/lock/new?under=t1/1');
  await flushPromises();
  expect(title(made).exists()).toBe(false);
  go();
  await flushPromises();
  expect(title(made).element.value).toBe('');
});

it('opens the record of another type that has the same number', async () => {
  const made = await page('lock/1');
  await router.push('/w/tessel/trial/person/1');
  await flushPromises();
  expect(title(made).element.value).toBe('Ada');
});

it('opens the record that was asked for last, whichever answer comes last', async () => {
  let go: () => void = () => undefined;
  held.set('lock/1', new Promise((resolve) => (go = resolve)));
  const made = await page('lock/new?under=t1/1');
  await router.push('/w/tessel/trial/lock/2');
  await flushPromises();
  go();
  await flushPromises();
  expect(title(made).element.value).toBe('Mill Lock');
});

it('goes on with a new record where it was once it is stored', async () => {
  const made = await page('lock/new');
  await title(made).setValue('New Lock');
  const input = title(made).element;
  await made
    .findAll('button')
    .find((button) => button.text() === 'Save draft')
    ?.trigger('click');
  await flushPromises();
  expect(posted).toHaveLength(1);
  expect(router.currentRoute.value.params.id).toBe('9');
  expect(title(made).element).toBe(input);
  expect(input.value).toBe('New Lock');
});

it('says so where the parent of a new record cannot be had, and makes none without it', async () => {
  const made = await page('lock/new?under=t1/77');
  expect(made.text()).toContain('There is no such record.');
  expect(title(made).exists()).toBe(false);
});

it('copies the values of another record', async () => {
  const made = await page('lock/new?copy=2');
  expect(title(made).element.value).toBe('Mill Lock');
});
