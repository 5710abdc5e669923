import { i18n } from '@/shared/i18n';
import type { Schemas } from '@/shared/api/client';

export type Ask = Schemas['AskView'];

/** What tells questions of a plan apart. */
export const keyOf = (ask: Ask): string => `${ask.fieldId} ${ask.about}`;

/** What a question is about, in a few words. */
export function about(ask: Ask): string {
  return i18n.global.t(`plan.about.${ask.about}`, { label: ask.label });
}

/** What to leave something is called where it is not to mark records incomplete. */
export const LEAVES: Partial<Record<string, string>> = {
  held_values: 'site.leaveHeld',
  sources: 'site.leaveSources',
  split_texts: 'site.leaveWhole',
  matched_by: 'site.leaveTitles',
  records: 'site.leaveRecords',
  record_type: 'site.leaveType',
};

/** An answer in a few words. */
export function said(ask: Ask): string {
  const { t } = i18n.global;
  const n = ask.corrections.filter(({ to }) => to).length;
  if (!ask.answer) {
    return '';
  }
  if (ask.answer === 'leave' && LEAVES[ask.about]) {
    return t(LEAVES[ask.about] ?? '');
  }
  const aside = ask.answer === 'set_aside' || (ask.answer === 'correct' && ask.corrections.length > n);
  if (aside) {
    return n ? t('plan.said.set_aside_some', { n }) : t('plan.said.set_aside');
  }
  return t(`plan.said.${ask.answer}`, { n, value: ask.value }, n);
}

/** Answers that need nothing besides themselves. */
const PLAIN = new Set(['leave', 'set_aside', 'bring_back', 'first', 'last', 'make']);

/** The plain answers that all of some questions take. */
export function common(asks: readonly Ask[]): string[] {
  const [first, ...others] = asks;
  return (first?.choices ?? []).filter(
    (choice) => PLAIN.has(choice) && others.every((ask) => ask.choices.includes(choice)),
  );
}

export function decision(ask: Ask, answer: string, value = '', corrections = ask.corrections): Schemas['DecisionBody'] {
  return {
    field: ask.fieldId,
    about: ask.about.toUpperCase() as Schemas['DecisionBody']['about'],
    answer: answer.toUpperCase() as Schemas['DecisionBody']['answer'],
    value,
    corrections,
  };
}

/** Two columns of a spreadsheet, as they come by pasting: a value and what it becomes. */
export function pastedPairs(text: string): [string, string][] {
  return text
    .split(/\r?\n/)
    .map((line) => line.split(line.includes('\t') ? '\t' : ';').map((cell) => cell.trim()))
    .flatMap(([from, to]) => (from && to ? [[from, to] as [string, string]] : []));
}

/** Texts that are the same but for capital letters, accents, spaces and signs have the same one. */
export const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim() || text;

/** With spellings of the same value behind one another, in the place of the most frequent. */
export function grouped<T extends { text: string }>(values: readonly T[]): T[] {
  const groups = new Map<string, T[]>();
  for (const value of values) {
    const key = folded(value.text);
    groups.set(key, [...(groups.get(key) ?? []), value]);
  }
  return [...groups.values()].flat();
}
