import { flushPromises, mount } from '@vue/test-utils';
import { expect, it, vi } from 'vitest';
import { i18n } from '@/shared/i18n';
import AskValues from './AskValues.vue';

const either = (text: string, day: string, month: string) => ({
  text,
  records: 1,
  readings: [
    { as: 'day_first', becomes: day },
    { as: 'month_first', becomes: month },
  ],
});

it('reads all values that could be read in two ways as one says, but for those that are corrected', async () => {
  const values = [either('3/4/2026', '2026-04-03', '2026-03-04'), either('5/6/2026', '2026-06-05', '2026-05-06')];
  const found = { values: [...values, { text: 'soon', records: 2, readings: [] }], distinct: 3, more: false };
  vi.stubGlobal('fetch', () =>
    Promise.resolve(new Response(JSON.stringify(found), { headers: { 'content-type': 'application/json' } })),
  );
  const wrapper = mount(AskValues, {
    props: {
      site: 'w/s',
      version: '2.0.0',
      field: 'fdue',
      label: 'Due',
      aside: ['soon'],
      locked: false,
      modelValue: { '5/6/2026': '2026-01-01' },
      'onUpdate:modelValue': (now: Record<string, string>) => wrapper.setProps({ modelValue: now }),
    },
    global: { plugins: [i18n] },
  });
  await flushPromises();
  const button = wrapper.findAll('button').find((each) => each.text() === 'day first (1)');
  await button?.trigger('click');
  expect(wrapper.props('modelValue')).toEqual({ '5/6/2026': '2026-01-01', '3/4/2026': '2026-04-03' });
  await flushPromises();
  expect(wrapper.text()).not.toContain('read in two ways');
  expect(wrapper.html()).toContain('placeholder="Set aside"');
});
