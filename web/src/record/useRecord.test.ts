import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, ref } from 'vue';
import { living } from '@/shared/testing/setup';
import type { RecordType } from './recordTypes';
import { useRecord } from './useRecord';

const recordType = { id: 't1', key: 'mooring', sort: 'types' } as RecordType;

/** A site of a few records whose answers come when the test lets them. */
class Server {
  stored = new Map<number, { version: number; values: Record<string, unknown> }>([
    [1, { version: 1, values: { title: 'One' } }],
    [2, { version: 1, values: { title: 'Two' } }],
  ]);
  writes: { method: string; id: number; values: Record<string, unknown> }[] = [];
  bodies: unknown[] = [];
  refuses: unknown[] = [];
  /** Loses as many requests on the way. */
  losesRequests = 0;
  /** Stores, and loses as many answers on the way. */
  losesAnswers = 0;
  /** Answers by the key of their request. */
  answered = new Map<string, Response>();
  /** What an answer waits for, by the request that it answers. */
  holds = new Map<string, Promise<void>>();

  view(id: number) {
    const { version, values } = this.stored.get(id) ?? { version: 0, values: {} };
    const record = { id, version, values, state: 'draft', slug: '', complete: true, title: '' };
    return { record, links: [], files: [], problems: [], pointers: [], hidden: [], setAside: [] };
  }

  async answer(request: Request): Promise<Response> {
    const path = new URL(request.url).pathname;
    const id = Number(path.split('/').at(-1));
    if (path.startsWith('/api/withdrawals/')) {
      const answer = await this.answered
        .get(path.split('/').at(-1) ?? '')
        ?.clone()
        .json();
      return Response.json({ carriedOut: answer !== undefined, answer: answer as unknown });
    }
    if (path.endsWith('/check')) {
      return Response.json({ problems: [], hidden: [] });
    }
    if (request.method === 'GET') {
      const view = this.view(id);
      await this.holds.get(`GET ${String(id)}`);
      return Response.json(view);
    }
    if (this.losesRequests-- > 0) {
      throw new TypeError('network');
    }
    const known = this.answered.get(request.headers.get('Idempotency-Key') ?? '');
    const answer = known ?? (await this.write(request, id));
    this.answered.set(request.headers.get('Idempotency-Key') ?? '', answer);
    if (this.losesAnswers-- > 0) {
      throw new TypeError('network');
    }
    return answer.clone();
  }

  private async write(request: Request, id: number): Promise<Response> {
    const sent = (await request.json()) as { version: number; values: Record<string, unknown> };
    if (request.method === 'PUT' && sent.version !== this.stored.get(id)?.version) {
      return Response.json({ detail: 'Ben saved this', current: { record: this.view(id) } }, { status: 409 });
    }
    this.bodies.push(sent);
    if (this.refuses.length) {
      return Response.json({ detail: 'Nothing was saved.', problems: this.refuses }, { status: 422 });
    }
    const to = request.method === 'POST' ? 10 + this.writes.filter((each) => each.method === 'POST').length : id;
    this.writes.push({ method: request.method, id: to, values: sent.values });
    await this.holds.get(request.method);
    const rows = sent.values.rows as Record<string, unknown>[] | undefined;
    const numbered = rows?.map((row, index) => ({ _row: 100 + index, ...row }));
    this.stored.set(to, { version: sent.version + 1, values: { ...sent.values, ...(rows ? { rows: numbered } : {}) } });
    return Response.json(this.view(to));
  }
}

let server: Server;
beforeEach(() => {
  localStorage.clear();
  server = new Server();
  vi.stubGlobal('fetch', (request: Request) => server.answer(request));
});
afterEach(() => vi.unstubAllGlobals());

function opened(first: string) {
  const id = ref(first);
  const record = living(() =>
    useRecord(
      () => 'trial',
      () => recordType,
      () => id.value,
    ),
  );
  return { id, record };
}

function type(record: ReturnType<typeof useRecord>, values: Record<string, unknown>): void {
  record.values.value = { ...record.values.value, ...values };
  Object.keys(values).forEach(record.touch);
}

/** Lets go of what waits. */
function held(): { until: Promise<void>; go: () => void } {
  let go: () => void = () => undefined;
  const until = new Promise<void>((resolve) => (go = resolve));
  return { until, go };
}

describe('a record that is worked on', () => {
  it('keeps what is typed while it is being saved', async () => {
    const { record } = opened('1');
    await record.load();
    type(record, { title: 'A', note: 'x' });
    const slow = held();
    server.holds.set('PUT', slow.until);
    const saving = record.save('draft');
    await flushPromises();
    type(record, { title: 'A and on' });
    slow.go();
    await saving;
    expect(record.values.value).toEqual({ title: 'A and on', note: 'x' });
    expect(record.dirty.value).toBe(true);
    const other = opened('1').record;
    await other.load();
    expect(other.found.value?.values.title).toBe('A and on');
    await record.save('draft');
    expect(server.stored.get(1)).toEqual({ version: 3, values: { title: 'A and on', note: 'x' } });
    expect(record.dirty.value).toBe(false);
  });

  it('gives rows that are typed on while they are saved the numbers they got', async () => {
    const { record } = opened('1');
    await record.load();
    type(record, { rows: [{ day: '1' }] });
    const slow = held();
    server.holds.set('PUT', slow.until);
    const saving = record.save('draft');
    await flushPromises();
    type(record, { rows: [{ day: '12' }, { day: '3' }] });
    slow.go();
    await saving;
    expect(record.values.value.rows).toEqual([{ _row: 100, day: '12' }, { day: '3' }]);
  });

  it('asks nothing more once it is closed', async () => {
    vi.useFakeTimers();
    let checks = 0;
    vi.stubGlobal('fetch', (request: Request) => {
      checks += request.url.endsWith('/check') ? 1 : 0;
      return server.answer(request);
    });
    const scope = effectScope();
    const { record } = scope.run(() => opened('1')) as ReturnType<typeof opened>;
    await record.load();
    type(record, { title: 'A' });
    await vi.advanceTimersByTimeAsync(1_000);
    expect(checks).toBe(1);
    type(record, { title: 'B' });
    scope.stop();
    await vi.advanceTimersByTimeAsync(1_000);
    expect(checks).toBe(1);
    vi.useRealTimers();
  });

  it('is published once by a double click, and a new one is made once', async () => {
    const { record } = opened('new');
    await record.load();
    type(record, { title: 'New' });
    const slow = held();
    server.holds.set('POST', slow.until);
    const first = record.save('published');
    const second = record.save('published');
    await flushPromises();
    type(record, { title: 'New and on' });
    const third = record.save('published');
    slow.go();
    await Promise.all([first, second, third]);
    expect(server.writes.map(({ method, id }) => [method, id])).toEqual([
      ['POST', 10],
      ['PUT', 10],
    ]);
    expect(server.stored.get(10)?.values.title).toBe('New and on');
    expect(localStorage.length).toBe(0);
  });

  it('is made once where the answer was lost and somebody typed on', async () => {
    const { record } = opened('new');
    await record.load();
    type(record, { title: 'New' });
    server.losesAnswers = 3;
    expect(await record.save('draft')).toBeUndefined();
    expect(record.sentence.value).not.toBe('');
    type(record, { title: 'New and on' });
    await record.save('draft');
    expect(server.writes.map(({ method, id }) => [method, id])).toEqual([
      ['POST', 10],
      ['PUT', 10],
    ]);
    expect(server.stored.get(10)?.values.title).toBe('New and on');
    expect(record.dirty.value).toBe(false);
    expect(localStorage.length).toBe(0);
  });

  it('never publishes what was mended before it arrived', async () => {
    const { record } = opened('1');
    await record.load();
    type(record, { title: 'With a slip' });
    server.losesRequests = 3;
    await record.save('published');
    type(record, { title: 'Without' });
    await record.save('published');
    expect(server.writes.map(({ values }) => values.title)).toEqual(['Without']);
  });

  it('is made once where the window was closed before the answer came', async () => {
    const closed = opened('new').record;
    await closed.load();
    type(closed, { title: 'New' });
    server.losesAnswers = 3;
    await closed.save('draft');
    const { record } = opened('new');
    await record.load();
    record.takeUnfinished();
    await record.save('draft');
    expect(server.stored.size).toBe(3);
    expect(record.open.value?.record.id).toBe(10);
  });

  it('does not write over what others have saved since something was left unfinished', async () => {
    const closed = opened('1').record;
    await closed.load();
    type(closed, { title: 'Mine' });
    server.stored.set(1, { version: 2, values: { title: 'One', note: 'Of somebody else' } });
    const { record } = opened('1');
    await record.load();
    record.takeUnfinished();
    await record.save('draft');
    expect(record.conflict.value).toBeDefined();
    expect(server.stored.get(1)?.values.note).toBe('Of somebody else');
    record.merge({ title: 'Mine', note: 'Of somebody else' });
    await record.save('draft');
    expect(server.stored.get(1)).toEqual({ version: 3, values: { title: 'Mine', note: 'Of somebody else' } });
  });

  it('leaves what is on its way to whoever opens the record next', async () => {
    const scope = effectScope();
    const left = scope.run(() => opened('1').record);
    await left?.load();
    type(left as ReturnType<typeof useRecord>, { title: 'Sent' });
    const slow = held();
    server.holds.set('PUT', slow.until);
    const late = left?.save('draft');
    await flushPromises();
    type(left as ReturnType<typeof useRecord>, { title: 'Sent and on' });
    scope.stop();
    const { record } = opened('1');
    await record.load();
    slow.go();
    await late;
    record.takeUnfinished();
    await record.save('draft');
    expect(record.conflict.value).toBeUndefined();
    expect(server.writes.map(({ values }) => values.title)).toEqual(['Sent', 'Sent and on']);
    expect(record.dirty.value).toBe(false);
  });

  it('keeps a moment that was typed, and offers it after the window was closed', async () => {
    const scope = effectScope();
    const record = scope.run(() => opened('1').record) as ReturnType<typeof useRecord>;
    await record.load();
    record.place.retireAt = '2199-01-01T09:00';
    record.touch('own');
    scope.stop();
    await flushPromises();
    const later = opened('1').record;
    await later.load();
    expect(later.place.retireAt).toBe('');
    later.takeUnfinished();
    expect(later.place.retireAt).toBe('2199-01-01T09:00');
    await later.save('draft');
    expect(server.bodies.at(-1)).toMatchObject({ retireAt: '2199-01-01T09:00:00Z' });
  });

  it('does not send a moment that cannot be read, and says which', async () => {
    const { record } = opened('1');
    await record.load();
    record.place.retireAt = 'next summer';
    expect(await record.save('published')).toBeUndefined();
    expect(server.writes).toEqual([]);
    expect(record.shownProblems.value.map((each) => each.path)).toEqual(['retire_at']);
    record.place.retireAt = '2199-01-01T09:00';
    await record.save('published');
    expect(server.writes.length).toBe(1);
  });

  it('goes on saying what saving was refused for until that is changed', async () => {
    const { record } = opened('1');
    await record.load();
    server.refuses = [{ path: 'retire_at', required: false, sentence: 'Later.' }];
    record.place.retireAt = '2020-01-01T09:00';
    record.touch('own');
    await record.save('published');
    await new Promise((resolve) => setTimeout(resolve, 300)); // until what was typed before is checked
    expect(record.shownProblems.value.map((each) => each.sentence)).toEqual(['Later.']);
    record.place.retireAt = '2199-01-01T09:00';
    record.touch('own');
    await vi.waitFor(() => expect(record.shownProblems.value).toEqual([]));
  });

  it('keeps my moment and address where both changed the record', async () => {
    const { record } = opened('1');
    await record.load();
    server.stored.set(1, { version: 2, values: { title: 'Theirs' } });
    record.place.retireAt = '2199-01-01T09:00';
    record.touch('own');
    await record.save('draft');
    expect(record.conflict.value).toBeDefined();
    record.merge({ title: 'Theirs' });
    await record.save('draft');
    expect(server.bodies.at(-1)).toMatchObject({ version: 2, retireAt: '2199-01-01T09:00:00Z' });
  });

  it('does not offer later what was stored long ago', async () => {
    const closed = opened('1').record;
    await closed.load();
    type(closed, { title: 'A' });
    server.stored.set(1, { version: 2, values: { title: 'A' } });
    await opened('1').record.load();
    server.stored.set(1, { version: 3, values: { title: 'A and more' } });
    const { record } = opened('1');
    await record.load();
    expect(record.found.value).toBeUndefined();
  });

  it('does not clash with what it sent itself', async () => {
    const { record } = opened('1');
    await record.load();
    type(record, { title: 'A' });
    server.losesAnswers = 3;
    await record.save('draft');
    server.answered.clear();
    await record.save('draft');
    expect(record.conflict.value).toBeUndefined();
    expect(record.dirty.value).toBe(false);
    expect(server.stored.get(1)).toEqual({ version: 2, values: { title: 'A' } });
  });

  it('is not filled by an answer that was asked for another', async () => {
    const { id, record } = opened('1');
    const slow = held();
    server.holds.set('GET 1', slow.until);
    const late = record.load();
    await flushPromises();
    id.value = '2';
    await record.load();
    slow.go();
    await late;
    expect(record.open.value?.record.id).toBe(2);
    expect(record.values.value.title).toBe('Two');
  });

  it('is not filled by a save that was begun in another', async () => {
    const { id, record } = opened('1');
    await record.load();
    type(record, { title: 'A' });
    const slow = held();
    server.holds.set('PUT', slow.until);
    const late = record.save('draft');
    await flushPromises();
    id.value = '2';
    await record.load();
    slow.go();
    await late;
    expect(record.values.value.title).toBe('Two');
    expect(server.stored.get(1)?.values.title).toBe('A');
    expect(record.found.value).toBeUndefined();
  });

  it('shares nothing with another window', async () => {
    const mine = opened('new').record;
    await mine.load();
    type(mine, { title: 'Mine' });
    const theirs = opened('new').record;
    await theirs.load();
    expect(theirs.found.value?.values.title).toBe('Mine');
    type(theirs, { title: 'Theirs' });
    expect(theirs.found.value?.values.title).toBe('Mine');
    theirs.takeUnfinished();
    expect(theirs.values.value.title).toBe('Mine');
    expect(theirs.found.value?.values.title).toBe('Theirs');
    const third = opened('new').record;
    await third.load();
    third.dropUnfinished();
    expect(third.found.value).toBeDefined();
    third.dropUnfinished();
    expect(third.found.value).toBeUndefined();
  });

  it('offers everything that was left unfinished, one after the other', async () => {
    for (const title of ['First', 'Second']) {
      const { record } = opened('new');
      await record.load();
      type(record, { title });
    }
    const { record } = opened('new');
    await record.load();
    const offered = [String(record.found.value?.values.title)];
    record.dropUnfinished();
    offered.push(String(record.found.value?.values.title));
    record.dropUnfinished();
    expect(offered.sort()).toEqual(['First', 'Second']);
    expect(record.found.value).toBeUndefined();
  });
});
