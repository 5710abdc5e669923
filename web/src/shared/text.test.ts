import { expect, it } from 'vitest';
import { textOf } from './text';

it.each([
  ['Lock', 'Lock'],
  [2.5, '2.5'],
  [false, 'false'],
  [undefined, ''],
  [null, ''],
  [{ lat: 1 }, '{"lat":1}'],
  [['a', 'b'], '["a","b"]'],
])('reads %j as %s', (value, text) => {
  expect(textOf(value)).toBe(text);
});
