import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';
import type { RecordType } from './recordTypes';
import { siteLinks } from './links';

const label = { id: 'part_title', key: 'title', label: 'Name', kind: 'text' };
const height = { id: 'f1', key: 'height', label: 'Height', kind: 'number' };

function recordType(id: string, sort: RecordType['sort'], singular: string, more: object = {}): RecordType {
  return {
    id,
    sort,
    key: singular.toLowerCase(),
    singular,
    plural: `${singular}s`,
    wordings: {},
    under: [],
    definition: {},
    first: [{ field: label }],
    groups: [{ title: '', fields: [{ field: height }] }],
    ...more,
  } as unknown as RecordType;
}

const lock = recordType('t1', 'types', 'Lock', { definition: { taxonomies: [{ use: 'x1', add_terms: true }] } });
const bridge = recordType('t2', 'types', 'Bridge');
const water = recordType('x1', 'taxonomies', 'Water');
const all = [lock, bridge, water];

const toBoth: Field = { id: 'r1', key: 'near', label: 'Near', kind: 'relation', to: ['t1', 't2'] };
const toOne: Field = { id: 'r2', key: 'next', label: 'Next', kind: 'relation', to: ['t2'] };
const terms: Field = { id: 'x', key: 'waters', label: 'Waters', kind: 'term', taxonomy: 'x1' };

/** What the server has, by the key of what holds it; and the questions it was asked. */
let stored: Record<string, Partial<Schemas['RecordView']>[]>;
let asked: { method: string; path: string; query: Record<string, string>; body: unknown }[];
let more: string | undefined;

async function answer(request: Request): Promise<Response> {
  const { pathname, searchParams } = new URL(request.url);
  const query = Object.fromEntries(searchParams);
  const body: unknown = request.method === 'GET' ? undefined : await request.json();
  asked.push({ method: request.method, path: pathname, query, body });
  const records = stored[pathname.split('/')[5] ?? ''] ?? [];
  const id = Number(pathname.split('/')[7] ?? 0);
  if (id) {
    return Response.json({ record: records.find((each) => each.id === id) });
  }
  if (request.method === 'POST') {
    const sent = body as { state: string; values: Record<string, string> };
    const title = sent.values.title ?? sent.values.label;
    return Response.json({ record: { id: 77, title, state: sent.state } });
  }
  const found = query.search
    ? records.filter((each) => each.title?.toLowerCase().includes(query.search?.toLowerCase() ?? ''))
    : records;
  return Response.json({ records: found.slice(0, Number(query.most)), next: more });
}

const links = (of: RecordType = lock) =>
  siteLinks(
    () => 'trial',
    () => of,
    (id) => all.find((each) => each.id === id),
    () => 'tessel',
  );

beforeEach(() => {
  asked = [];
  more = undefined;
  stored = {
    lock: [{ id: 1, title: 'Tidal Lock', state: 'published' }],
    bridge: [
      { id: 2, title: 'Tidal Bridge', state: 'draft' },
      { id: 3, title: 'Mill Bridge', state: 'published' },
    ],
    water: [
      { id: 4, title: 'Tessel', state: 'published' },
      { id: 5, title: 'Upper Tessel', state: 'published', parent: { type: 'x1', id: 4 } },
      { id: 6, title: 'Ouse', state: 'published' },
    ],
  };
  vi.stubGlobal('fetch', answer);
});

afterEach(() => vi.unstubAllGlobals());

describe('what a relation offers', () => {
  it('comes from all its types, which are told apart where there are several', async () => {
    const offers = await links().search(toBoth, 'tidal');
    expect(offers.map(({ label: title, detail }) => [title, detail])).toEqual([
      ['Tidal Lock', 'Lock'],
      ['Tidal Bridge', 'Bridge, draft'],
    ]);
    expect(offers.map(({ value }) => value)).toEqual([
      { type: 't1', id: 1 },
      { type: 't2', id: 2 },
    ]);
    expect((await links().search(toOne, 'mill')).map(({ detail }) => detail)).toEqual(['']);
  });

  it('begins with what was changed last while nothing is typed', async () => {
    await links().search(toOne, '');
    expect(asked[0]?.query).toMatchObject({ order: '-own_updated_at', search: '' });
    await links().search(toOne, 'mill');
    expect(asked[1]?.query.order).toBeUndefined();
  });

  it('is nothing where its types are not installed', async () => {
    expect(await links().search({ ...toOne, to: ['t9'] }, '')).toEqual([]);
    expect(asked).toEqual([]);
  });
});

describe('what a field for terms offers', () => {
  it('stands in the order of the tree, with its depth', async () => {
    const offers = await links().search(terms, '');
    expect(offers.map(({ label: title, depth, value }) => [title, depth, value])).toEqual([
      ['Tessel', 0, 4],
      ['Upper Tessel', 1, 5],
      ['Ouse', 0, 6],
    ]);
  });

  it('is found by a part of its name', async () => {
    expect((await links().search(terms, 'tess')).map((each) => each.label)).toEqual(['Tessel', 'Upper Tessel']);
  });

  it('is found on the server where there are more terms than a tree shows', async () => {
    more = 'cursor';
    stored.water = Array.from({ length: 700 }, (_, i) => ({
      id: i + 1,
      title: `Term ${String(i)}`,
      state: 'published',
    }));
    const offers = await links().search(terms, 'term 699');
    expect(offers.map((each) => each.label)).toEqual(['Term 699']);
  });
});

describe('what is made while a form is filled in', () => {
  it('is a record as a draft, and a term that is there at once', async () => {
    const made = await links().create?.(toOne, 'New Bridge');
    expect(asked[0]).toMatchObject({
      path: '/api/sites/trial/types/bridge/records',
      body: { version: 0, state: 'draft', values: { title: 'New Bridge' } },
    });
    expect(made).toMatchObject({ label: 'New Bridge', value: { type: 't2', id: 77 }, detail: 'draft' });
    expect((await links().create?.(terms, 'Wend'))?.value).toBe(77);
    expect(asked[1]?.body).toEqual({ version: 0, state: 'published', values: { label: 'Wend' } });
  });

  it('is of one type, and a term only where the type lets editors add terms', () => {
    const may = (field: Field, of = lock) => links(of).mayCreate?.(field);
    expect(may(toOne)).toBe(true);
    expect(may(toBoth)).toBe(false);
    expect(may(terms)).toBe(true);
    expect(may(terms, bridge)).toBe(false);
  });
});

describe('what a value leads to', () => {
  it('is called as it was offered, or as the record told', async () => {
    const known = links();
    expect(known.name(toOne, { type: 't2', id: 3 })).toBeUndefined();
    await known.search(toOne, 'mill');
    expect(known.name(toOne, { type: 't2', id: 3 })?.label).toBe('Mill Bridge');
    known.know([{ type: 'x1', id: 4, title: 'Tessel', state: 'retired' } as Schemas['LinkView']], []);
    expect(known.name(terms, 4)).toMatchObject({ label: 'Tessel', detail: 'retired' });
    expect(known.name(toOne, 'not a link')).toBeUndefined();
  });

  it('is opened where it stands', () => {
    expect(links().open?.(toOne, { type: 't2', id: 3 })).toBe('/w/tessel/records/trial/bridge/3');
    expect(links().open?.(terms, 4)).toBe('/w/tessel/records/trial/taxonomies-water/4');
    expect(links().open?.(toOne, { type: 't9', id: 3 })).toBeUndefined();
  });

  it('is previewed by a few of its values, without its title and what is empty', async () => {
    stored.bridge = [{ id: 3, title: 'Mill Bridge', shown: { title: 'Mill Bridge', height: '3.2 m' } }];
    expect(await links().preview?.(toOne, { type: 't2', id: 3 })).toEqual([{ label: 'Height', text: '3.2 m' }]);
    expect(await links().preview?.(toOne, { type: 't9', id: 3 })).toEqual([]);
  });
});

/** A request for an upload, which the test answers. */
class Uploads {
  static last: Uploads;
  upload: { onprogress?: (event: { lengthComputable: boolean; loaded: number; total: number }) => void } = {};
  status = 0;
  responseText = '';
  address = '';
  form: FormData | undefined;
  onload?: () => void;
  onerror?: () => void;
  constructor() {
    Uploads.last = this;
  }
  open(method: string, address: string): void {
    this.address = `${method} ${address}`;
  }
  setRequestHeader(): void {
    // nothing is protected here
  }
  send(form: FormData): void {
    this.form = form;
  }
  answer(status: number, text: string): void {
    this.status = status;
    this.responseText = text;
    this.onload?.();
  }
}

describe('an upload', () => {
  const photo: Field = { id: 'p', key: 'photo', label: 'Photo', kind: 'image' };
  const file = new File(['x'], 'lock.png');
  beforeEach(() => {
    vi.stubGlobal('XMLHttpRequest', Uploads);
  });

  it('tells its progress, and is known afterwards', async () => {
    const parts: number[] = [];
    const known = links();
    const sent = known.upload?.(photo, file, 'A lock', (part) => parts.push(part));
    Uploads.last.upload.onprogress?.({ lengthComputable: true, loaded: 1, total: 4 });
    Uploads.last.upload.onprogress?.({ lengthComputable: false, loaded: 1, total: 0 });
    Uploads.last.answer(201, '{"id": 9, "name": "lock.png"}');
    expect((await sent)?.id).toBe(9);
    expect(parts).toEqual([0.25, 0.5]);
    expect(known.file?.(9)?.name).toBe('lock.png');
    expect(Uploads.last.address).toBe('POST /api/sites/trial/types/lock/fields/p/files');
    expect(Uploads.last.form?.get('alt')).toBe('A lock');
  });

  it('tells why it was refused, whatever the answer looks like', async () => {
    const refused = links().upload?.(photo, file, '', () => undefined);
    Uploads.last.answer(422, '{"detail": "Photo has 9 MB."}');
    await expect(refused).rejects.toThrow('Photo has 9 MB.');
    const odd = links().upload?.(photo, file, '', () => undefined);
    Uploads.last.answer(502, '<html>');
    await expect(odd).rejects.toThrow('502');
    const lost = links().upload?.(photo, file, '', () => undefined);
    Uploads.last.onerror?.();
    await expect(lost).rejects.toThrow('cannot be reached');
  });
});
