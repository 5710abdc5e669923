export type MomentKind = 'date' | 'time' | 'date_time';
type Part = 'day' | 'month' | 'year';

/** How somebody writes days: the order of its parts and what stands between them. */
export interface Habits {
  order: Part[];
  between: string;
  months: string[];
}

/** A two-digit year means one of the last eighty or the next twenty. */
const AHEAD = 20;

export function habitsOf(locale: string): Habits {
  const parts = new Intl.DateTimeFormat(locale, { year: 'numeric', month: '2-digit', day: '2-digit' }).formatToParts();
  const order = parts.map((part) => part.type).filter((type): type is Part => ['day', 'month', 'year'].includes(type));
  const month = new Intl.DateTimeFormat(locale, { month: 'long', timeZone: 'UTC' });
  return {
    order,
    between: parts.find((part) => part.type === 'literal')?.value.trim() || '/',
    months: Array.from({ length: 12 }, (_, at) => month.format(Date.UTC(2000, at, 1)).toLowerCase()),
  };
}

const two = (number: number | string) => String(number).padStart(2, '0');
const ENGLISH = habitsOf('en').months;

function monthOf(word: string, habits: Habits): number {
  const named = (names: string[]) =>
    word.length < 3 ? -1 : names.findIndex((name) => name.startsWith(word.replace(/\.$/, '')));
  return Math.max(named(habits.months), named(ENGLISH)) + 1;
}

function fullYear(text: string, now: number): number {
  const year = Number(text);
  if (text.length > 2) {
    return year;
  }
  const century = Math.floor(now / 100) * 100;
  return century + year > now + AHEAD ? century - 100 + year : century + year;
}

function day(year: number, month: number, date: number): string | undefined {
  const real = new Date(0);
  real.setUTCFullYear(year, month - 1, date);
  return year >= 1 && year <= 9999 && real.getUTCMonth() === month - 1 && real.getUTCDate() === date
    ? `${String(year).padStart(4, '0')}-${two(month)}-${two(date)}`
    : undefined;
}

function readDate(text: string, habits: Habits): string | undefined {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  if (iso) {
    return day(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  }
  let words: string[] = text.toLowerCase().match(/\d+|[\p{L}]+\.?/gu) ?? [];
  if (words.length === 1 && /^\d{8}$/.test(text)) {
    let at = 0;
    words = habits.order.map((part) => text.slice(at, (at += part === 'year' ? 4 : 2)));
  }
  const name = words.findIndex((word) => /^\p{L}/u.test(word));
  if (words.length !== 3) {
    return undefined;
  }
  const now = new Date().getFullYear();
  if (name >= 0) {
    const [first = '', second = ''] = words.filter((_, at) => at !== name);
    const [date, year] = first.length > 2 ? [second, first] : [first, second];
    return /^\d+$/.test(first + second)
      ? day(fullYear(year, now), monthOf(words[name] ?? '', habits), Number(date))
      : undefined;
  }
  const at = (part: Part) => words[habits.order.indexOf(part)] ?? '';
  return day(fullYear(at('year'), now), Number(at('month')), Number(at('day')));
}

function readTime(text: string): string | undefined {
  const found = /^(\d{1,2})(?:[:.h\s]?(\d{2}))?(?::\d{2})?\s*([ap])?\.?m?\.?$/i.exec(text.trim());
  if (!found) {
    return undefined;
  }
  const half = found[3]?.toLowerCase();
  const hour = Number(found[1]);
  const hours = half === 'p' && hour < 12 ? hour + 12 : half === 'a' && hour === 12 ? 0 : hour;
  const minutes = Number(found[2] ?? 0);
  const isTime = hours < 24 && minutes < 60 && (half === undefined || (hour >= 1 && hour <= 12));
  return isTime ? `${two(hours)}:${two(minutes)}` : undefined;
}

/** What was typed as it is stored (`2026-06-01`, `09:30`, `2026-06-01T09:30`), or undefined where it cannot be read. */
export function readMoment(kind: MomentKind, typed: string, habits: Habits): string | undefined {
  const text = typed.trim();
  if (kind === 'date') {
    return readDate(text, habits);
  }
  if (kind === 'time') {
    return readTime(text);
  }
  const found = /^(.*?)[T,\s]+(\d{1,2}(?:[:.h]?\d{2})?(?::\d{2})?\s*(?:[ap]\.?m\.?)?)$/i.exec(text);
  const date = readDate((found?.[1] ?? '').trim(), habits);
  const time = readTime(found?.[2] ?? '');
  return date && time ? `${date}T${time}` : undefined;
}

/** A stored moment as somebody writes it; anything else as it is. */
export function showMoment(kind: MomentKind, stored: string, habits: Habits): string {
  const found = /^(?:(\d{4})-(\d{2})-(\d{2}))?T?(\d{2}:\d{2})?(?::\d{2}(?:\.\d+)?)?$/.exec(stored);
  if (!found || stored === '') {
    return stored;
  }
  const [, year = '', month = '', date = '', time = ''] = found;
  const parts = { year, month, day: date };
  const shown = year ? habits.order.map((part) => parts[part]).join(habits.between) : '';
  return kind === 'date' ? shown : kind === 'time' ? time : `${shown} ${time}`.trim();
}

/** How the person writes a moment, in letters: nobody takes them for a value. */
export function patternOf(kind: MomentKind, habits: Habits): string {
  const letters = { day: 'DD', month: 'MM', year: 'YYYY' };
  const day = habits.order.map((part) => letters[part]).join(habits.between);
  return kind === 'time' ? 'hh:mm' : kind === 'date' ? day : `${day} hh:mm`;
}
