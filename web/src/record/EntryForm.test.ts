import { mount } from '@vue/test-utils';
import { defineComponent, h, ref } from 'vue';
import { describe, expect, it, vi } from 'vitest';
import { i18n } from '@/shared/i18n';
import type { Field } from '@/shared/kinds';
import { choose, optionsIn } from '@/shared/testing/controls';
import EntryForm from './EntryForm.vue';
import { provideForm, type FormContext } from './form';

const fields: Field[] = [
  { id: 'f1', key: 'length', label: 'Length', kind: 'number', unit: 'm', required: true, help: 'In metres.' },
  { id: 'f2', key: 'open', label: 'Open', kind: 'yes_no', yes: 'Open', no: 'Shut' },
  {
    id: 'f3',
    key: 'surface',
    label: 'Surface',
    kind: 'choice',
    options: [
      { id: 'o1', key: 'grass', label: 'Grass' },
      { id: 'o2', key: 'mud', label: 'Mud', retired: true },
    ],
  },
  {
    id: 'f4',
    key: 'uses',
    label: 'Uses',
    kind: 'choice',
    many: true,
    options: [{ id: 'o3', key: 'rest', label: 'Rest' }],
  },
  {
    id: 'f5',
    key: 'charges',
    label: 'Charges',
    kind: 'repeater',
    row_name: 'f6',
    max_rows: 2,
    fields: [{ id: 'f6', key: 'season', label: 'Season', kind: 'text' }],
  },
  { id: 'f7', key: 'keeper', label: 'Keeper', kind: 'relation', to: ['t2'], many: true, ordered: true },
  { id: 'f8', key: 'say', label: 'Say', kind: 'note', text: 'Read this first.' },
];

function form(start: Record<string, unknown>, context: Partial<FormContext> = {}) {
  const values = ref(start);
  const touched: string[] = [];
  const Around = defineComponent({
    setup() {
      provideForm({
        prefix: 'v',
        readonly: () => false,
        problems: () => [],
        hidden: () => false,
        search: (_, words) =>
          Promise.resolve(
            [
              { key: 'a', label: 'Ada', value: { type: 't2', id: 1 } },
              { key: 'b', label: 'Ben', value: { type: 't2', id: 2 } },
            ].filter((offer) => offer.label.toLowerCase().includes(words.toLowerCase())),
          ),
        name: (_, value) => ({ key: '', value, label: `Record ${String((value as { id: number }).id)}` }),
        ...context,
      });
      return () =>
        h(EntryForm, {
          first: [{ field: { id: 'part_title', key: 'title', label: 'Title', kind: 'text' } }],
          groups: [{ id: 'g1', title: 'Berth <b>', description: '', fields: fields.map((field) => ({ field })) }],
          modelValue: values.value,
          'onUpdate:modelValue': (next: Record<string, unknown>) => (values.value = next),
          onTouch: (key: string) => touched.push(key),
        });
    },
  });
  return { wrapper: mount(Around, { global: { plugins: [i18n] }, attachTo: document.body }), values, touched };
}

describe('the entry form', () => {
  it('shows parts first, labels, units, help and text as text', () => {
    const { wrapper } = form({});
    const labels = wrapper.findAll('.label').map((label) => label.text().split(' ')[0]);
    expect(labels).toEqual(['Title', 'Length', 'Open', 'Surface', 'Uses', 'Charges', 'Keeper']);
    expect(wrapper.text()).toContain('In metres.');
    expect(wrapper.text()).toContain('Read this first.');
    expect(wrapper.find('legend').text()).toBe('Berth <b>');
  });

  it('puts a problem at its field and marks the control', () => {
    const { wrapper } = form(
      {},
      {
        problems: (path) =>
          path === 'length' ? [{ path, required: false, sentence: 'Length must be a number.' }] : [],
      },
    );
    expect(wrapper.find('[data-field=length]').text()).toContain('Length must be a number.');
    expect(wrapper.find('#v-length').attributes('aria-invalid')).toBe('true');
    expect(wrapper.find('#v-surface').attributes('aria-invalid')).toBe('false');
  });

  it('leaves out what conditions hide', () => {
    expect(
      form({}, { hidden: (path) => path === 'length' })
        .wrapper.find('#v-length')
        .exists(),
    ).toBe(false);
    expect(
      form({}, { hidden: (path) => path === 'g1' })
        .wrapper.find('legend')
        .exists(),
    ).toBe(false);
  });

  it('offers a retired option only to a record that has it', () => {
    expect(optionsIn(form({}).wrapper, 1)).not.toContain('Mud');
    expect(optionsIn(form({ surface: 'mud' }).wrapper, 1)).toContain('Mud');
  });

  it('tells what was typed and which field was touched', async () => {
    const { wrapper, values, touched } = form({ length: '1' });
    await wrapper.find('#v-length').setValue('2');
    await choose(wrapper, 'false');
    await wrapper.find('#v-uses [role=checkbox]').trigger('click');
    expect(values.value).toEqual({ length: '2', open: false, uses: ['rest'] });
    expect(touched).toEqual(['length', 'open', 'uses']);
  });

  it('adds, names, moves and removes rows up to their limit', async () => {
    const { wrapper, values } = form({ charges: [{ _row: 7, season: 'Summer' }] });
    const button = (name: string) => wrapper.findAll('button').find((each) => each.attributes('aria-label') === name);
    const add = () => wrapper.findAll('button').find((each) => each.text() === 'Add a row to Charges');
    expect(wrapper.find('[data-row-of]').text()).toContain('Summer');
    await add()?.trigger('click');
    await wrapper.findAll('[data-row-of] input')[1]?.setValue('Winter');
    expect(add()?.attributes('disabled')).toBeDefined();
    await button('Move 2 up')?.trigger('click');
    expect(values.value.charges).toEqual([{ season: 'Winter' }, { _row: 7, season: 'Summer' }]);
    await button('Remove 1')?.trigger('click');
    expect(values.value.charges).toEqual([{ _row: 7, season: 'Summer' }]);
    await button('Remove 1')?.trigger('click');
    expect(values.value.charges).toBeNull();
  });

  it('finds records by typing, in the order they are chosen, and takes them out', async () => {
    const { wrapper, values } = form({ keeper: [{ type: 't2', id: 1 }] });
    const input = wrapper.find('#v-keeper');
    await input.setValue('b');
    await new Promise((done) => setTimeout(done, 250));
    expect([...document.querySelectorAll('.n-base-select-option')].map((each) => each.textContent)).toEqual(['Ben']);
    await input.trigger('keydown', { key: 'Enter' });
    expect(values.value.keeper).toEqual([
      { type: 't2', id: 1 },
      { type: 't2', id: 2 },
    ]);
    await wrapper.find('button[aria-label="Move 2 up"]').trigger('click');
    await wrapper.find('button[aria-label="Remove Record 1"]').trigger('click');
    expect(values.value.keeper).toEqual([{ type: 't2', id: 2 }]);
  });

  it('takes the first that is found where Enter came before the answer', async () => {
    const { wrapper, values } = form({ keeper: null });
    const input = wrapper.find('#v-keeper');
    await input.trigger('focus');
    await input.setValue('b');
    await input.trigger('keydown', { key: 'Enter' });
    expect(values.value.keeper).toBeNull();
    await vi.waitFor(() => {
      expect(values.value.keeper).toEqual([{ type: 't2', id: 2 }]);
    });
  });
});
