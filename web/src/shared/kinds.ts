import type { Component } from 'vue';
import IconText from '~icons/tabler/letter-case';
import IconLongText from '~icons/tabler/align-left';
import IconNumber from '~icons/tabler/number-123';
import IconYesNo from '~icons/tabler/toggle-left';
import IconDate from '~icons/tabler/calendar';
import IconTime from '~icons/tabler/clock';
import IconEmail from '~icons/tabler/mail';
import IconPhone from '~icons/tabler/phone';
import IconColour from '~icons/tabler/palette';
import IconChoice from '~icons/tabler/list-check';
import IconImage from '~icons/tabler/photo';
import IconRichText from '~icons/tabler/file-text';
import IconDateTime from '~icons/tabler/calendar-time';
import IconFile from '~icons/tabler/file';
import IconUrl from '~icons/tabler/link';
import IconIcon from '~icons/tabler/icons';
import IconPlace from '~icons/tabler/map-pin';
import IconRelation from '~icons/tabler/arrows-join';
import IconTerm from '~icons/tabler/tag';
import IconGroup from '~icons/tabler/box';
import IconRepeater from '~icons/tabler/stack';
import IconNote from '~icons/tabler/note';
import type { Schemas } from './api/client';

export type ContentType = Schemas['ContentType'];
export type Section = NonNullable<ContentType['groups']>[number];
export type Group = Schemas['Group'];
export type Field = Schemas['Field'];
export type KindCode = Field['kind'];
export type FieldOf<K extends KindCode> = Extract<Field, { kind: K }>;
export type Option = NonNullable<FieldOf<'choice'>['options']>[number];

/**
 * How a setting is typed. `flag` is off and `flagOn` is on where it is left out; `words` is a list of
 * free words, `tokens` several of a fixed set, `token` one of it.
 */
export type Control =
  | 'whole'
  | 'decimal'
  | 'text'
  | 'long'
  | 'date'
  | 'time'
  | 'moment'
  | 'flag'
  | 'flagOn'
  | 'words'
  | 'wholes'
  | { token: readonly string[] }
  | { tokens: readonly string[]; absent: readonly string[] };

/** How values are compared in conditions and filters: by order, by what a text contains, by being the same, or not at all. */
export type Comparability = 'order' | 'text' | 'same' | 'none';

interface KindInfo {
  icon: Component;
  compared: Comparability;
  /** Whether a value is changed in a row of a list; for what is more than a line the whole form is the better place. */
  quick?: true;
  /** Settings that have no editor of their own, in the order they are shown: those that are used often come first. */
  settings: Record<string, Control>;
}

const AMOUNT: Record<string, Control> = { many: 'flag', min_count: 'whole', max_count: 'whole' };
const FORMATS = ['headings', 'bold', 'italic', 'links', 'lists', 'quotes', 'tables', 'code'] as const;

/** What the interface knows of each kind; the compiler names one that is missing. */
export const kinds: Record<KindCode, KindInfo> = {
  text: {
    icon: IconText,
    compared: 'text',
    quick: true,
    settings: {
      max_length: 'whole',
      prefix: 'text',
      suffix: 'text',
      unique: 'flag',
      min_length: 'whole',
      pattern: 'text',
      pattern_message: 'text',
    },
  },
  long_text: { icon: IconLongText, compared: 'text', settings: { max_length: 'whole', rows: 'whole' } },
  rich_text: {
    icon: IconRichText,
    compared: 'none',
    settings: { max_length: 'whole', formats: { tokens: FORMATS, absent: ['bold', 'italic', 'links', 'lists'] } },
  },
  number: {
    icon: IconNumber,
    compared: 'order',
    quick: true,
    settings: {
      decimals: 'whole',
      unit: 'text',
      min: 'decimal',
      max: 'decimal',
      step: 'decimal',
      shown: { token: ['box', 'slider', 'marks'] },
    },
  },
  yes_no: { icon: IconYesNo, compared: 'same', quick: true, settings: { yes: 'text', no: 'text' } },
  date: { icon: IconDate, compared: 'order', quick: true, settings: { earliest: 'date', latest: 'date' } },
  time: { icon: IconTime, compared: 'order', quick: true, settings: { earliest: 'time', latest: 'time' } },
  date_time: { icon: IconDateTime, compared: 'order', settings: { earliest: 'moment', latest: 'moment' } },
  choice: {
    icon: IconChoice,
    compared: 'same',
    quick: true,
    settings: { ...AMOUNT, shown: { token: ['menu', 'buttons', 'ticks'] } },
  },
  image: {
    icon: IconImage,
    compared: 'none',
    settings: {
      ...AMOUNT,
      alt_required: 'flagOn',
      min_width: 'whole',
      min_height: 'whole',
      max_width: 'whole',
      max_height: 'whole',
      max_kilobytes: 'whole',
      formats: { tokens: ['jpeg', 'png', 'gif', 'webp'], absent: [] },
      widths: 'wholes',
    },
  },
  file: { icon: IconFile, compared: 'none', settings: { ...AMOUNT, formats: 'words', max_kilobytes: 'whole' } },
  email: { icon: IconEmail, compared: 'text', quick: true, settings: {} },
  url: { icon: IconUrl, compared: 'text', quick: true, settings: { schemes: 'words' } },
  phone: { icon: IconPhone, compared: 'text', quick: true, settings: {} },
  colour: { icon: IconColour, compared: 'same', quick: true, settings: {} },
  icon: { icon: IconIcon, compared: 'same', settings: {} },
  place: { icon: IconPlace, compared: 'none', settings: {} },
  relation: { icon: IconRelation, compared: 'none', settings: { ...AMOUNT, ordered: 'flag', symmetric: 'flag' } },
  term: { icon: IconTerm, compared: 'same', settings: AMOUNT },
  group: { icon: IconGroup, compared: 'none', settings: {} },
  repeater: {
    icon: IconRepeater,
    compared: 'none',
    settings: { min_rows: 'whole', max_rows: 'whole', shown: { token: ['cards', 'table'] } },
  },
  note: { icon: IconNote, compared: 'none', settings: { text: 'long' } },
};

export const kindCodes = Object.keys(kinds) as KindCode[];

export function isGroup(section: Section): section is Group {
  return 'title' in section;
}

/** The groups of a type's own, in order; shared ones are in use beside them. */
export function groupsOf(type: ContentType): Group[] {
  return (type.groups ?? []).filter(isGroup);
}

export function fieldsOf(group: Group): Field[] {
  return group.fields ?? [];
}

export function allFields(type: ContentType): Field[] {
  return groupsOf(type).flatMap(fieldsOf);
}

const COMMON = ['id', 'key', 'label', 'help', 'required', 'width', 'show_when', 'api'] as const;

/** The field with another kind: what all fields have stays, settings of the old kind go. */
export function withKind(field: Field, kind: KindCode): Field {
  const kept = Object.fromEntries(
    COMMON.filter((name) => field[name] !== undefined).map((name) => [name, field[name]]),
  );
  return { ...kept, kind, ...startOf(kind, field) } as Field;
}

/** What a new field of a kind cannot be without. */
function startOf(kind: KindCode, before: Field): object {
  switch (kind) {
    case 'choice':
      return { options: [] };
    case 'relation':
      return { to: [] };
    case 'term':
      return { taxonomy: '' };
    case 'group':
    case 'repeater':
      return { fields: before.kind === 'group' || before.kind === 'repeater' ? before.fields : [] };
    case 'note':
      return { text: '' };
    default:
      return {};
  }
}

/** The field with a setting changed; an empty one is left out, so the default holds. */
export function withSetting(field: Field, name: string, value: unknown): Field {
  const empty = value === '' || value === undefined || value === null;
  const others = Object.entries(field).filter(([each]) => each !== name);
  return Object.fromEntries(empty ? others : [...others, [name, value]]) as Field;
}

export function settingOf(field: Field, name: string): unknown {
  return (field as Record<string, unknown>)[name];
}

const SIGNS = 'abcdefghijklmnopqrstuvwxyz0123456789';

/** A new id; the server checks that it is free. */
export function newId(first: string): string {
  const random = crypto.getRandomValues(new Uint8Array(8));
  return first + Array.from(random, (byte) => SIGNS[byte % SIGNS.length]).join('');
}
