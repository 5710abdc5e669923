import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { queryClient } from '@/shared/api/queries';
import { i18n } from '@/shared/i18n';
import GeneratedCode from './GeneratedCode.vue';

const asked: string[] = [];

function answer(request: Request): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  asked.push(pathname + search);
  if (pathname.endsWith('/generate')) {
    return Promise.resolve(Response.json([{ target: 'typescript', about: 'A client in TypeScript' }]));
  }
  const files = [
    { path: 'client.ts', text: '// the same for all' },
    { path: 'model.ts', text: '// of this model' },
  ];
  return Promise.resolve(Response.json({ files, notes: ['Link (links) is called Link_.'] }));
}

beforeEach(() => {
  asked.length = 0;
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
