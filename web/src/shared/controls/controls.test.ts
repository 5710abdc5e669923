import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, nextTick, ref } from 'vue';
import { i18n } from '@/shared/i18n';
import Check from './Check.vue';
import Choice from './Choice.vue';
import Choices from './Choices.vue';
import ControlSet from './ControlSet.vue';
import DateInput from './DateInput.vue';
import Disclosure from './Disclosure.vue';
import FilePicker from './FilePicker.vue';
import NumberInput from './NumberInput.vue';
import Radios from './Radios.vue';
import SearchInput from './SearchInput.vue';
import SplitPanes from './SplitPanes.vue';
import Tabs from './Tabs.vue';
import TextInput from './TextInput.vue';

const global = { plugins: [i18n] };
const fruits = [
  { value: '', label: 'None' },
  { value: 'apple', label: 'Apple' },
  { value: 'apricot', label: 'Apricot' },
  { value: 'pear', label: 'Pear' },
];

afterEach(() => {
  document.body.innerHTML = '';
});

const key = (name: string) => ({ key: name });

describe('a text', () => {
  it('hands its name, limit and error to the native control', () => {
    const made = mount(TextInput, {
      props: { value: 'Quay' },
      attrs: { id: 't', 'aria-label': 'Title', maxlength: '20', 'aria-invalid': true, class: 'wide' },
      global,
    });
    const input = made.get('input');
    expect(input.attributes()).toMatchObject({ id: 't', 'aria-label': 'Title', maxlength: '20' });
    expect(made.classes()).toContain('wide');
    expect(made.classes().join(' ')).toContain('error');
  });
});

describe('a number', () => {
  it('takes a decimal comma, and shows what was typed while somebody is in it', async () => {
    const made = mount(NumberInput, { props: { value: '' }, global });
    const input = made.get('input');
    await input.trigger('focus');
    await input.setValue('2,75');
    expect(made.emitted('update:value')?.at(-1)).toEqual(['2.75']);
    expect(input.element.value).toBe('2,75');
    expect(input.attributes('inputmode')).toBe('decimal');
    await input.setValue('about 3');
    expect(made.emitted('update:value')?.at(-1)).toEqual(['about 3']);
  });

  it('asks for whole numbers where no other is wanted', () => {
    const made = mount(NumberInput, { props: { value: 3, whole: true }, global });
    expect(made.get('input').attributes('inputmode')).toBe('numeric');
  });
});

describe('a choice', () => {
  function choice(attrs: Record<string, unknown> = {}) {
    const value = ref('apple');
    const Around = defineComponent({
      setup: () => () => [
        h('label', { for: 'fruit' }, 'Fruit'),
        h(Choice, {
          value: value.value,
          options: fruits,
          ...attrs,
          'onUpdate:value': (next: string) => (value.value = next),
        }),
      ],
    });
    return { made: mount(Around, { global, attachTo: document.body }), value };
  }

  it('is a combobox named by its label, with a listbox of options', async () => {
    const { made } = choice({ id: 'fruit', 'aria-describedby': 'help' });
    const box = made.get('[role=combobox]');
    expect(box.attributes()).toMatchObject({
      id: 'fruit',
      'aria-expanded': 'false',
      'aria-labelledby': 'fruit-label',
      'aria-describedby': 'help',
    });
    expect(made.get('label').attributes('id')).toBe('fruit-label');
    await box.trigger('keydown', key('Enter'));
    await flushPromises();
    expect(made.get('[role=combobox]').attributes('aria-expanded')).toBe('true');
    const list = document.querySelector('[role=listbox]');
    expect(list?.getAttribute('aria-labelledby')).toBe('fruit-label');
    const options = [...(list?.querySelectorAll('[role=option]') ?? [])];
    expect(options.map((option) => option.textContent)).toEqual(['None', 'Apple', 'Apricot', 'Pear']);
    expect(options.map((option) => option.getAttribute('aria-selected'))).toEqual(['false', 'true', 'false', 'false']);
    made.unmount();
  });

  it('takes letters: the next that begins with one, or with all that were typed', async () => {
    const { made, value } = choice({ 'aria-label': 'Fruit' });
    const box = () => made.get('[role=combobox]');
    await box().trigger('keydown', key('p'));
    expect(value.value).toBe('pear');
    await new Promise((resolve) => setTimeout(resolve, 750));
    await box().trigger('keydown', key('a'));
    expect(value.value).toBe('apple');
    for (const letter of 'pr') {
      await box().trigger('keydown', key(letter));
    }
    expect(value.value).toBe('apricot');
    made.unmount();
  });

  it('keeps its name when something else is chosen, and passes events on', async () => {
    const keys: string[] = [];
    const { made, value } = choice({
      'aria-label': 'Fruit',
      onKeydown: (event: KeyboardEvent) => keys.push(event.key),
    });
    value.value = 'pear';
    await flushPromises();
    expect(made.get('[role=combobox]').attributes('aria-label')).toBe('Fruit');
    expect(made.get('[role=combobox]').text()).toBe('Pear');
    await made.get('[role=combobox]').trigger('keydown', key('ArrowDown'));
    expect(keys).toEqual(['ArrowDown']);
    made.unmount();
  });

  it('of several says so', async () => {
    const made = mount(Choices, {
      props: { values: ['apple'], options: fruits.slice(1) },
      attrs: { 'aria-label': 'Fruits' },
      global,
      attachTo: document.body,
    });
    await made.get('[role=combobox]').trigger('keydown', key('Enter'));
    await flushPromises();
    expect(document.querySelector('[role=listbox]')?.getAttribute('aria-multiselectable')).toBe('true');
    made.unmount();
  });
});

describe('a tick', () => {
  it('is switched by the space bar, not by Enter, and named by its label or in words', async () => {
    const made = mount(Check, { props: { checked: false }, slots: { default: 'Required' }, global });
    const box = made.get('[role=checkbox]');
    await box.trigger('keyup', key('Enter'));
    expect(made.emitted('update:checked')).toBeUndefined();
    await box.trigger('keyup', key(' '));
    expect(made.emitted('update:checked')).toEqual([[true]]);
    const bare = mount(Check, { props: { checked: true }, attrs: { 'aria-label': 'Built is required' }, global });
    expect(bare.get('[role=checkbox]').attributes()).toMatchObject({
      'aria-label': 'Built is required',
      'aria-checked': 'true',
    });
    expect(bare.get('[role=checkbox]').attributes('aria-labelledby')).toBeUndefined();
  });
});

describe('radios', () => {
  it('are a group with a name', async () => {
    const made = mount(Radios, {
      props: {
        value: 'a',
        options: [
          { value: 'a', label: 'A' },
          { value: 'b', label: 'B' },
        ],
      },
      attrs: { 'aria-label': 'Letter' },
      global,
    });
    expect(made.get('[role=radiogroup]').attributes('aria-label')).toBe('Letter');
    await made.findAll('input')[1]?.setValue();
    expect(made.emitted('update:value')?.at(-1)).toEqual(['b']);
  });
});

describe('a set of controls', () => {
  it('disables all that is in it, also what is no native control', () => {
    const made = mount(ControlSet, {
      props: { legend: 'Facts', disabled: true },
      slots: {
        default: () => [
          h(TextInput, { value: '' }),
          h(Check, { checked: true }, () => 'Tick'),
          h(Choice, { value: '', options: fruits, 'aria-label': 'Fruit' }),
        ],
      },
      global,
    });
    expect(made.get('input').attributes('disabled')).toBeDefined();
    expect(made.get('[role=checkbox]').attributes('tabindex')).toBeUndefined();
    expect(made.get('[role=combobox]').attributes('aria-disabled')).toBe('true');
  });
});

describe('a date', () => {
  it('is typed in the order of the person, stored in one order, and kept where it cannot be read', async () => {
    const made = mount(DateInput, { props: { value: '1990-05-31', kind: 'date', label: 'Planted' }, global });
    const input = made.get('input');
    const shown = input.element.value;
    expect(shown).not.toBe('');
    await input.trigger('focus');
    await input.setValue('31 May 1991');
    expect(made.emitted('update:value')?.at(-1)).toEqual(['1991-05-31']);
    await input.setValue('next week');
    expect(made.emitted('update:value')?.at(-1)).toEqual(['next week']);
    await input.setValue('');
    expect(made.emitted('update:value')?.at(-1)).toEqual(['']);
    expect(made.get('button').attributes('aria-label')).toBe('Open calendar');
  });
});

describe('files', () => {
  it('that are chosen together are handed on together', async () => {
    const made = mount(FilePicker, { props: { label: 'Package', multiple: true }, global });
    const input = made.get('input[type=file]');
    expect(input.attributes('aria-label')).toBe('Package');
    const files = [new File(['a'], 'a.yaml'), new File(['b'], 'b.yaml')];
    Object.defineProperty(input.element, 'files', { value: files });
    await input.trigger('change');
    await vi.waitUntil(() => made.emitted('files'));
    const handed = made.emitted('files') as [File[]][];
    expect(handed.map(([each]) => each.map((file) => file.name))).toEqual([['a.yaml', 'b.yaml']]);
  });
});

describe('tabs', () => {
  it('are a list of tabs that the arrows go through, with the pane of the one that is shown', async () => {
    const tabs = [
      { name: 'form', label: 'Form' },
      { name: 'page', label: 'Page' },
    ];
    const made = mount(Tabs, {
      props: { label: 'Proof', tabs, value: 'form' },
      slots: { form: () => 'the form', page: () => 'the page' },
      global,
      attachTo: document.body,
    });
    expect(made.get('[role=tablist]').attributes('aria-label')).toBe('Proof');
    expect(made.findAll('[role=tab]').map((tab) => [tab.text(), tab.attributes('aria-selected')])).toEqual([
      ['Form', 'true'],
      ['Page', 'false'],
    ]);
    expect(made.get('[role=tabpanel]').text()).toBe('the form');
    await made.findAll('[role=tab]')[0]?.trigger('keydown', key('ArrowRight'));
    expect(made.emitted('update:value')).toEqual([['page']]);
    await made.setProps({ value: 'page' });
    expect(made.get('[role=tabpanel]').text()).toBe('the page');
    made.unmount();
  });
});

describe('split panes', () => {
  it('have a line that the arrows move, within its ends, and keep it', async () => {
    localStorage.clear();
    const made = mount(SplitPanes, {
      props: { name: 'test', label: 'Width', side: 'first', start: 200, min: 180, max: 230 },
      global,
      attachTo: document.body,
    });
    const line = made.get('[role=separator]');
    expect(line.attributes()).toMatchObject({ 'aria-label': 'Width', 'aria-valuenow': '200', tabindex: '0' });
    for (let i = 0; i < 5; i++) {
      await line.trigger('keydown', key('ArrowRight'));
    }
    await nextTick();
    expect(line.attributes('aria-valuenow')).toBe('230');
    await line.trigger('keydown', key('ArrowLeft'));
    await nextTick();
    expect(localStorage.getItem('jontrel.pane.test')).toBe('214');
    made.unmount();
  });
});

describe('something folded', () => {
  it('says whether it is open', async () => {
    const made = mount(Disclosure, { props: { title: 'More' }, slots: { default: 'within' }, global });
    expect(made.get('button').attributes('aria-expanded')).toBe('false');
    expect(made.text()).not.toContain('within');
    await made.get('button').trigger('click');
    expect(made.get('button').attributes('aria-expanded')).toBe('true');
    expect(made.text()).toContain('within');
  });
});

describe('words that are searched for', () => {
  const found = [{ value: 'pear', label: 'Pear' }];
  const searched = () =>
    mount(SearchInput, {
      props: { words: 'p', found: [], none: 'None', settled: false },
      global,
      attachTo: document.body,
    });

  it('pick the first that is found, where Enter came before', async () => {
    const made = searched();
    await made.get('input').trigger('focus');
    await made.get('input').trigger('keydown', key('Enter'));
    await made.setProps({ found, settled: true });
    expect(made.emitted('pick')).toEqual([['pear']]);
    made.unmount();
  });

  it('pick nothing once the list has been left, or for other words', async () => {
    for (const leave of [
      (made: ReturnType<typeof searched>) => made.get('input').trigger('blur'),
      (made: ReturnType<typeof searched>) => made.setProps({ words: 'pe' }),
    ]) {
      const made = searched();
      await made.get('input').trigger('focus');
      await made.get('input').trigger('keydown', key('Enter'));
      await leave(made);
      await made.get('input').trigger('focus');
      await made.setProps({ found, settled: true });
      expect(made.emitted('pick')).toBeUndefined();
      made.unmount();
    }
  });
});
