import { inject, provide, type InjectionKey } from 'vue';
import type { Field } from '@/shared/kinds';
import type { Schemas } from '@/shared/api/client';
import type { Insertion } from './insertions';

export interface Problem {
  path: string;
  required: boolean;
  sentence: string;
}

/** Something that a relation or a field for terms can lead to. */
export interface Offer {
  key: string;
  label: string;
  /** As it is sent. */
  value: unknown;
  detail?: string;
  depth?: number;
}

export type FileView = Schemas['FileView'];

/** What a form knows beside the values: of a record, or of a definition that is tried. */
export interface FormContext {
  /** Before ids of controls, so that two forms on one page do not meet. */
  prefix: string;
  readonly: () => boolean;
  problems: (path: string) => Problem[];
  hidden: (path: string) => boolean;
  /** What a field may lead to, for some typed words; a few at most. */
  search: (field: Field, words: string) => Promise<Offer[]>;
  /** What a value is called; nothing where it is not known. */
  name: (field: Field, value: unknown) => Offer | undefined;
  /** Whether and how new terms and records are made while filling in. */
  create?: (field: Field, label: string) => Promise<Offer>;
  mayCreate?: (field: Field) => boolean;
  upload?: (field: Field, file: File, alt: string, progress: (part: number) => void) => Promise<FileView>;
  file?: (id: number) => FileView | undefined;
  /** The files that the site has already, and how the form gets to know one of them. */
  library?: { site: () => string; know: (file: FileView) => void };
  describe?: (file: FileView, alt: string, focusX: number, focusY: number) => Promise<void>;
  /** A few values of what a value leads to. */
  preview?: (field: Field, value: unknown) => Promise<{ label: string; text: string }[]>;
  /** What may be put into formatted texts. */
  insertions?: () => Promise<Insertion[]>;
  /** Where the record stands that a value leads to. */
  open?: (field: Field, value: unknown) => string | undefined;
}

const KEY: InjectionKey<FormContext> = Symbol('form');

export function provideForm(context: FormContext): void {
  provide(KEY, context);
}

export function useForm(): FormContext {
  const context = inject(KEY);
  if (!context) {
    throw new Error('A field stands outside of a form');
  }
  return context;
}

export const idOf = (context: FormContext, path: string) => `${context.prefix}-${path.replaceAll('.', '-')}`;

export function isMany(field: Field): boolean {
  return 'many' in field && field.many === true;
}

export function listOf(value: unknown): unknown[] {
  return Array.isArray(value) ? value : value === undefined || value === null || value === '' ? [] : [value];
}

/** Whether two values are the same as JSON has them. */
export function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** The value at a path of keys and row numbers. */
export function valueAt(values: Record<string, unknown>, path: string): unknown {
  return path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], values);
}

/** The values with another at a path of keys. */
export function withValueAt(values: Record<string, unknown>, path: string, value: unknown): Record<string, unknown> {
  const [key = '', ...rest] = path.split('.');
  if (rest.length === 0) {
    return { ...values, [key]: value };
  }
  const inner = (values[key] ?? {}) as Record<string, unknown>;
  return { ...values, [key]: withValueAt(inner, rest.join('.'), value) };
}
