import { same } from './form';

type Values = Record<string, unknown>;
const ROW = '_row';

/**
 * What stands in a form whose values were sent and stored while somebody typed on: fields that nobody touched since are as
 * they were stored, the others as they are typed, with the numbers that their new rows have got.
 */
export function typedOn(sent: Values, now: Values, stored: Values): Values {
  const result: Values = { ...stored };
  for (const key of new Set([...Object.keys(sent), ...Object.keys(now)])) {
    if (!same(now[key], sent[key])) {
      result[key] = numbered(sent[key], now[key], stored[key]);
    }
  }
  return result;
}

function numbered(sent: unknown, now: unknown, stored: unknown): unknown {
  if (Array.isArray(now) && Array.isArray(sent) && Array.isArray(stored) && sent.length === stored.length) {
    const before = sent as unknown[];
    const after = stored as unknown[];
    return now.map((row: unknown, index) => numberedRow(before[index], row, after[index]));
  }
  return isValues(now) && isValues(sent) && isValues(stored) ? typedOn(sent, now, stored) : now;
}

/** Rows are told apart by their numbers; one that was sent without is the one at its place. */
function numberedRow(sent: unknown, now: unknown, stored: unknown): unknown {
  const fresh = isValues(now) && isValues(sent) && isValues(stored) && !(ROW in now) && !(ROW in sent) && ROW in stored;
  return fresh ? { [ROW]: stored[ROW], ...inner(sent, now, stored) } : now;
}

function inner(sent: Values, now: Values, stored: Values): Values {
  return Object.fromEntries(Object.entries(now).map(([key, value]) => [key, numbered(sent[key], value, stored[key])]));
}

function isValues(value: unknown): value is Values {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
