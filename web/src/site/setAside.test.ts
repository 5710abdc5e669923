import { beforeEach, expect, it, vi } from 'vitest';
import { queryClient } from '@/shared/api/queries';
import { valueByValue } from './setAside';

let found = {
  values: [
    { text: 'n/a', records: 3 },
    { text: 'about 12', records: 1 },
  ],
  distinct: 2,
  more: false,
};
const given = {
  field: 'frise',
  about: 'UNCONVERTED',
  answer: 'SET_ASIDE',
  value: '',
  corrections: [{ from: 'about 12', to: '12' }],
} as const;
const said = { ...given, corrections: [...given.corrections] };

beforeEach(() => {
  queryClient.clear();
  vi.stubGlobal('fetch', () =>
    Promise.resolve(new Response(JSON.stringify(found), { headers: { 'content-type': 'application/json' } })),
  );
});

it('holds for the values that are there, so that others are asked about', async () => {
  expect(await valueByValue('w/s', '2.0.0', said)).toEqual({
    ...said,
    answer: 'CORRECT',
    corrections: [
      { from: 'about 12', to: '12' },
      { from: 'n/a', to: '' },
    ],
  });
});

it('holds for whatever there is where not all values can be told, or none are there', async () => {
  found = { ...found, distinct: 700 };
  expect(await valueByValue('w/s', '2.0.0', said)).toEqual(said);
  queryClient.clear();
  found = { values: [], distinct: 0, more: false };
  expect(await valueByValue('w/s', '2.0.0', said)).toEqual(said);
});

it('leaves other answers as they are', async () => {
  const other = { ...said, answer: 'CORRECT' as const };
  expect(await valueByValue('w/s', '2.0.0', other)).toBe(other);
});
