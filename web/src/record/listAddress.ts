import type { LocationQuery } from 'vue-router';
import type { Comparison } from './filters';
import type { View } from './useRecordList';

/** What a list shows, as it stands in the address: what is as usual is left out. */
export function toQuery(view: View, usual: readonly string[]): Record<string, string> {
  return {
    ...(view.search ? { q: view.search } : {}),
    ...(view.filter.length ? { filter: JSON.stringify(view.filter) } : {}),
    ...(view.order ? { order: view.order } : {}),
    ...(view.columns.join() === usual.join() ? {} : { columns: view.columns.join() }),
  };
}

const isComparison = (each: unknown): each is Comparison =>
  typeof each === 'object' &&
  each !== null &&
  ['field', 'test', 'value'].every((name) => typeof (each as Record<string, unknown>)[name] === 'string');

function comparisons(text: string): Comparison[] {
  try {
    const read: unknown = JSON.parse(text);
    return Array.isArray(read) ? read.filter(isComparison) : [];
  } catch {
    return [];
  }
}

/** What an address says of a list; what cannot be read of it is left out. */
export function fromQuery(query: LocationQuery, usual: readonly string[]): View {
  const text = (name: string) => (typeof query[name] === 'string' ? query[name] : '');
  return {
    search: text('q'),
    filter: text('filter') ? comparisons(text('filter')) : [],
    order: text('order'),
    columns: query.columns === undefined ? [...usual] : text('columns').split(',').filter(Boolean),
  };
}
