import { afterEach, beforeEach, describe, expect, it, vi, type Mock } from 'vitest';
import { effectScope, type EffectScope } from 'vue';
import { api, ApiError } from '@/shared/api/client';
import { chooseColumn, chooseSheet, chosenOf, type Choices } from './choices';
import { useWorkbook } from './useWorkbook';

vi.mock('@/shared/api/client', async (original) => ({
  ...(await original<object>()),
  api: { GET: vi.fn(), PUT: vi.fn() },
  ask: (sent: Promise<unknown>) => sent,
}));
const put = vi.mocked(api.PUT) as unknown as Mock<(...all: unknown[]) => Promise<object>>;
const get = vi.mocked(api.GET) as unknown as Mock<(...all: unknown[]) => Promise<object>>;
const named = (name: string) => (before: Choices) => chooseSheet(before, 0, { name });
const labelled = (column: number, label: string) => (before: Choices) => chooseColumn(before, 0, column, { label });
const told = (chosen: number, choices: Choices = { sheets: [] }) => ({ id: 1, chosen, choices });
const bodies = () => put.mock.calls.map((call) => (call[1] as { body: Choices }).body);
const names = () => bodies().map((body) => body.sheets?.[0]?.name);

async function opened(): Promise<{ scope: EffectScope; workbook: ReturnType<typeof useWorkbook> }> {
  const scope = effectScope();
  get.mockResolvedValue(told(0));
  const workbook = scope.run(() => useWorkbook('bells', 1));
  await workbook?.load();
  return { scope, workbook: workbook as ReturnType<typeof useWorkbook> };
}

beforeEach(() => {
  vi.useFakeTimers();
  put.mockReset();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('a workbook that is looked at', () => {
  it('sends what was typed once there is a pause, and the newest last', async () => {
    const answers: ((view: object) => void)[] = [];
    put.mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
    const { scope, workbook } = await opened();
    workbook.choose(named('O'), true);
    workbook.choose(named('Ov'), true);
    await vi.advanceTimersByTimeAsync(400);
    expect(names()).toEqual(['Ov']);
    workbook.choose(named('Oven'), true);
    await vi.advanceTimersByTimeAsync(400);
    expect(names()).toEqual(['Ov']);
    answers[0]?.(told(1, bodies()[0]));
    await vi.advanceTimersByTimeAsync(0);
    expect(names()).toEqual(['Ov', 'Oven']);
    expect(workbook.choices.value.sheets?.[0]?.name).toBe('Oven');
    expect(workbook.busy.value).toBe(true);
    answers[1]?.(told(2, bodies()[1]));
    await vi.advanceTimersByTimeAsync(0);
    expect(workbook.busy.value).toBe(false);
    scope.stop();
  });

  it('chooses upon what somebody else chose meanwhile', async () => {
    const theirs = chooseColumn({ sheets: [] }, 0, 3, { use: 'skip' });
    put.mockRejectedValueOnce(new ApiError(409, 'chosen meanwhile', [], told(7, theirs)));
    put.mockImplementation((...all) => Promise.resolve(told(8, (all[1] as { body: Choices }).body)));
    const { scope, workbook } = await opened();
    workbook.choose(labelled(2, 'Keeper'));
    await vi.advanceTimersByTimeAsync(0);
    const last = bodies()[1] as Choices;
    expect(chosenOf(last, 0, 3).use).toBe('skip');
    expect(chosenOf(last, 0, 2).label).toBe('Keeper');
    expect((put.mock.calls[1]?.[1] as { params: { query: object } }).params.query).toEqual({ chosen: 7 });
    expect(workbook.problem.value).toBe('');
    scope.stop();
  });

  it('keeps what could not be sent, and sends it a little later', async () => {
    put.mockRejectedValueOnce(new ApiError(0, 'unreachable', [], undefined));
    put.mockImplementation((...all) => Promise.resolve(told(1, (all[1] as { body: Choices }).body)));
    const { scope, workbook } = await opened();
    workbook.choose(labelled(2, 'Keeper'));
    await vi.advanceTimersByTimeAsync(0);
    expect(workbook.problem.value).not.toBe('');
    expect(workbook.busy.value).toBe(true);
    await vi.advanceTimersByTimeAsync(3_000);
    expect(bodies().map((body) => chosenOf(body, 0, 2).label)).toEqual(['Keeper', 'Keeper']);
    expect(workbook.problem.value).toBe('');
    expect(workbook.busy.value).toBe(false);
    scope.stop();
  });

  it('forgets what is refused for good, so that what is chosen next is stored', async () => {
    put.mockRejectedValueOnce(new ApiError(422, 'no such kind', [], undefined));
    put.mockImplementation((...all) => Promise.resolve(told(1, (all[1] as { body: Choices }).body)));
    const { scope, workbook } = await opened();
    workbook.choose(labelled(2, 'Keeper'));
    await vi.advanceTimersByTimeAsync(0);
    expect(workbook.problem.value).toBe('no such kind');
    expect(workbook.choices.value).toEqual({ sheets: [] });
    expect(workbook.busy.value).toBe(false);
    workbook.choose(named('Oven'));
    await vi.advanceTimersByTimeAsync(0);
    expect(chosenOf(bodies()[1] as Choices, 0, 2).label).toBeUndefined();
    expect(names()).toEqual([undefined, 'Oven']);
    expect(workbook.problem.value).toBe('');
    scope.stop();
  });

  it('keeps what was chosen when the session has ended', async () => {
    put.mockRejectedValueOnce(new ApiError(401, 'sign in', [], undefined));
    const { scope, workbook } = await opened();
    workbook.choose(labelled(2, 'Keeper'));
    await vi.advanceTimersByTimeAsync(0);
    expect(chosenOf(workbook.choices.value, 0, 2).label).toBe('Keeper');
    expect(workbook.busy.value).toBe(true);
    scope.stop();
  });

  it('sends what was not sent yet when the page is left', async () => {
    put.mockResolvedValue(told(1));
    const { scope, workbook } = await opened();
    workbook.choose(named('Oven'), true);
    scope.stop();
    await vi.advanceTimersByTimeAsync(0);
    expect(names()).toEqual(['Oven']);
  });
});
