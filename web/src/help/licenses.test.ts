import { info } from '@iconify-json/tabler';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

it('names whose icons are shipped, and under which licence', () => {
  const notice = readFileSync('public/licenses/icons.txt', 'utf8');
  expect(info.license.spdx).toBe('MIT');
  expect(notice).toContain('MIT License');
  for (const said of [info.name, info.author.name, info.author.url ?? '']) {
    expect(notice).toContain(said);
  }
});
