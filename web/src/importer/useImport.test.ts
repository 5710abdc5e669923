import { afterEach, beforeEach, describe, expect, it, vi, type Mock } from 'vitest';
import { effectScope, nextTick } from 'vue';
import { api, ApiError } from '@/shared/api/client';
import { useImport } from './useImport';

vi.mock('@/shared/api/client', async (original) => ({
  ...(await original<object>()),
  api: { GET: vi.fn(), PUT: vi.fn(), POST: vi.fn() },
  ask: (sent: Promise<unknown>) => sent,
}));
type Asking = Mock<(path: string, ...rest: unknown[]) => Promise<object>>;
const get = vi.mocked(api.GET) as unknown as Asking;
const post = vi.mocked(api.POST) as unknown as Asking;
const progress = (state: string, done = 0) => ({ id: 1, state, done, total: 10, revision: 0, phase: '' });
const details = (state: string) => ({ progress: progress(state), sheets: [], mapping: { sheets: [] }, problems: [] });

beforeEach(() => {
  vi.useFakeTimers();
  get.mockReset();
  post.mockReset();
});
afterEach(() => {
  vi.useRealTimers();
});

async function opened(state: string) {
  const scope = effectScope();
  get.mockResolvedValueOnce(details(state));
  const rows = scope.run(() => useImport('bells', 1)) as ReturnType<typeof useImport>;
  await rows.load();
  await nextTick();
  return { scope, rows };
}

describe('rows on their way to a site', () => {
  it('are looked after while the server works on them, and told once it has ended', async () => {
    const { scope, rows } = await opened('ready');
    post.mockResolvedValueOnce(progress('trying'));
    expect(await rows.work('try')).toBe(true);
    await nextTick();
    expect(rows.isWorking.value).toBe(true);
    get.mockResolvedValueOnce(progress('trying', 4));
    await vi.advanceTimersByTimeAsync(800);
    expect(rows.progress.value?.done).toBe(4);
    get.mockResolvedValueOnce(progress('tried', 10)).mockResolvedValueOnce(details('tried'));
    await vi.advanceTimersByTimeAsync(800);
    expect(rows.progress.value?.state).toBe('tried');
    expect(rows.isOpen.value).toBe(true);
    const asked = get.mock.calls.length;
    await vi.advanceTimersByTimeAsync(5_000);
    expect(get.mock.calls.length, 'nothing is asked any more').toBe(asked);
    scope.stop();
  });

  it('that were under way when somebody came back are looked after too', async () => {
    const { scope, rows } = await opened('running');
    get.mockResolvedValueOnce(progress('running', 7));
    await vi.advanceTimersByTimeAsync(800);
    expect(rows.progress.value?.done).toBe(7);
    scope.stop();
  });

  it('say why they cannot be worked on, and how they are now', async () => {
    const { scope, rows } = await opened('tried');
    post.mockRejectedValueOnce(new ApiError(409, 'Another import is under way.', [], undefined));
    get.mockResolvedValueOnce(details('running'));
    expect(await rows.work('run')).toBe(false);
    expect(rows.refused.value).toBe('Another import is under way.');
    expect(rows.progress.value?.state).toBe('running');
    scope.stop();
  });

  it('are asked for again after no answer came', async () => {
    const { scope, rows } = await opened('running');
    get.mockRejectedValueOnce(new ApiError(0, 'No answer.', [], undefined));
    await vi.advanceTimersByTimeAsync(800);
    expect(rows.problem.value).toBe('No answer.');
    get.mockResolvedValueOnce(progress('done')).mockResolvedValueOnce(details('done'));
    await vi.advanceTimersByTimeAsync(800);
    expect(rows.problem.value).toBe('');
    expect(rows.progress.value?.state).toBe('done');
    scope.stop();
  });
});
