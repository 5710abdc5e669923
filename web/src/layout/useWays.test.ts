import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { effectScope, ref } from 'vue';
import { useWays } from './useWays';

/** Answers that come when the test lets them, by the type they are about. */
const answers = new Map<string, () => void>();

function slowServer(request: Request): Promise<Response> {
  const type = new URL(request.url).searchParams.get('type') ?? '';
  return new Promise((answer) => {
    answers.set(type, () => {
      answer(Response.json([{ path: `title_of_${type}`, label: 'Title', block: 'field' }]));
    });
  });
}

const answered = async (type: string): Promise<void> => {
  await vi.waitFor(() => {
    expect(answers.has(type)).toBe(true);
  });
  answers.get(type)?.();
  await new Promise((resolve) => setTimeout(resolve, 0));
};

beforeEach(() => {
  setActivePinia(createPinia());
  answers.clear();
  vi.stubGlobal('fetch', slowServer);
});

afterEach(() => {
  vi.unstubAllGlobals();
});

it('never offers what another type has, however late the answer comes', async () => {
  const type = ref('boat');
  const scope = effectScope();
  const ways = scope.run(() =>
    useWays(
      () => type.value,
      () => [],
    ),
  );
  await answered('boat');
  await vi.waitFor(() => {
    expect(ways?.value.get('')?.[0]?.path).toBe('title_of_boat');
  });
  type.value = 'lock';
  expect(ways?.value.get('')).toBeUndefined();
  await answered('lock');
  await vi.waitFor(() => {
    expect(ways?.value.get('')?.[0]?.path).toBe('title_of_lock');
  });
  scope.stop();
});
