import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { computed, defineComponent, h } from 'vue';
import type { Defined } from '@/shared/definitions';
import { i18n } from '@/shared/i18n';
import type { ContentType, Group } from '@/shared/kinds';
import FieldTable from './FieldTable.vue';
import { useDraft } from './draft';

const mooring: ContentType = {
  id: 't1',
  key: 'mooring',
  singular: 'Mooring',
  plural: 'Moorings',
  path: 'moorings',
  groups: [{ id: 'g1', title: 'Berth', fields: [] }],
};

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  setActivePinia(createPinia());
  useDraft().edit({ sort: 'type', definition: mooring });
  vi.stubGlobal('fetch', async (request: Request) => {
    if (!request.url.endsWith('/names')) {
      throw new TypeError('network');
    }
    const { labels } = (await request.json()) as { labels: string[] };
    return Response.json({ keys: labels.map((label) => label.toLowerCase()), plurals: [], paths: [] });
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

/** The table of the draft's only type, as its sheet has it. */
const Sheet = defineComponent(() => {
  const draft = useDraft();
  const groups = computed(() => (draft.definitions[0]?.definition as ContentType).groups as Group[]);
  const change = (next: Group[]) =>
    draft.edit({ sort: 'type', definition: { ...(draft.definitions[0]?.definition as ContentType), groups: next } });
  return () =>
    h(FieldTable, {
      groups: groups.value,
      group: groups.value[0] as Group,
      findings: [],
      locked: false,
      onChange: change,
    });
});

describe('the table of fields', () => {
  it('gives each new field the key of its label, however fast somebody goes on', async () => {
    const sheet = mount(Sheet, { global: { plugins: [i18n] }, attachTo: document.body });
    await sheet.get('button').trigger('click');
    for (const label of ['Length', 'Surface']) {
      await flushPromises();
      const input = sheet.findAll<HTMLInputElement>('[data-column="label"]').at(-1);
      for (let typed = 1; typed <= label.length; typed++) {
        await input?.setValue(label.slice(0, typed));
        await vi.advanceTimersByTimeAsync(20);
      }
      await input?.trigger('keydown', { key: 'Enter' });
    }
    await vi.advanceTimersByTimeAsync(1_000);
    await flushPromises();
    expect(sheet.findAll<HTMLInputElement>('[data-column="key"]').map((key) => key.element.value)).toEqual([
      'length',
      'surface',
      '',
    ]);
    sheet.unmount();
  });

  it('tells at once that a key is there already', async () => {
    const fields = [
      { id: 'f1', key: 'length', label: 'Length', kind: 'text' },
      { id: 'f2', key: 'length', label: 'Whole length', kind: 'text' },
    ];
    useDraft().edit({
      sort: 'type',
      definition: { ...mooring, groups: [{ id: 'g1', title: 'Berth', fields }] },
    } as Defined);
    const sheet = mount(Sheet, { global: { plugins: [i18n] }, attachTo: document.body });
    await flushPromises();
    expect(sheet.text()).toContain('Length and Whole length both have the key length.');
    await sheet.findAll('[data-column="key"]').at(-1)?.setValue('whole_length');
    await flushPromises();
    expect(sheet.text()).not.toContain('both have the key');
    sheet.unmount();
  });
});
