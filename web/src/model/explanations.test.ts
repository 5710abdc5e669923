import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { h } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import { queryClient } from '@/shared/api/queries';
import { i18n } from '@/shared/i18n';
import SettingExplanation from './SettingExplanation.vue';

const help = {
  text: { min_length: 'Shorter values are refused.' },
  field: { width: 'How much of a line it takes.', label: 'The name of the field.' },
};

beforeEach(() => {
  vi.useFakeTimers();
  queryClient.clear();
  vi.stubGlobal('fetch', () => Promise.resolve(Response.json(help)));
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function sheet() {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/help/:page?', name: 'help', component: SettingExplanation }],
  });
  const setting = (explain: string) =>
    h('div', { 'data-explain': explain }, [h('input', { id: explain.replace('.', '-') })]);
  const made = mount(SettingExplanation, {
    props: { of: 'lock' },
    global: { plugins: [i18n, router] },
    slots: {
      default: () => [
        setting('text.min_length'),
        setting('text.width'),
        setting('text.unheard_of'),
        h('input', { id: 'cell', 'data-column': 'label' }),
      ],
    },
  });
  await vi.advanceTimersByTimeAsync(100);
  await flushPromises();
  const explained = () => made.find('.explanation .text').exists() && made.get('.explanation .text').text();
  return { made, explained };
}

it('explains what has the focus, with its place in the help', async () => {
  const { made, explained } = await sheet();
  expect(explained()).toBe(false);
  await made.get('#text-min_length').trigger('focusin');
  expect(explained()).toBe('Shorter values are refused.');
  expect(made.get('.explanation a').attributes('href')).toBe('/help/fields#text-min_length');
  expect(made.get('#text-min_length').attributes('aria-description')).toBe('Shorter values are refused.');
  await made.get('#text-width').trigger('focusin');
  expect(explained()).toBe('How much of a line it takes.');
  await made.get('#cell').trigger('focusin');
  expect(explained()).toBe('The name of the field.');
  await made.get('#text-unheard_of').trigger('focusin');
  expect(explained()).toBe(false);
  await made.get('#cell').trigger('focusin');
  await made.setProps({ of: 'bridge' });
  expect(explained()).toBe(false);
});

it('explains what the pointer rests on, not what it passes, until the focus moves', async () => {
  const { made, explained } = await sheet();
  await made.get('#text-min_length').trigger('focusin');
  await made.get('#cell').trigger('pointermove');
  await vi.advanceTimersByTimeAsync(100);
  await made.get('#text-width').trigger('pointermove');
  await vi.advanceTimersByTimeAsync(250);
  expect(explained()).toBe('Shorter values are refused.');
  await vi.advanceTimersByTimeAsync(100);
  expect(explained()).toBe('How much of a line it takes.');
  await made.get('#cell').trigger('focusin');
  await vi.advanceTimersByTimeAsync(1_000);
  expect(explained()).toBe('The name of the field.');
});
