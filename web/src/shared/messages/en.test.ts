import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { kinds } from '../kinds';
import { en } from './en';

function files(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? files(join(folder, entry.name)) : [join(folder, entry.name)],
  );
}

function lookUp(key: string): unknown {
  return key.split('.').reduce<unknown>((at, name) => (at as Record<string, unknown> | undefined)?.[name], en);
}

describe('the message catalogue', () => {
  it('has every text that a component asks for by its whole name', () => {
    const sources = files('src').filter((file) => /\.(vue|ts)$/.test(file) && !file.includes('.test.'));
    const asked = sources.flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/\bt\(\s*'([a-zA-Z0-9_.]+)'/g)].map((match) => match[1] ?? ''),
    );
    expect(asked.length).toBeGreaterThan(80);
    expect(asked.filter((key) => lookUp(key) === undefined)).toEqual([]);
  });

  it('has a word for every kind and every setting', () => {
    for (const [code, info] of Object.entries(kinds)) {
      expect(lookUp(`model.kinds.${code}`)).toBeTypeOf('string');
      for (const setting of Object.keys(info.settings)) {
        expect(lookUp(`model.settings.${setting}`)).toBeTypeOf('string');
      }
    }
  });
});
