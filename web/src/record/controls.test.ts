import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { defineComponent, h, nextTick, ref } from 'vue';
import { describe, expect, it, vi } from 'vitest';
import { i18n } from '@/shared/i18n';
import type { Field, FieldOf } from '@/shared/kinds';
import FieldControl from './FieldControl.vue';
import DateInput from '@/shared/controls/DateInput.vue';
import SliderInput from '@/shared/controls/SliderInput.vue';
import { choose, optionsIn, tick } from '@/shared/testing/controls';
import IconControl from './IconControl.vue';
import LinkControl from './LinkControl.vue';
import RowTools from './RowTools.vue';
import { provideForm, type FormContext, type Offer } from './form';
import { readPlace } from './place';
import { kilobytes } from '@/shared/sizes';

const global = { plugins: [i18n] };

function control(field: Field, value?: unknown): VueWrapper {
  return mount(FieldControl, { props: { id: 'c', field, value, invalid: false }, global });
}

const of = (kind: string, more: object = {}) =>
  ({ id: 'f', key: 'f', label: 'Thing', kind, ...more }) as unknown as Field;

describe('controls of single values', () => {
  it.each([
    [of('text'), 'Quay'],
    [of('text', { prefix: 'No.', suffix: '!' }), '7'],
    [of('long_text', { rows: 6 }), 'Two\nlines'],
    [of('number', { unit: 'm' }), '2.5'],
    [of('date'), '2026-05-01'],
    [of('time'), '09:30'],
    [of('date_time'), '2026-05-01T09:30'],
    [of('email'), 'ada@example.org'],
    [of('phone'), '+44 20 7946 0000'],
    [of('url'), 'https://example.org'],
    [of('colour'), '#112233'],
  ])('give what is typed: %o', async (field, text) => {
    const made = control(field);
    const input = made.find('input, textarea');
    await input.setValue(text);
    expect(made.emitted('change')?.at(-1)).toEqual([text]);
    expect(input.attributes('aria-describedby')).toBe('c-help c-problems');
  });

  it('say the unit, the limits and what is wrong', () => {
    expect(control(of('number', { unit: 'm' }), '2').text()).toContain('m');
    const date = control(of('date', { earliest: '1990-01-01', latest: '2030-01-01' })).findComponent(DateInput);
    expect([date.props('earliest'), date.props('latest')]).toEqual(['1990-01-01', '2030-01-01']);
    const wrong = mount(FieldControl, {
      props: { id: 'c', field: of('text'), value: 'x', invalid: true },
      global,
    });
    expect(wrong.find('input').attributes('aria-invalid')).toBe('true');
  });

  it('tell yes, no and nothing apart', async () => {
    const made = control(of('yes_no', { yes: 'Open', no: 'Shut' }), true);
    expect(made.find('[role=combobox]').text()).toBe('Open');
    expect(optionsIn(made)).toEqual(['Not set', 'Open', 'Shut']);
    for (const [choice, value] of [
      ['false', false],
      ['', undefined],
    ] as const) {
      await choose(made, choice);
      expect(made.emitted('change')?.at(-1)).toEqual([value]);
    }
  });

  it('rate by marks and slide, and can be made empty again', async () => {
    const marks = control(of('number', { shown: 'marks', max: 4 }), '3');
    expect(marks.findAll('input[type=radio]')).toHaveLength(4);
    await marks.findAll('input')[3]?.setValue();
    expect(marks.emitted('change')?.at(-1)).toEqual(['4']);
    await marks.find('button').trigger('click');
    expect(marks.emitted('change')?.at(-1)).toEqual([null]);
    const slider = control(of('number', { shown: 'slider', min: 0, max: 10, unit: 'kg' }), '5');
    slider.findComponent(SliderInput).vm.$emit('update:value', 7);
    expect(slider.emitted('change')?.at(-1)).toEqual(['7']);
    await nextTick();
    expect(slider.find('[role=slider]').attributes('aria-labelledby')).toBe('c-label');
    expect(slider.find('output').text()).toBe('5 kg');
  });

  it('keep an option that is not offered any more, and offer none that is retired', () => {
    const options = [
      { id: 'a', key: 'a', label: 'A' },
      { id: 'b', key: 'b', label: 'B', retired: true },
    ];
    const menu = control(of('choice', { options }), 'gone');
    expect(optionsIn(menu)).toEqual(['Not set', 'gone', 'A']);
    const kept = control(of('choice', { options }), 'b');
    expect(optionsIn(kept)).toEqual(['Not set', 'A', 'B']);
  });

  it('tick several', async () => {
    const options = [
      { id: 'a', key: 'a', label: 'A' },
      { id: 'b', key: 'b', label: 'B' },
    ];
    const ticks = control(of('choice', { options, many: true }), ['a']);
    await tick(ticks, 1);
    expect(ticks.emitted('change')?.at(-1)).toEqual([['a', 'b']]);
    await tick(ticks, 0);
    expect(ticks.emitted('change')?.at(-1)).toEqual([[]]);
  });

  it('take a place as two numbers', async () => {
    const place = control(of('place'), { latitude: '52.5' });
    await place.findAll('input')[1]?.setValue('-1.25');
    expect(place.emitted('change')?.at(-1)).toEqual([{ latitude: '52.5', longitude: '-1.25' }]);
  });
});

describe('places', () => {
  it.each([
    ['52.5, -1.25', { latitude: '52.5', longitude: '-1.25' }],
    ['52.5 -1.25', { latitude: '52.5', longitude: '-1.25' }],
    ['geo:52.5,-1.25;u=35', { latitude: '52.5', longitude: '-1.25' }],
    ['geo:52.5,-1.25?z=12', { latitude: '52.5', longitude: '-1.25' }],
    ['91, 0', undefined],
    ['52.5', undefined],
    ['Mill Lane', undefined],
  ])('%s is read when it is pasted', (text, place) => {
    expect(readPlace(text)).toEqual(place);
  });
});

describe('the icon control', () => {
  it('shows pictures, finds them by name, and moves among them with the arrows', async () => {
    const made = mount(IconControl, {
      props: { id: 'i', label: 'Mark', value: 'anchor', invalid: false },
      global,
      attachTo: document.body,
    });
    expect(made.find('.now svg').exists()).toBe(true);
    await made.find('button').trigger('click');
    const all = made.findAll('.grid button').length;
    await made.find('input').setValue('map');
    const found = made.findAll('.grid button');
    expect(found.length).toBeLessThan(all);
    expect(found.every((each) => each.attributes('aria-label')?.includes('map'))).toBe(true);
    (found[0]?.element as HTMLElement).focus();
    await found[0]?.trigger('keydown', { key: 'ArrowRight' });
    expect(document.activeElement).toBe(found[1]?.element);
    await found[1]?.trigger('click');
    expect(made.emitted('change')?.at(-1)).toEqual([found[1]?.attributes('aria-label')]);
    expect(made.find('.grid').exists()).toBe(false);
    made.unmount();
  });

  it('lets a name be typed that has no picture', async () => {
    const made = mount(IconControl, { props: { id: 'i', label: 'Mark', value: '', invalid: false }, global });
    await made.find('input').setValue('something-else');
    expect(made.emitted('change')?.at(-1)).toEqual(['something-else']);
  });
});

describe('the control of links', () => {
  const offers: Offer[] = [
    { key: 't/1', label: 'Ada', value: { type: 't', id: 1 } },
    { key: 't/2', label: 'Bram', value: { type: 't', id: 2 }, detail: 'draft' },
  ];
  const field: FieldOf<'relation'> = {
    id: 'f',
    key: 'f',
    label: 'Keepers',
    kind: 'relation',
    to: ['t'],
    many: true,
    ordered: true,
  };

  function links(start: unknown, context: Partial<FormContext> = {}, use: FieldOf<'relation'> = field) {
    const value = ref(start);
    const Around = defineComponent({
      setup() {
        provideForm({
          prefix: 'v',
          readonly: () => false,
          problems: () => [],
          hidden: () => false,
          search: (_, words) => Promise.resolve(offers.filter((each) => each.label.toLowerCase().includes(words))),
          name: (_, link) => offers.find((each) => JSON.stringify(each.value) === JSON.stringify(link)),
          ...context,
        });
        return () =>
          h(LinkControl, {
            id: 'l',
            field: use,
            value: value.value,
            invalid: false,
            onChange: (next: unknown) => (value.value = next),
          });
      },
    });
    return { made: mount(Around, { global, attachTo: document.body }), value };
  }

  async function type(made: VueWrapper, words: string): Promise<void> {
    await made.find('input').trigger('focus');
    await made.find('input').setValue(words);
    await new Promise((resolve) => setTimeout(resolve, 200));
    await flushPromises();
  }

  it('finds by typing, adds with Enter, moves and takes out', async () => {
    const { made, value } = links([{ type: 't', id: 1 }]);
    await type(made, 'bram');
    await made.find('input').trigger('keydown', { key: 'Enter' });
    expect(value.value).toEqual([
      { type: 't', id: 1 },
      { type: 't', id: 2 },
    ]);
    await made.find('[aria-label="Move 2 up"]').trigger('click');
    expect((value.value as { id: number }[]).map((each) => each.id)).toEqual([2, 1]);
    await made.find('[aria-label="Remove Bram"]').trigger('click');
    expect((value.value as { id: number }[]).map((each) => each.id)).toEqual([1]);
    await made.find('input').trigger('keydown', { key: 'Backspace' });
    expect(value.value).toEqual([]);
    made.unmount();
  });

  it('makes what is not there, only once it is known not to be there', async () => {
    const create = vi.fn(() => Promise.resolve({ key: 't/3', label: 'Cora', value: { type: 't', id: 3 } }));
    const { made, value } = links([], { create, mayCreate: () => true });
    await made.find('input').trigger('focus');
    await made.find('input').setValue('Cora');
    await made.find('input').trigger('keydown', { key: 'Enter' });
    expect(create).not.toHaveBeenCalled();
    await vi.waitFor(() => expect(value.value).toEqual([{ type: 't', id: 3 }]));
    // an Enter too many, before the list of all is there again
    await made.find('input').trigger('keydown', { key: 'Enter' });
    await new Promise((resolve) => setTimeout(resolve, 400));
    expect(create).toHaveBeenCalledTimes(1);
    expect(value.value).toEqual([{ type: 't', id: 3 }]);
    made.unmount();
  });

  it('looks at what a link leads to without going there, and closes again', async () => {
    const preview = vi.fn(() => Promise.resolve([{ label: 'Rise', text: '2.5 m' }]));
    const { made } = links([{ type: 't', id: 1 }], { preview });
    const eye = made.find('[aria-label="Preview Ada"]');
    await eye.trigger('click');
    await flushPromises();
    expect(made.find('.peek').text()).toBe('Rise2.5 m');
    await eye.trigger('click');
    expect(made.find('.peek').exists()).toBe(false);
    made.unmount();
  });

  it('says what is not there any more, and lets it be taken out', async () => {
    const { made, value } = links([{ type: 't', id: 99 }]);
    expect(made.text()).toContain('no longer there');
    await made.find('[aria-label="Remove no longer there"]').trigger('click');
    expect(value.value).toEqual([]);
    made.unmount();
  });

  it('holds one where only one is wanted', async () => {
    const { made, value } = links({ type: 't', id: 1 }, {}, { ...field, many: false, ordered: false });
    await type(made, 'bram');
    await made.find('input').trigger('keydown', { key: 'Enter' });
    expect(value.value).toEqual({ type: 't', id: 2 });
    made.unmount();
  });
});

describe('small parts', () => {
  it('tools of a row know its ends', () => {
    const first = mount(RowTools, { props: { at: 0, count: 2, ordered: true, removal: 'Remove 1' }, global });
    expect(first.find('[aria-label="Move 1 up"]').attributes('disabled')).toBeDefined();
    expect(first.find('[aria-label="Move 1 down"]').attributes('disabled')).toBeUndefined();
    const loose = mount(RowTools, { props: { at: 0, count: 2, ordered: false, removal: 'Remove 1' }, global });
    expect(loose.findAll('button')).toHaveLength(1);
  });

  it('sizes are said as people say them', () => {
    expect([10, 2048, 3 * 1024 * 1024].map(kilobytes)).toEqual(['1 KB', '2 KB', '3.0 MB']);
  });
});
