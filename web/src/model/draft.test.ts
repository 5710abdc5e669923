import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Defined } from '@/shared/definitions';
import type { ContentType } from '@/shared/kinds';
import { drawing } from '@/shared/testing/draw';
import { useDraft } from './draft';

const mooring: ContentType = { id: 't1', key: 'mooring', singular: 'Mooring', plural: 'Moorings', path: 'moorings' };

/** A server of one definition that can be slow, away, or ahead of the browser. */
class Server {
  definition = mooring;
  revision = 1;
  away = false;
  refuse: string | undefined;
  puts: ContentType[] = [];
  joins = false;
  hold: Promise<void> | undefined;
  /** Holds back what is told to whoever asks, which is old by the time it arrives. */
  holdsTelling: Promise<void> | undefined;
  /** Holds back who asks, until it is told what came after. */
  holdsAsking: Promise<void> | undefined;
  holdsAnswer: Promise<void> | undefined;
  /** Revisions that other definitions have brought. */
  elsewhere = 0;
  gone = false;
  refuseOnly: string | undefined;
  bases: number[] = [];
  befores: unknown[] = [];
  /** Stores, and its answer is lost on the way. */
  losesAnswer = false;
  /** How long a request is on its way, and its answer; a negative number of milliseconds loses it. */
  travels: (() => number) | undefined;
  private readonly answered = new Map<string, Response>();

  view() {
    const definitions = this.gone ? [] : [{ sort: 'type', definition: this.definition, revision: this.revision }];
    const empty = { findings: [], changed: [], uses: {} };
    return {
      revision: this.revision + this.elsewhere,
      ids: this.gone ? [] : ['t1'],
      definitions,
      ...empty,
      undo: 'Edit',
      redo: undefined,
    };
  }

  async answer(request: Request): Promise<Response> {
    await this.travel();
    const answer = await this.answerAtOnce(request);
    await this.travel();
    return answer;
  }

  private async travel(): Promise<void> {
    const time = this.travels?.() ?? 0;
    if (time < 0) {
      throw new TypeError('network');
    }
    if (this.travels) {
      await new Promise((resolve) => setTimeout(resolve, time));
    }
  }

  private async answerAtOnce(request: Request): Promise<Response> {
    if (this.away) {
      throw new TypeError('network');
    }
    if (request.method !== 'PUT') {
      await this.holdsAsking;
      const told = request.url.endsWith('/sites') ? [] : this.view();
      await this.holdsTelling;
      return Response.json(told);
    }
    const key = request.headers.get('Idempotency-Key') ?? '';
    const answer = this.answered.get(key) ?? (await this.write(request));
    if (answer.ok) {
      this.answered.set(key, answer);
    }
    if (this.losesAnswer) {
      throw new TypeError('network');
    }
    return answer.clone();
  }

  private async write(request: Request): Promise<Response> {
    const sent = (await request.json()) as {
      base: number;
      before?: unknown;
      sent?: ContentType[];
      definition: ContentType;
    };
    this.bases.push(sent.base);
    this.befores.push(sent.before);
    await this.hold;
    if (this.gone && sent.base > 0) {
      return Response.json({ detail: 'It was removed.' }, { status: 409 });
    }
    if (this.gone) {
      this.gone = false;
      this.revision = 0;
    }
    if (this.refuse && (this.refuseOnly ?? sent.definition.id) === sent.definition.id) {
      return Response.json({ detail: this.refuse }, { status: 422 });
    }
    if (this.joins) {
      this.definition = { ...sent.definition, plural: this.definition.plural };
      this.revision++;
      return Response.json({ merged: true, draft: this.view() });
    }
    if (sent.definition.id !== 't1') {
      this.puts.push(sent.definition);
      return Response.json({ merged: false, draft: this.view() });
    }
    const isOwn = sent.sent?.some((each) => JSON.stringify(each) === JSON.stringify(this.definition)) ?? false;
    if (sent.base !== this.revision && !isOwn) {
      const current = { sort: 'type', definition: this.definition, revision: this.revision };
      return Response.json({ detail: 'Changed elsewhere.', current }, { status: 409 });
    }
    this.puts.push(sent.definition);
    this.definition = sent.definition;
    this.revision++;
    const answer = Response.json({ merged: false, draft: this.view() });
    await this.holdsAnswer;
    return answer;
  }
}

/** How long it takes, in milliseconds, until an edit that the server does not answer is said not to be saved. */
const UNTIL_GIVEN_UP = 2_000;

let server: Server;

beforeEach(() => {
  vi.useFakeTimers();
  server = new Server();
  vi.stubGlobal('fetch', (request: Request) => server.answer(request));
  localStorage.clear();
  setActivePinia(createPinia());
});

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function opened() {
  const draft = useDraft();
  await draft.open('tessel');
  return draft;
}

/** Lets windows know of each other which are open, as a page that is served securely does. */
function windowsAreTold(): void {
  const held = new Set<string>();
  vi.stubGlobal('navigator', {
    locks: {
      request: async (name: string, work: () => Promise<void>) => {
        held.add(name);
        await work();
        held.delete(name);
      },
      query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
    },
  });
}

const called = (singular: string): ContentType => ({ ...mooring, singular });
const named = (singular: string): Defined => ({ sort: 'type', definition: called(singular) });

describe('the draft in the browser', () => {
  it('takes what it sent itself, and got no answer to, for its own', async () => {
    const draft = await opened();
    server.losesAnswer = true;
    draft.edit(named('Be'));
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    await vi.waitFor(() => expect(draft.state).toBe('failed'));
    server.losesAnswer = false;
    draft.edit(named('Berth'));
    await vi.advanceTimersByTimeAsync(5_000);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.definition.singular).toBe('Berth');
    expect(draft.conflict).toBeUndefined();
  });

  it('keeps what is being sent, whatever was told before the server has it', async () => {
    const draft = await opened();
    let tell: () => void = () => undefined;
    server.holdsTelling = new Promise((resolve) => (tell = resolve));
    const telling = draft.refresh();
    let store: () => void = () => undefined;
    server.hold = new Promise((resolve) => (store = resolve));
    draft.edit(named('Be'));
    await vi.advanceTimersByTimeAsync(500);
    tell();
    await telling;
    expect(draft.find('t1')?.definition).toEqual(called('Be'));
    draft.edit(named('Berth'));
    store();
    await vi.advanceTimersByTimeAsync(1_000);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.definition.singular).toBe('Berth');
  });

  it('goes on from what it sent, also where it was told later things before that was answered', async () => {
    const draft = await opened();
    let ask: () => void = () => undefined;
    server.holdsAsking = new Promise((resolve) => (ask = resolve));
    const telling = draft.refresh();
    let answer: () => void = () => undefined;
    server.holdsAnswer = new Promise((resolve) => (answer = resolve));
    draft.edit(named('Be'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(server.definition.singular).toBe('Be'));
    server.elsewhere = 3; // another definition was changed by somebody
    ask();
    await telling;
    answer();
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    draft.edit(named('Berth'));
    await vi.advanceTimersByTimeAsync(1_000);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.bases).toEqual([1, 2]);
    expect(server.definition.singular).toBe('Berth');
  });

  it('sends an edit once typing pauses, and says so', async () => {
    const draft = await opened();
    draft.edit(named('B'));
    draft.edit(named('Berth'));
    expect(draft.state).toBe('saving');
    expect(server.puts).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.puts.map((put) => put.singular)).toEqual(['Berth']);
    expect(draft.undoTitle).toBe('Edit');
  });

  it('keeps what was typed while an answer was on its way', async () => {
    const draft = await opened();
    let release: () => void = () => undefined;
    server.hold = new Promise((resolve) => (release = resolve));
    draft.edit(named('First'));
    await vi.advanceTimersByTimeAsync(500);
    draft.edit(named('Second'));
    server.hold = undefined;
    release();
    await vi.advanceTimersByTimeAsync(1_000);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(draft.types[0]?.singular).toBe('Second');
    expect(server.definition.singular).toBe('Second');
  });

  it('keeps an edit while the server is away and sends it later', async () => {
    const draft = await opened();
    server.away = true;
    draft.edit(named('Berth'));
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    await vi.waitFor(() => expect(draft.state).toBe('failed'));
    expect(draft.why).toContain('cannot be reached');
    expect(draft.types[0]?.singular).toBe('Berth');
    server.away = false;
    await vi.advanceTimersByTimeAsync(4_000);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.definition.singular).toBe('Berth');
  });

  it('does not send again and again what the server refuses, but the next edit goes', async () => {
    const draft = await opened();
    server.refuse = 'Not readable.';
    draft.edit(named(''));
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    await vi.waitFor(() => expect(draft.state).toBe('failed'));
    expect(draft.why).toBe('Not readable.');
    server.refuse = undefined;
    await vi.advanceTimersByTimeAsync(10_000);
    expect(server.puts).toHaveLength(0);
    draft.edit(named('Berth'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(server.definition.singular).toBe('Berth'));
  });

  it('overwrites nobody: the other version is taken or ours kept, as somebody chooses', async () => {
    const draft = await opened();
    server.definition = called('Theirs');
    server.revision = 5;
    draft.edit(named('Mine'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('conflict'));
    expect(server.definition.singular).toBe('Theirs');
    draft.edit(named('Mine still'));
    await vi.advanceTimersByTimeAsync(2_000);
    expect(server.definition.singular).toBe('Theirs');
    await draft.keepMine();
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.definition.singular).toBe('Mine still');

    server.definition = called('Theirs again');
    server.revision = 9;
    draft.edit(named('Mine again'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('conflict'));
    await draft.takeTheirs();
    expect(draft.types[0]?.singular).toBe('Theirs again');
    expect(draft.state).toBe('saved');
  });

  it('takes in what others changed without touching what is being typed', async () => {
    const draft = await opened();
    server.definition = called('Changed there');
    server.revision = 2;
    await draft.refresh();
    expect(draft.types[0]?.singular).toBe('Changed there');
    draft.edit(named('Typed here'));
    await draft.refresh();
    expect(draft.types[0]?.singular).toBe('Typed here');
  });

  it('shows what the server joined of two people', async () => {
    const draft = await opened();
    server.definition = { ...mooring, plural: 'Theirs' };
    server.joins = true;
    draft.edit(named('Mine'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(draft.types[0]).toMatchObject({ singular: 'Mine', plural: 'Theirs' });
    expect(draft.joined).toBe('t1');
  });

  it('takes up in a new window what an old one could not send', async () => {
    const draft = await opened();
    server.away = true;
    draft.edit(named('Typed before the lights went out'));
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    await vi.waitFor(() => expect(draft.state).toBe('failed'));
    await vi.advanceTimersByTimeAsync(10);
    setActivePinia(createPinia());
    server.away = false;
    const again = await opened();
    expect(again.types[0]?.singular).toBe('Typed before the lights went out');
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(server.definition.singular).toBe('Typed before the lights went out'));
    await vi.waitFor(() => expect(localStorage.length).toBe(0));
  });

  it('takes up what another window left, as soon as that is gone and whether or not the server answers', async () => {
    windowsAreTold();
    const gone = await opened();
    setActivePinia(createPinia());
    const draft = await opened();
    server.away = true;
    gone.edit(named('Typed beside'));
    await vi.advanceTimersByTimeAsync(200);
    draft.comeBack().catch(() => undefined);
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    expect(draft.types[0]?.singular).toBe('Mooring');
    gone.$dispose();
    await vi.advanceTimersByTimeAsync(10);
    await draft.takeLeft();
    expect(draft.types[0]?.singular).toBe('Typed beside');
    server.away = false;
    await vi.advanceTimersByTimeAsync(60_000);
    expect(server.definition.singular).toBe('Typed beside');
  });

  it('keeps what was typed when the same workspace is opened again after signing in', async () => {
    const draft = await opened();
    server.away = true;
    draft.edit(named('Kept'));
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    await vi.waitFor(() => expect(draft.state).toBe('failed'));
    server.away = false;
    await draft.open('tessel');
    expect(draft.types[0]?.singular).toBe('Kept');
    await vi.waitFor(() => expect(server.definition.singular).toBe('Kept'));
  });

  async function clash() {
    const draft = await opened();
    server.definition = called('Theirs');
    server.revision = 5;
    draft.edit(named('Mine'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('conflict'));
    return draft;
  }

  it('asks for a choice until there is one, whatever is refreshed or typed meanwhile', async () => {
    const draft = await clash();
    await draft.refresh();
    expect(draft.types[0]?.singular).toBe('Mine');
    draft.edit({ sort: 'list', definition: { id: 'l1', key: 'seasons', title: 'Seasons', options: [] } });
    await vi.advanceTimersByTimeAsync(500);
    expect(draft.state).toBe('conflict');
    server.definition = called('Theirs once more');
    server.revision = 6;
    await draft.takeTheirs();
    expect(draft.types[0]?.singular).toBe('Theirs once more');
  });

  it('lets a new window have what was not sent, also behind a clash', async () => {
    const draft = await clash();
    draft.edit(named('Mine still'));
    await vi.advanceTimersByTimeAsync(500);
    setActivePinia(createPinia());
    const again = await opened();
    expect(again.types[0]?.singular).toBe('Mine still');
  });

  it('leaves a clash to the window that it is open in', async () => {
    windowsAreTold();
    const draft = await clash();
    setActivePinia(createPinia());
    const other = await opened();
    await vi.advanceTimersByTimeAsync(1_000);
    expect(other.types[0]?.singular).toBe('Theirs');
    expect(other.state).toBe('saved');
    draft.$dispose();
    await vi.advanceTimersByTimeAsync(10);
    setActivePinia(createPinia());
    expect((await opened()).types[0]?.singular).toBe('Mine');
  });

  it('makes anew what somebody removed, where mine is kept', async () => {
    const draft = await opened();
    server.gone = true;
    draft.edit(named('Mine'));
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(draft.state).toBe('conflict'));
    await draft.refresh();
    expect(draft.types[0]?.singular).toBe('Mine');
    await draft.keepMine();
    await vi.waitFor(() => expect(draft.state).toBe('saved'));
    expect(server.bases).toEqual([1, 0]);
    expect(server.befores).toEqual([mooring, undefined]);
  });

  it('sends what can be sent although another definition is refused', async () => {
    const draft = await opened();
    server.refuse = 'Not readable.';
    draft.edit(named('Refused'));
    await vi.advanceTimersByTimeAsync(UNTIL_GIVEN_UP);
    await vi.waitFor(() => expect(draft.state).toBe('failed'));
    server.refuseOnly = 't1';
    draft.edit({ sort: 'type', definition: { ...mooring, id: 't2', singular: 'Quay' } });
    await vi.advanceTimersByTimeAsync(500);
    await vi.waitFor(() => expect(server.puts.map((put) => put.singular)).toEqual(['Quay']));
    expect(draft.state).toBe('failed');
    expect(draft.why).toBe('Not readable.');
    expect(localStorage.getItem(localStorage.key(0) ?? '')).toContain('Refused');
  });

  it.each(Array.from({ length: 40 }, (_, seed) => seed + 1))(
    'shows and stores what is typed, whatever the network does (seed %i)',
    async (seed) => {
      const draw = drawing(seed);
      const draft = await opened();
      server.travels = () => (draw(8) === 0 ? -1 : draw(700));
      let typed = '';
      for (let i = 0; i < 60; i++) {
        expect(draft.find('t1')?.definition).toMatchObject({ singular: typed || 'Mooring' });
        switch (draw(5)) {
          case 0:
            draft.refresh().catch(() => undefined);
            break;
          case 1:
            server.elsewhere++;
            break;
          case 2:
            await vi.advanceTimersByTimeAsync(draw(900));
            break;
          default:
            typed += String.fromCharCode(97 + draw(26));
            draft.edit(named(typed));
            await vi.advanceTimersByTimeAsync(draw(150));
        }
      }
      server.travels = undefined;
      await vi.advanceTimersByTimeAsync(60_000);
      expect(draft.state).toBe('saved');
      expect(draft.find('t1')?.definition).toEqual(called(typed));
      expect(server.definition).toEqual(called(typed));
    },
  );
});
