import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { queryClient } from '@/shared/api/queries';
import Choice from '@/shared/controls/Choice.vue';
import { i18n } from '@/shared/i18n';
import GeneratedCode from './GeneratedCode.vue';

const asked: string[] = [];
let targets: unknown[];

function answer(request: Request): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  asked.push(pathname + search);
  if (pathname.endsWith('/generate')) {
    return Promise.resolve(Response.json(targets));
  }
  if (pathname.endsWith('/versions')) {
    return Promise.resolve(Response.json([{ version: '2.0.0' }, { version: '1.0.0' }]));
  }
  if (pathname.includes('/sql-')) {
    const made = [{ path: 'schema.sql', text: 'CREATE TABLE' }];
    const brought = search.includes('from=') ? [{ path: 'migrate.sql', text: 'ALTER TABLE' }] : [];
    return Promise.resolve(Response.json({ files: [...made, ...brought], notes: [] }));
  }
  const files = [
    { path: 'client.ts', text: '// the same for all' },
    { path: 'model.ts', text: '// of this model' },
  ];
  return Promise.resolve(Response.json({ files, notes: ['Link (links) is called Link_.'] }));
}

beforeEach(() => {
  asked.length = 0;
  targets = [{ target: 'typescript', about: 'A client in TypeScript', migrates: false }];
  queryClient.clear();
  vi.stubGlobal('fetch', answer);
});
afterEach(() => vi.unstubAllGlobals());

it('shows the file of the model first, tells what is called otherwise, and copies what is seen', async () => {
  const writeText = vi.fn().mockResolvedValue(undefined);
  vi.stubGlobal('navigator', { clipboard: { writeText } });
  const page = mount(GeneratedCode, {
    props: { workspace: 'tessel', version: '1.0.0' },
    global: { plugins: [i18n] },
  });
  await flushPromises();
  await flushPromises();
  expect(asked.at(-1)).toBe('/api/workspaces/tessel/generate/typescript?version=1.0.0');
  expect(page.get('pre').text()).toBe('// of this model');
  expect(page.text()).toContain('Link (links) is called Link_.');
  expect(page.get('a[download]').attributes('href')).toBe(
    '/api/workspaces/tessel/generate/typescript/zip?version=1.0.0',
  );
  await page.get('button').trigger('click');
  await flushPromises();
  expect(writeText).toHaveBeenCalledWith('// of this model');
  expect(page.text()).toContain('Copied.');
});

it('brings a database that was made for another release on', async () => {
  targets = [{ target: 'sql-mariadb', about: 'Tables', migrates: true }];
  const page = mount(GeneratedCode, {
    props: { workspace: 'tessel', version: '2.0.0' },
    global: { plugins: [i18n] },
  });
  await flushPromises();
  await flushPromises();
  expect(page.get('pre').text()).toBe('CREATE TABLE');
  page.findAllComponents(Choice).at(1)?.vm.$emit('update:value', '1.0.0');
  await flushPromises();
  await flushPromises();
  expect(asked.at(-1)).toBe('/api/workspaces/tessel/generate/sql-mariadb?version=2.0.0&from=1.0.0');
  expect(page.get('pre').text()).toBe('ALTER TABLE');
  expect(page.get('a[download]').attributes('href')).toBe(
    '/api/workspaces/tessel/generate/sql-mariadb/zip?version=2.0.0&from=1.0.0',
  );
});
