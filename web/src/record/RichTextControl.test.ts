import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { defineComponent, h, nextTick } from 'vue';
import { describe, expect, it } from 'vitest';
import type { FieldOf } from '@/shared/kinds';
import { i18n } from '@/shared/i18n';
import Choice from '@/shared/controls/Choice.vue';
import RichTextControl from './RichTextControl.vue';
import { provideForm } from './form';
import type { Insertion } from './insertions';

const OFFERED: Insertion[] = [
  { sort: 'value', name: 'fphone', label: 'Phone' },
  { sort: 'value', name: 'fkeeper.ftitle', label: 'Keeper › Title' },
  { sort: 'listing', name: 'qnow', label: 'Closed now' },
];

/** The control in a form, with what it sent last. */
async function control(
  value: string | null,
  formats: NonNullable<FieldOf<'rich_text'>['formats']>,
  insertions?: () => Promise<Insertion[]>,
): Promise<{ made: VueWrapper; sent: () => unknown; chips: () => string[] }> {
  const field = { id: 'f', key: 'story', label: 'Story', kind: 'rich_text', formats } as FieldOf<'rich_text'>;
  const sent: unknown[] = [];
  const Form = defineComponent({
    setup() {
      provideForm({
        prefix: 'c',
        readonly: () => false,
        problems: () => [],
        hidden: () => false,
        search: () => Promise.resolve([]),
        name: () => undefined,
        ...(insertions ? { insertions } : {}),
      });
      return () =>
        h(RichTextControl, { id: 'c', field, value, invalid: false, onChange: (next: unknown) => sent.push(next) });
    },
  });
  const made = mount(Form, { global: { plugins: [i18n] }, attachTo: document.body });
  await flushPromises();
  await nextTick();
  return {
    made,
    sent: () => sent.at(-1),
    chips: () => made.findAll('.insertion').map((chip) => chip.text()),
  };
}

const offered = () => Promise.resolve(OFFERED);

async function insert(made: VueWrapper, chosen: string): Promise<void> {
  await made
    .findAll('button')
    .find((button) => button.text() === 'Insert…')
    ?.trigger('click');
  await flushPromises();
  made.findComponent(Choice).vm.$emit('update:value', chosen);
  await flushPromises();
}

describe('values and listings in a text', () => {
  it('are named as they are called now, and kept by ids', async () => {
    const stored = '<p>Ask <span data-value="fphone"></span></p><div data-listing="qnow"></div>';
    const { chips } = await control(stored, ['values', 'listings'], offered);
    expect(chips()).toEqual(['Phone', 'Listing: Closed now']);
  });

  it('say so where they are gone', async () => {
    const { chips } = await control('<p><span data-value="fgone"></span></p>', ['values'], offered);
    expect(chips()).toEqual(['no longer there']);
  });

  it('stay where nothing is known of them', async () => {
    const { chips } = await control('<p><span data-value="fphone"></span></p>', ['values']);
    expect(chips()).toEqual(['Value']);
    const failed = await control('<p><span data-value="fphone"></span></p>', ['values'], () =>
      Promise.reject(new Error('no network')),
    );
    expect(failed.chips()).toEqual(['Value']);
    await failed.made
      .findAll('button')
      .find((button) => button.text() === 'Insert…')
      ?.trigger('click');
    await flushPromises();
    expect(failed.made.text()).toContain('no network');
    expect(failed.made.findComponent(Choice).exists()).toBe(false);
  });

  it('are put in at the cursor', async () => {
    const { made, sent, chips } = await control('<p>Ask</p>', ['values', 'listings'], offered);
    await insert(made, 'value fkeeper.ftitle');
    expect(sent()).toBe('<p><span data-value="fkeeper.ftitle"></span>Ask</p>');
    await insert(made, 'listing qnow');
    expect(sent()).toContain('<div data-listing="qnow"></div>');
    expect(chips()).toContain('Keeper › Title');
  });

  it('are offered where the field allows them alone', async () => {
    const { made } = await control('<p>Ask</p>', ['values'], offered);
    await insert(made, 'value fphone');
    await made
      .findAll('button')
      .find((button) => button.text() === 'Insert…')
      ?.trigger('click');
    await flushPromises();
    const groups = made.findComponent(Choice).props('options') as readonly { label: string }[];
    expect(groups.map((group) => group.label)).toEqual(['Values']);
    const plain = await control('<p>Ask</p>', ['bold'], offered);
    expect(plain.made.findAll('button').map((button) => button.text())).toEqual(['Bold']);
  });
});
