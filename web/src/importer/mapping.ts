import { fieldsOf, type RecordType } from '@/record/recordTypes';
import type { Schemas } from '@/shared/api/client';
import { innerOf } from '@/shared/definitions';
import type { Field } from '@/shared/kinds';
import type { Mapping } from './useImport';

export type MappedSheet = NonNullable<Mapping['sheets']>[number];
export type MappedColumn = NonNullable<MappedSheet['columns']>[number];
export type SheetChange = Partial<Omit<MappedSheet, 'sheet' | 'columns'>>;
export type ColumnChange = Partial<Omit<MappedColumn, 'column'>>;

/** What a column of a record can be that is no field of it. */
export const PARTS = ['number', 'address', 'state', 'publish_at', 'retire_at'] as const;

/** A field that a column can go to, with the fields it stands within. */
export interface Target {
  field: Field;
  /** From the outermost to itself. */
  way: Field[];
  /** latitude or longitude, where the column has half of a place. */
  part: string;
}

const folded = (name: string) => name.trim().toLowerCase();

/** Sheets of a mapping are found by name; where there is one of both, whatever it is called. */
export function sheetAt(mapping: Mapping, sheets: Schemas['ImportedSheet'][], at: number): MappedSheet {
  const mapped = mapping.sheets ?? [];
  const name = sheets[at]?.name ?? '';
  const only = mapped.length === 1 && sheets.length === 1 ? mapped[0] : undefined;
  return only ?? mapped.find((each) => folded(each.sheet) === folded(name)) ?? { sheet: name, use: 'skip' };
}

/** The mapping with another one for a sheet. */
export function withSheet(mapping: Mapping, before: MappedSheet, now: MappedSheet): Mapping {
  const sheets = mapping.sheets ?? [];
  const isThere = sheets.some((each) => each.sheet === before.sheet);
  return {
    sheets: isThere ? sheets.map((each) => (each.sheet === before.sheet ? now : each)) : [...sheets, now],
  };
}

export function columnOf(sheet: MappedSheet, name: string): MappedColumn {
  return (
    sheet.columns?.find((each) => folded(each.column) === folded(name)) ?? { column: name, goal: 'skip', field: '' }
  );
}

export function withColumn(sheet: MappedSheet, name: string, change: ColumnChange): MappedSheet {
  const columns = sheet.columns ?? [];
  const now = { ...columnOf(sheet, name), ...change };
  const isThere = columns.some((each) => folded(each.column) === folded(name));
  return {
    ...sheet,
    columns: isThere ? columns.map((each) => (folded(each.column) === folded(name) ? now : each)) : [...columns, now],
  };
}

const hasValue = ({ kind }: Field) => kind !== 'note';

function within(way: Field[]): Target[] {
  const field = way.at(-1) as Field;
  const inner = innerOf(field);
  if (inner.length) {
    return inner.filter(hasValue).flatMap((each) => within([...way, each]));
  }
  const parts = field.kind === 'place' ? ['', 'latitude', 'longitude'] : [''];
  return parts.map((part) => ({ field, way, part }));
}

/** All fields of a type that a column can go to, in the order of the form. */
export function targetsOf(recordType: RecordType): Target[] {
  return fieldsOf(recordType)
    .filter(hasValue)
    .flatMap((field) => within([field]));
}

/** The target that a column goes to: mappings name fields by id, or by keys from the outermost on. */
export function targetOf(targets: Target[], column: MappedColumn): Target | undefined {
  const keys = (target: Target) => target.way.map((each) => each.key).join('.');
  return targets.find(
    (each) => (each.field.id === column.field || keys(each) === column.field) && each.part === (column.part ?? ''),
  );
}

/** The repeater that the field of a target stands in. */
export const repeaterOf = (target: Target): Field | undefined =>
  target.way.slice(0, -1).find((each) => each.kind === 'repeater');

export const isMany = (field: Field): boolean => 'many' in field && field.many === true;

/** Whether values are names of records or terms. */
export const isNaming = (column: MappedColumn, target: Target | undefined): boolean =>
  column.goal === 'parent' ||
  column.goal === 'owner' ||
  (column.goal !== 'skip' && (target?.field.kind === 'relation' || target?.field.kind === 'term'));

/** Ids of the types and taxonomies whose records a column names. */
export function namedBy(recordType: RecordType, column: MappedColumn, target: Target | undefined): string[] {
  if (column.goal === 'owner') {
    return [recordType.id];
  }
  if (column.goal === 'parent') {
    return recordType.under;
  }
  switch (target?.field.kind) {
    case 'relation':
      return target.field.to;
    case 'term':
      return [target.field.taxonomy];
    default:
      return [];
  }
}

const TELLING = new Set(['text', 'number', 'email', 'phone']);

/** Fields by whose values records can be told apart, besides title, address and number. */
export const tellingFields = (recordType: RecordType): Field[] =>
  fieldsOf(recordType).filter((field) => TELLING.has(field.kind) && !isMany(field) && field.key !== 'title');

const FIELD = 'field:';

/** The type or taxonomy that a sheet's rows go to. */
export const recordTypeOf = (all: RecordType[] | undefined, { to }: MappedSheet): RecordType | undefined =>
  all?.find((each) => each.id === to) ?? all?.find((each) => each.key === to);

/** What a column becomes, as one word of a list. */
export function wordOf(column: MappedColumn, target: Target | undefined): string {
  return column.goal === 'field' || !column.goal
    ? `${FIELD}${target?.field.id ?? ''}:${target?.part ?? ''}`
    : column.goal;
}

export const fieldWord = (target: Target): string => `${FIELD}${target.field.id ?? ''}:${target.part}`;

/** What is chosen with a word of the list: what was said of another goal has no meaning for this one. */
export function choiceOf(word: string, targets: Target[], isOfRows: boolean): ColumnChange {
  const none = {
    field: '',
    part: '',
    row: 0,
    separator: '',
    by: 'title',
    missing: 'problem',
    reading: '',
    replace: {},
  };
  const target = targets.find((each) => fieldWord(each) === word);
  if (!target) {
    return { ...none, goal: word };
  }
  const row = repeaterOf(target) && !isOfRows ? 1 : 0;
  return { ...none, goal: 'field', field: target.field.id ?? '', part: target.part, row };
}

/** Columns that can tell which record a row is. */
export function keyColumns(recordType: RecordType, sheet: MappedSheet): string[] {
  const targets = targetsOf(recordType);
  return (sheet.columns ?? [])
    .filter((column) => {
      const target = targetOf(targets, column);
      const isField = column.goal === 'field' && target?.way.length === 1 && TELLING.has(target.field.kind);
      return column.goal === 'number' || column.goal === 'address' || (isField && !isMany(target.field));
    })
    .map((column) => column.column);
}

/** The ways in which texts that are not clear can be read, for a field. */
export function readingsOf(field: Field | undefined): string[] {
  switch (field?.kind) {
    case 'date':
    case 'date_time':
      return ['day_first', 'month_first'];
    case 'number':
      return ['decimal_comma', 'thousands_comma'];
    default:
      return [];
  }
}

/** Dates and numbers that could be read in two ways, as far as a glance tells. */
const UNCLEAR = /^\d{1,2}[-/] ?\d{1,2}[-/] ?\d{4}|\d,\d{3}(?![\d.,])/;
export const isUnclear = (texts: string[]): boolean => texts.some((text) => UNCLEAR.test(text.trim()));
