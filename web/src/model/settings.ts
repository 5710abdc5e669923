import { textOf } from '@/shared/text';
import { settingOf, withSetting, type Control, type Field } from '@/shared/kinds';

export const widths = ['full', 'two_thirds', 'half', 'third'] as const;

/** A number that is one is sent as one; anything else as typed, so that the server can say what is wrong with it. */
function read(control: Control, text: string): unknown {
  const trimmed = text.trim();
  const isNumber = /^-?\d{1,15}(\.\d{1,15})?$/.test(trimmed);
  switch (control) {
    case 'whole':
    case 'decimal':
      return isNumber ? Number(trimmed) : trimmed;
    case 'words':
      return list(trimmed);
    case 'wholes':
      return list(trimmed)?.map((word) => (/^\d+$/.test(word) ? Number(word) : word));
    case 'long':
    case 'text':
      return text;
    default:
      return trimmed;
  }
}

function list(text: string): string[] | undefined {
  const words = text.split(/[\s,]+/).filter((word) => word !== '');
  return words.length > 0 ? words : undefined;
}

/** The field with a setting as it was typed; an empty one is left out. */
export function typedSetting(field: Field, name: string, control: Control, text: string): Field {
  return withSetting(field, name, read(control, text));
}

export function shownSetting(field: Field, name: string): string {
  const value = settingOf(field, name);
  return Array.isArray(value) ? value.join(', ') : textOf(value);
}

/** The field with one of several words of a setting switched; the default set is left out. */
export function switched(field: Field, name: string, word: string, absent: readonly string[]): Field {
  const now = chosen(field, name, absent);
  const next = now.includes(word) ? now.filter((each) => each !== word) : [...now, word];
  const plain = next.length === absent.length && absent.every((each) => next.includes(each));
  return withSetting(field, name, plain ? undefined : next);
}

export function chosen(field: Field, name: string, absent: readonly string[]): readonly string[] {
  return (settingOf(field, name) as string[] | undefined) ?? absent;
}
