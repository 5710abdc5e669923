import type { Schemas } from '@/shared/api/client';

export type Choices = Schemas['Choices'];
type SheetChoice = NonNullable<Choices['sheets']>[number];
type ColumnChoice = NonNullable<SheetChoice['columns']>[number];

/** What is changed of a column: a value chooses, undefined takes the proposal back. */
export type ColumnChange = Partial<Omit<ColumnChoice, 'column'>>;
export type SheetChange = Partial<Pick<SheetChoice, 'role' | 'name'>>;

function sheetOf(choices: Choices, sheet: number): SheetChoice {
  return choices.sheets?.find((each) => each.sheet === sheet) ?? { sheet, columns: [] };
}

function withSheet(choices: Choices, chosen: SheetChoice): Choices {
  return { sheets: [...(choices.sheets ?? []).filter((each) => each.sheet !== chosen.sheet), chosen] };
}

/** The choices with another role or name of a sheet. What was chosen of its columns for another role may make no sense now. */
export function chooseSheet(choices: Choices, sheet: number, change: SheetChange): Choices {
  const before = sheetOf(choices, sheet);
  const columns = change.role && change.role !== before.role ? [] : before.columns;
  return withSheet(choices, { ...before, ...change, columns });
}

export function chosenOf(choices: Choices, sheet: number, column: number): ColumnChoice {
  return sheetOf(choices, sheet).columns?.find((each) => each.column === column) ?? { column };
}

export function chooseColumn(choices: Choices, sheet: number, column: number, change: ColumnChange): Choices {
  const before = sheetOf(choices, sheet);
  const now = { ...chosenOf(choices, sheet, column), ...change };
  const others = (before.columns ?? []).filter((each) => each.column !== column);
  return withSheet(choices, { ...before, columns: [...others, now] });
}

/** What a column can become, as one list: a kind of field, or what records have without one. */
export const USES = ['title', 'terms', 'parent', 'address', 'state', 'skip'] as const;
const FIELD = 'field:';

/** What a column becomes, as one word. */
export function becomes(column: Schemas['WorkbookColumn']): string {
  return column.use === 'field' ? FIELD + column.kind : column.use;
}

/** The choice that a word of the list stands for. */
export function choiceOf(word: string): ColumnChange {
  return word.startsWith(FIELD) ? { use: 'field', kind: word.slice(FIELD.length) } : { use: word, kind: undefined };
}

export const fieldWord = (kind: string): string => FIELD + kind;

/** Whether anything is chosen of a column; what the server tells as null is not. */
export function isOtherwise(chosen: ColumnChoice): boolean {
  return Object.entries(chosen).some(([name, value]: [string, unknown]) => name !== 'column' && isSaid(value));
}

function isSaid(value: unknown): boolean {
  return typeof value === 'object' && value !== null
    ? Object.keys(value).length > 0
    : value !== undefined && value !== null;
}
