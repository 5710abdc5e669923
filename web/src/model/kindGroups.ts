import type { KindCode } from '@/shared/kinds';

/** The kinds by what people want to hold. */
export const kindGroups = {
  words: ['text', 'long_text', 'rich_text', 'email', 'phone'],
  numbers: ['number', 'yes_no', 'place', 'colour'],
  times: ['date', 'time', 'date_time'],
  choices: ['choice', 'term', 'icon'],
  files: ['image', 'file'],
  links: ['relation', 'url'],
  structure: ['group', 'repeater', 'note'],
} as const satisfies Record<string, readonly KindCode[]>;

export type KindGroup = keyof typeof kindGroups;
