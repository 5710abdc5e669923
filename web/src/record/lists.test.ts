import { DOMWrapper, flushPromises, mount } from '@vue/test-utils';
import { NDialogProvider } from 'naive-ui';
import { createPinia, setActivePinia } from 'pinia';
import { defineComponent, h, nextTick, ref } from 'vue';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import SiteTokens from '@/site/SiteTokens.vue';
import { useSession } from '@/session/session';
import type { Schemas } from '@/shared/api/client';
import { i18n } from '@/shared/i18n';
import type { Field } from '@/shared/kinds';
import { living } from '@/shared/testing/setup';
import Choice from '@/shared/controls/Choice.vue';
import { choose } from '@/shared/testing/controls';
import ListTools from './ListTools.vue';
import RecordTable from './RecordTable.vue';
import type { RecordType } from './recordTypes';
import { useRecordList } from './useRecordList';

const router = createRouter({
  history: createMemoryHistory(),
  routes: [{ path: '/:id(.*)', name: 'record', component: { template: '<i />' } }],
});
const global = { plugins: [i18n, router] };
const fields = [
  { id: 'f1', key: 'rise', label: 'Rise', kind: 'number' },
  { id: 'f2', key: 'keeper', label: 'Keeper', kind: 'relation', to: ['t2'] },
] as Field[];
const recordType = {
  id: 't1',
  sort: 'types',
  key: 'lock',
  singular: 'Lock',
  plural: 'Locks',
  definition: { columns: ['f1'] },
  first: [{ field: { id: 'part_title', key: 'title', label: 'Title', kind: 'text' } }],
  groups: [{ id: 'g', title: 'G', description: '', fields: fields.map((field) => ({ field })) }],
} as unknown as RecordType;

function record(id: number): Schemas['RecordView'] {
  return {
    id,
    title: `Lock ${String(id)}`,
    state: 'published',
    complete: id % 2 === 0,
    values: { rise: id },
    shown: { rise: `${String(id)} m` },
    updatedAt: '2026-11-25T10:00:00Z',
  } as unknown as Schemas['RecordView'];
}

/** Answers of the server by the beginning of the path asked. */
function server(answers: Record<string, (url: URL, request: Request) => unknown>) {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (request: Request) => {
    const url = new URL(request.url);
    asked.push(`${request.method} ${url.pathname}${url.search}`);
    const found = Object.entries(answers).find(([key]) => `${request.method} ${url.pathname}`.endsWith(key));
    const body = found ? found[1](url, request) : [];
    return Promise.resolve(
      body === undefined
        ? new Response(null, { status: 204 })
        : new Response(JSON.stringify(body), { status: 200, headers: { 'Content-Type': 'application/json' } }),
    );
  });
  return asked;
}

beforeEach(() => {
  setActivePinia(createPinia());
  vi.unstubAllGlobals();
});

describe('the table of records', () => {
  const store = vi.fn<(record: Schemas['RecordView'], field: Field, value: unknown) => Promise<string>>();

  function table(count: number) {
    const order = ref('');
    const picked = ref(new Set<number>());
    const records = Array.from({ length: count }, (_, i) => record(i + 1));
    const made = mount(RecordTable, {
      props: {
        recordType,
        records,
        total: count,
        fields,
        mayPick: true,
        busy: false,
        to: (id: number | string) => ({ name: 'record', params: { id } }),
        name: 's/t1',
        place: '',
        store,
        order: order.value,
        picked: picked.value,
        'onUpdate:order': (next: string) => void made.setProps({ order: next }),
        'onUpdate:picked': (next: Set<number>) => void made.setProps({ picked: next }),
      },
      global,
      attachTo: document.body,
    });
    return made;
  }

  it('sorts by a heading one way, the other, and not at all; not by what has no order', async () => {
    const made = table(3);
    const heads = made.findAll('th button').map((each) => each.text());
    expect(heads).toEqual(['Title', 'Rise', 'State', 'Changed']);
    const rise = made.findAll('th button')[1];
    const seen = [];
    for (let i = 0; i < 3; i++) {
      await rise?.trigger('click');
      await nextTick();
      seen.push(made.props('order'));
    }
    expect(seen).toEqual(['f1', '-f1', '']);
    made.unmount();
  });

  it('changes a value in its row by F2, keeps what was typed where it is refused, and stores with Enter', async () => {
    const made = table(3);
    await nextTick();
    store.mockResolvedValueOnce('Rise is at most 10.').mockResolvedValueOnce('');
    await made.findAll('tbody tr')[1]?.trigger('keydown', { key: 'F2' });
    await nextTick();
    const input = () => document.querySelector<HTMLInputElement>('.quick-edit input');
    const type = (text: string) => {
      const now = input();
      if (now) {
        now.value = text;
        now.dispatchEvent(new Event('input'));
        now.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      }
    };
    expect(document.querySelector('.quick-edit')?.getAttribute('aria-label')).toBe('Change Rise of Lock 2');
    type('11');
    await flushPromises();
    expect(document.querySelector('.quick-edit [role=alert]')?.textContent).toBe('Rise is at most 10.');
    expect(input()?.value).toBe('11');
    type('9');
    await flushPromises();
    expect(store.mock.calls.map(([record, field, value]) => [record.id, field.key, value])).toEqual([
      [2, 'rise', '11'],
      [2, 'rise', '9'],
    ]);
    expect(document.querySelector('.quick-edit')).toBeNull();
    made.unmount();
  });

  it('stores what was typed where somebody clicks elsewhere, and asks nothing where nothing was', async () => {
    const made = table(3);
    await nextTick();
    const edit = async () => {
      await made.findAll('tbody tr')[1]?.trigger('keydown', { key: 'F2' });
      await flushPromises();
      return document.querySelector<HTMLInputElement>('.quick-edit input');
    };
    const elsewhere = async () => {
      for (const type of ['mousedown', 'mouseup', 'click']) {
        document.body.dispatchEvent(new MouseEvent(type, { bubbles: true }));
      }
      await flushPromises();
    };
    store.mockClear();
    await edit();
    await elsewhere();
    expect(document.querySelector('.quick-edit')).toBeNull();
    expect(store).not.toHaveBeenCalled();
    store.mockResolvedValueOnce('Rise is at most 10.');
    const input = await edit();
    if (input) {
      input.value = '11';
      input.dispatchEvent(new Event('input'));
    }
    await elsewhere();
    expect(store.mock.calls.map((call) => call[2])).toEqual(['11']);
    expect(document.querySelector<HTMLInputElement>('.quick-edit input')?.value).toBe('11');
    expect(document.querySelector('.quick-edit [role=alert]')?.textContent).toBe('Rise is at most 10.');
    let refuse: (why: string) => void = () => undefined;
    store.mockReset();
    store.mockReturnValueOnce(new Promise<string>((done) => (refuse = done))).mockResolvedValueOnce('');
    await elsewhere();
    await made.findAll('tbody tr')[2]?.trigger('keydown', { key: 'F2' });
    await nextTick();
    // what is typed is not taken for a value of the other record
    expect(document.querySelector('.quick-edit')?.getAttribute('aria-label')).toBe('Change Rise of Lock 2');
    refuse('Rise is at most 10.');
    await flushPromises();
    expect(document.querySelector('.quick-edit')?.getAttribute('aria-label')).toBe('Change Rise of Lock 2');
    expect(document.querySelector<HTMLInputElement>('.quick-edit input')?.value).toBe('11');
    await elsewhere();
    expect(store.mock.calls.map((call) => call[2])).toEqual(['11', '11']);
    expect(document.querySelector('.quick-edit')).toBeNull();
    made.unmount();
  });

  it('draws a column wider by its edge and keeps it', async () => {
    const made = table(3);
    await nextTick();
    const edge = () => made.find('[role=separator][aria-label="Width of the column Rise"]');
    const before = Number(edge().attributes('aria-valuenow'));
    await edge().trigger('keydown', { key: 'ArrowRight' });
    expect(Number(edge().attributes('aria-valuenow'))).toBe(before + 16);
    made.unmount();
    const again = table(3);
    await nextTick();
    const kept = again.find('[role=separator][aria-label="Width of the column Rise"]');
    expect(Number(kept.attributes('aria-valuenow'))).toBe(before + 16);
    await kept.trigger('keydown', { key: 'Home' });
    expect(Number(kept.attributes('aria-valuenow'))).toBe(before);
    again.unmount();
  });

  it('keeps only rows in sight in the page, and says how many there are', () => {
    const made = table(5_000);
    expect(made.findAll('tbody tr').length).toBeLessThan(200);
    expect(made.find('table').attributes('aria-rowcount')).toBe('5001');
    made.unmount();
  });

  it('picks with space, ranges with shift, all with Ctrl+A, and opens with Enter', async () => {
    const made = table(6);
    await nextTick();
    const rows = made.findAll('tbody tr');
    expect(rows).toHaveLength(6);
    await rows[0]?.trigger('keydown', { key: ' ' });
    expect([...made.props('picked')]).toEqual([1]);
    await rows[0]?.trigger('keydown', { key: 'a', ctrlKey: true });
    expect([...made.props('picked')]).toHaveLength(6);
    await rows[1]?.trigger('keydown', { key: 'Enter' });
    expect(made.emitted('open')).toEqual([[2]]);
    made.unmount();
  });
});

describe('a list', () => {
  it('asks for the columns of the definition, and goes on where the page before ended', async () => {
    const asked = server({
      'GET /api/record-parts': () => [],
      'GET /api/sites/s/types/lock/records': (url) =>
        url.searchParams.get('after') ? { records: [record(3)] } : { records: [record(1), record(2)], next: 'there' },
      'GET /api/sites/s/types/lock/count': () => ({ records: 3, exact: true }),
    });
    const list = living(() =>
      useRecordList(
        () => 's',
        () => recordType,
      ),
    );
    await flushPromises();
    expect(asked.some((each) => each.includes('/records?') && each.includes('fields=f1'))).toBe(true);
    expect(list.count.value).toEqual({ records: 3, exact: true });
    list.more();
    await flushPromises();
    expect(list.records.value.map((each) => each.id)).toEqual([1, 2, 3]);
    list.more();
    await flushPromises();
    expect(asked.filter((each) => each.includes('after=there'))).toHaveLength(1);
  });

  it('is as it was when a view is shown again', async () => {
    server({ 'GET /api/record-parts': () => [], 'GET /api/sites/s/types/lock/records': () => ({ records: [] }) });
    const list = living(() =>
      useRecordList(
        () => 's',
        () => recordType,
      ),
    );
    const view = { search: 'low', filter: [], order: '-f1', columns: ['f2'] };
    list.show(view);
    await flushPromises();
    expect(list.current()).toEqual(view);
    expect(list.shown.value.map((field) => field.key)).toEqual(['keeper']);
  });

  it('says what the server refuses', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(JSON.stringify({ detail: 'Lists cannot be sorted by Keeper.' }), {
          status: 422,
          headers: { 'Content-Type': 'application/problem+json' },
        }),
      ),
    );
    const list = living(() =>
      useRecordList(
        () => 's',
        () => recordType,
      ),
    );
    await flushPromises();
    expect(list.problem.value).toBe('Lists cannot be sorted by Keeper.');
  });
});

describe('views of a list', () => {
  it('are kept on the server under a name, and shown and dropped again', async () => {
    let kept: { name: string; content: string; by: string }[] = [];
    server({
      'GET /api/sites/s/types/lock/views': () => kept,
      'PUT /api/sites/s/types/lock/views': () => {
        kept = [{ name: 'Mine', content: '{"search":"x","filter":[],"order":"","columns":[]}', by: 'ben' }];
        return undefined;
      },
      'DELETE /api/sites/s/types/lock/views': () => {
        kept = [];
        return undefined;
      },
    });
    Object.assign(useSession(), { name: 'ben', role: 'editor' });
    const made = mount(ListTools, {
      props: {
        site: 's',
        recordType,
        fields,
        current: () => ({ search: 'x', filter: [], order: '', columns: [] }),
        modelValue: ['f1'],
      },
      global,
      attachTo: document.body,
    });
    await flushPromises();
    expect(made.findComponent(Choice).exists()).toBe(false);
    await made.find('button').trigger('click');
    await flushPromises();
    const panel = () => new DOMWrapper(document.body).find('.menu-panel');
    await vi.waitUntil(() => panel().exists());
    await panel().find('input[maxlength]').setValue(' Mine ');
    await panel().find('button').trigger('click');
    await flushPromises();
    await choose(made, 'Mine');
    expect(made.emitted('show')?.[0]).toEqual([{ search: 'x', filter: [], order: '', columns: [] }]);
    await panel().findAll('button')[1]?.trigger('click');
    await flushPromises();
    expect(made.findComponent(Choice).exists()).toBe(false);
    made.unmount();
  });
});

describe('tokens of a site', () => {
  it('show a secret once, and what each may do', async () => {
    const token = { id: 1, name: 'Importer', role: 'editor', createdBy: 'anna', createdAt: '2026-11-25T10:00:00Z' };
    let all: object[] = [];
    server({
      'GET /api/sites/s/tokens': () => all,
      'POST /api/sites/s/tokens': () => {
        all = [token];
        return { token, secret: 'shown-once' };
      },
    });
    const Around = defineComponent({
      props: { site: { type: String, required: true } },
      setup: (props) => () => h(NDialogProvider, () => h(SiteTokens, { site: props.site })),
    });
    const made = mount(Around, { props: { site: 's' }, global });
    await flushPromises();
    await made.find('#token-name').setValue('Importer');
    await made.find('form').trigger('submit');
    await flushPromises();
    expect(made.find('code').text()).toBe('shown-once');
    expect(made.text()).toContain('read and write');
    expect(made.text()).toContain('never');
    await made.setProps({ site: 'other' });
    await flushPromises();
    expect(made.find('code').exists()).toBe(false);
  });
});
