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
import type { Schemas } from './api/client';

export type ContentType = Schemas['ContentType'];
export type Group = NonNullable<ContentType['groups']>[number];
export type Field = NonNullable<Group['fields']>[number];
export type KindCode = Field['kind'];
export type FieldOf<K extends KindCode> = Extract<Field, { kind: K }>;
export type Option = NonNullable<FieldOf<'choice'>['options']>[number];

/** How a setting is typed. */
export type Control = 'whole' | 'decimal' | 'text' | 'date' | 'time' | 'flag';

interface KindInfo {
  icon: Component;
  /** Settings besides the options of a choice, in the order they are shown. */
  settings: Record<string, Control>;
}

/** What the interface knows of each kind; the compiler names one that is missing. */
export const kinds: Record<KindCode, KindInfo> = {
  text: {
    icon: IconText,
    settings: { min_length: 'whole', max_length: 'whole', pattern: 'text', pattern_message: 'text' },
  },
  long_text: { icon: IconLongText, settings: { max_length: 'whole', rows: 'whole' } },
  number: { icon: IconNumber, settings: { decimals: 'whole', min: 'decimal', max: 'decimal', unit: 'text' } },
  yes_no: { icon: IconYesNo, settings: { yes: 'text', no: 'text' } },
  date: { icon: IconDate, settings: { earliest: 'date', latest: 'date' } },
  time: { icon: IconTime, settings: { earliest: 'time', latest: 'time' } },
  email: { icon: IconEmail, settings: {} },
  phone: { icon: IconPhone, settings: {} },
  colour: { icon: IconColour, settings: {} },
  choice: { icon: IconChoice, settings: {} },
  image: {
    icon: IconImage,
    settings: { min_width: 'whole', min_height: 'whole', max_kilobytes: 'whole', alt_required: 'flag' },
  },
};

export const kindCodes = Object.keys(kinds) as KindCode[];

export function groupsOf(type: ContentType): Group[] {
  return type.groups ?? [];
}

export function fieldsOf(group: Group): Field[] {
  return group.fields ?? [];
}

export function allFields(type: ContentType): Field[] {
  return groupsOf(type).flatMap(fieldsOf);
}

const COMMON = ['id', 'key', 'label', 'help', 'required'] as const;

/** The field with another kind: what all fields have stays, settings of the old kind go. */
export function withKind(field: Field, kind: KindCode): Field {
  const kept = Object.fromEntries(
    COMMON.filter((name) => field[name] !== undefined).map((name) => [name, field[name]]),
  );
  const start = kind === 'choice' ? { options: [] } : {};
  return { ...kept, kind, ...start } as Field;
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
