import { afterEach, beforeEach, describe, expect, it, vi, type Mock } from 'vitest';
import { effectScope } from 'vue';
import { api } from '@/shared/api/client';
import { useWorkbook } from './useWorkbook';

vi.mock('@/shared/api/client', async (original) => ({
  ...(await original<object>()),
  api: { GET: vi.fn(), PUT: vi.fn() },
  ask: (sent: Promise<unknown>) => sent,
}));
const put = vi.mocked(api.PUT) as unknown as Mock<(...all: unknown[]) => Promise<object>>;
const label = (text: string) => ({ sheets: [{ sheet: 0, name: text, columns: [] }] });
const sent = () => put.mock.calls.map((call) => (call[1] as { body: ReturnType<typeof label> }).body.sheets[0]?.name);

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
    const scope = effectScope();
    const workbook = scope.run(() => useWorkbook('bells', 1));
    workbook?.choose(label('O'), true);
    workbook?.choose(label('Ov'), true);
    await vi.advanceTimersByTimeAsync(400);
    expect(sent()).toEqual(['Ov']);
    workbook?.choose(label('Oven'), true);
    await vi.advanceTimersByTimeAsync(400);
    expect(sent()).toEqual(['Ov']);
    answers[0]?.({ id: 1 });
    await vi.advanceTimersByTimeAsync(0);
    expect(sent()).toEqual(['Ov', 'Oven']);
    expect(workbook?.busy.value).toBe(true);
    answers[1]?.({ id: 1 });
    await vi.advanceTimersByTimeAsync(0);
    expect(workbook?.busy.value).toBe(false);
    scope.stop();
  });

  it('sends what was not sent yet when the page is left', async () => {
    put.mockResolvedValue({ id: 1 });
    const scope = effectScope();
    const workbook = scope.run(() => useWorkbook('bells', 1));
    workbook?.choose(label('Oven'), true);
    scope.stop();
    await vi.advanceTimersByTimeAsync(0);
    expect(sent()).toEqual(['Oven']);
  });
});
