import { mount } from '@vue/test-utils';
import { expect, it } from 'vitest';
import { i18n } from '@/shared/i18n';
import AskPanel from './AskPanel.vue';
import type { Ask } from './answers';

const ask = (code: string, label: string, proposed: string): Ask => ({
  finding: { code, severity: 'blocker', sentence: '', place: '', definition: '', field: '', property: '' },
  definition: 'tbridge',
  holder: label,
  fieldId: 'tbridge',
  element: 'mooring.field',
  label,
  example: '',
  kind: '',
  about: 'record_type',
  rows: 6,
  choices: ['move', 'leave'],
  answer: undefined,
  value: '',
  proposed,
  corrections: [],
});

const shown = (of: Ask) =>
  mount(AskPanel, {
    props: { site: 'w/s', ask: of, version: '2.0.0', locked: false },
    global: { plugins: [i18n] },
  });

it('asks which records a new type takes, with what is proposed', async () => {
  const wrapper = shown(ask('PLAN_TYPE_PART', 'Bridges', 'structure where sort = bridge'));
  expect(wrapper.text()).toContain('Take as its records');
  expect(wrapper.text()).toContain('Leave them what they are');
  expect(wrapper.find('input[type="text"]').attributes('aria-label')).toBe('Which records become Bridges');
  await wrapper.find('form').trigger('submit');
  expect(wrapper.emitted('decide')?.[0]).toEqual([
    {
      field: 'tbridge',
      about: 'RECORD_TYPE',
      answer: 'MOVE',
      value: 'structure where sort = bridge',
      corrections: [],
    },
  ]);
});

it('asks what the records of a type that goes become', () => {
  const wrapper = shown(ask('PLAN_TYPE_GOES', 'Berths', 'mooring'));
  expect(wrapper.text()).toContain('Make them records of');
  expect(wrapper.text()).toContain('Hold them as they are');
  expect(wrapper.text()).toContain('mooring with depth = draught');
});

it('asks what stands between the levels of terms, with what is proposed', async () => {
  const of: Ask = {
    ...ask('PLAN_VALUES_UNCONVERTED', 'Made of', '>'),
    about: 'unconverted',
    choices: ['nest', 'make', 'correct', 'set_aside'],
  };
  const wrapper = shown(of);
  expect(wrapper.text()).toContain('one under another at');
  const input = wrapper.find('input[aria-label="What stands between the levels of Made of"]');
  expect((input.element as HTMLInputElement).value).toBe('>');
  await input.trigger('focus');
  await wrapper.find('form').trigger('submit');
  const [given] = wrapper.emitted<[Record<string, unknown>]>('decide')?.[0] ?? [];
  expect(given).toMatchObject({ about: 'UNCONVERTED', answer: 'NEST', value: '>' });
});
