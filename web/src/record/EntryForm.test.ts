import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { i18n } from '@/shared/i18n';
import type { ContentType } from '@/shared/kinds';
import EntryForm from './EntryForm.vue';

const type: ContentType = {
  id: 't1',
  key: 'mooring',
  singular: 'Mooring',
  plural: 'Moorings',
  path: 'moorings',
  groups: [
    {
      id: 'g1',
      title: 'Berth <b>',
      fields: [
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
      ],
    },
  ],
};

function form(values: Record<string, unknown>, problems: { field: string; sentence: string }[] = []) {
  return mount(EntryForm, {
    global: { plugins: [i18n] },
    props: {
      modelValue: values,
      type,
      parts: { title: 'Title' },
      problems: problems.map((problem) => ({
        ...problem,
        code: 'X',
        severity: 'blocker',
        place: '',
        definition: '',
        property: '',
      })),
    },
  });
}

describe('the entry form', () => {
  it('shows parts first, labels, units, help and text as text', () => {
    const wrapper = form({});
    expect(wrapper.findAll('.label').map((label) => label.text().split(' ')[0])).toEqual([
      'Title',
      'Length',
      'Open',
      'Surface',
    ]);
    expect(wrapper.text()).toContain('In metres.');
    expect(wrapper.find('legend').text()).toBe('Berth <b>');
  });

  it('puts a problem at its field and marks the control', () => {
    const wrapper = form({}, [{ field: 'f1', sentence: 'Length must be a number.' }]);
    expect(wrapper.find('[data-field=length]').text()).toContain('Length must be a number.');
    expect(wrapper.find('#v-f1').attributes('aria-invalid')).toBe('true');
    expect(wrapper.find('#v-f3').attributes('aria-invalid')).toBe('false');
  });

  it('offers a retired option only to a record that has it', () => {
    expect(form({}).find('#v-f3').text()).not.toContain('Mud');
    expect(form({ surface: 'mud' }).find('#v-f3').text()).toContain('Mud');
  });

  it('tells what was typed and which field was touched', async () => {
    const wrapper = form({ length: '1' });
    await wrapper.find('#v-f1').setValue('2');
    expect(wrapper.emitted('update:modelValue')?.[0]).toEqual([{ length: '2' }]);
    expect(wrapper.emitted('touch')?.[0]).toEqual(['f1']);
    await wrapper.find('#v-f2').setValue('false');
    expect(wrapper.emitted('update:modelValue')?.[1]).toEqual([{ length: '2', open: false }]);
  });
});
