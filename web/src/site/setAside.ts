import type { Schemas } from '@/shared/api/client';
import { askOnce } from '@/shared/api/queries';
import { unconvertedValues } from './queries';

type Given = Schemas['DecisionBody'];

/** As many corrections as an answer can have. */
const MOST = 2000;

/**
 * What is set aside is set aside value by value, as far as all values can be told: a site with other values asks about those.
 * Where there are too many, the answer holds for whatever turns up.
 */
export async function valueByValue(site: string, version: string, given: Given): Promise<Given> {
  if (given.about !== 'UNCONVERTED' || given.answer !== 'SET_ASIDE') {
    return given;
  }
  // those that the list shows: what turned up since then, nobody has seen
  const found = await askOnce(unconvertedValues(site, version, given.field));
  const corrected = (given.corrections ?? []).filter(({ to }) => to !== '');
  const known = new Set(corrected.map(({ from }) => from));
  const aside = found.values.filter(({ text }) => !known.has(text)).map(({ text }) => ({ from: text, to: '' }));
  const all = [...corrected, ...aside];
  const whole = aside.length > 0 && !found.more && found.distinct <= found.values.length && all.length <= MOST;
  return whole ? { ...given, answer: 'CORRECT', corrections: all } : { ...given, corrections: corrected };
}
