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

/** How a setting is typed. */
export type Control = 'whole' | 'decimal' | 'text' | 'date' | 'time' | 'flag';

interface KindInfo {
  icon: Component;
  /** Settings besides the options of a choice, in the order they are shown. */
  settings: Record<string, Control>;
  /** Whether sites can hold it, so that it is offered for new fields. */
  offered: boolean;
}

/** What the interface knows of each kind; the compiler names one that is missing. */
export const kinds: Record<KindCode, KindInfo> = {
  text: {
    icon: IconText,
    settings: {
      min_length: 'whole',
      max_length: 'whole',
      pattern: 'text',
      pattern_message: 'text',
      prefix: 'text',
      suffix: 'text',
    },
    offered: true,
  },
  long_text: { icon: IconLongText, settings: { max_length: 'whole', rows: 'whole' }, offered: true },
  number: {
    icon: IconNumber,
    settings: { decimals: 'whole', min: 'decimal', max: 'decimal', unit: 'text' },
    offered: true,
  },
  yes_no: { icon: IconYesNo, settings: { yes: 'text', no: 'text' }, offered: true },
  date: { icon: IconDate, settings: { earliest: 'date', latest: 'date' }, offered: true },
  time: { icon: IconTime, settings: { earliest: 'time', latest: 'time' }, offered: true },
  email: { icon: IconEmail, settings: {}, offered: true },
  phone: { icon: IconPhone, settings: {}, offered: true },
  colour: { icon: IconColour, settings: {}, offered: true },
  choice: { icon: IconChoice, settings: {}, offered: true },
  image: {
    icon: IconImage,
    settings: { min_width: 'whole', min_height: 'whole', max_kilobytes: 'whole', alt_required: 'flag' },
    offered: true,
  },
  rich_text: { icon: IconRichText, settings: { max_length: 'whole' }, offered: false },
  date_time: { icon: IconDateTime, settings: {}, offered: false },
  file: { icon: IconFile, settings: { max_kilobytes: 'whole' }, offered: false },
  url: { icon: IconUrl, settings: {}, offered: false },
  icon: { icon: IconIcon, settings: {}, offered: false },
  place: { icon: IconPlace, settings: {}, offered: false },
  relation: { icon: IconRelation, settings: {}, offered: false },
  term: { icon: IconTerm, settings: {}, offered: false },
  group: { icon: IconGroup, settings: {}, offered: false },
  repeater: { icon: IconRepeater, settings: {}, offered: false },
  note: { icon: IconNote, settings: { text: 'text' }, offered: false },
};

export const kindCodes = Object.keys(kinds) as KindCode[];

/** The kinds that new fields are offered. */
export const offeredKinds = kindCodes.filter((code) => kinds[code].offered);

function isGroup(section: Section): section is Group {
  return 'title' in section;
}

/** The groups of a type's own, in order; shared ones are in use beside them. */
export function groupsOf(type: ContentType): Group[] {
  return (type.groups ?? []).filter(isGroup);
}

/** The sections of a type with other groups of its own; each shared group stays behind the one it stands behind. */
export function withGroups(type: ContentType, groups: Group[]): Section[] {
  const behind = new Map<string, Section[]>();
  let last = '';
  for (const section of type.groups ?? []) {
    if (isGroup(section)) {
      last = section.id ?? '';
    } else {
      behind.set(last, [...(behind.get(last) ?? []), section]);
    }
  }
  const placed = groups.flatMap((group) => [group, ...(behind.get(group.id ?? '') ?? [])]);
  const lost = [...behind].filter(([id]) => id !== '' && !groups.some((group) => group.id === id));
  return [...(behind.get('') ?? []), ...placed, ...lost.flatMap(([, sections]) => sections)];
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
