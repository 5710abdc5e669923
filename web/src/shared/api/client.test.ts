import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { api, ApiError, ask, onSignedOut, sessionBegins } from './client';

const params = { path: { site: 'trial', sort: 'types', key: 'tree' } };
const body = { version: 0, state: 'draft', values: {} };
const add = () => ask(api.POST('/api/sites/{site}/{sort}/{key}/records', { params, body }));

let keys: (string | null)[];
let lost: number;
beforeEach(() => {
  vi.useFakeTimers();
  keys = [];
  lost = 0;
  vi.stubGlobal('fetch', (request: Request) => {
    keys.push(request.headers.get('Idempotency-Key'));
    return lost-- > 0 ? Promise.reject(new TypeError('network')) : Promise.resolve(Response.json({ ok: true }));
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

it('sends a change whose answer was lost again under the same key', async () => {
  lost = 2;
  const answer = add();
  await vi.advanceTimersByTimeAsync(2_000);
  expect(await answer).toEqual({ ok: true });
  expect(keys).toHaveLength(3);
  expect(new Set(keys).size).toBe(1);
  expect(keys[0]).toBeTruthy();
});

it('gives each change a key of its own, and reads none', async () => {
  await add();
  await add();
  await ask(api.GET('/api/workspaces'));
  expect(new Set(keys).size).toBe(3);
  expect(keys[2]).toBeNull();
});

it('says in the end that the server cannot be reached', async () => {
  lost = 9;
  const answer = expect(add()).rejects.toBeInstanceOf(ApiError);
  await vi.advanceTimersByTimeAsync(2_000);
  await answer;
  expect(keys).toHaveLength(3);
});

it('takes a late refusal of an earlier session for no end of this one', async () => {
  const ended = vi.fn();
  onSignedOut(ended);
  let refuse: (answer: Response) => void = () => undefined;
  vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => (refuse = resolve)));
  for (const [begins, times] of [
    [true, 0],
    [false, 1],
  ] as const) {
    const asked = ask(api.GET('/api/workspaces')).catch(() => undefined);
    await vi.advanceTimersByTimeAsync(1);
    if (begins) {
      sessionBegins();
    }
    refuse(Response.json({}, { status: 401 }));
    await asked;
    expect(ended).toHaveBeenCalledTimes(times);
  }
  onSignedOut(() => undefined);
});

it('does not send for one person in the session of another', async () => {
  lost = 1;
  const answer = expect(add()).rejects.toBeInstanceOf(ApiError);
  await vi.advanceTimersByTimeAsync(100);
  sessionBegins();
  await vi.advanceTimersByTimeAsync(2_000);
  await answer;
  expect(keys).toHaveLength(1);
});
