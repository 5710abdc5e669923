import { textOf } from '@/shared/text';
import type { InfiniteData } from '@tanstack/vue-query';
import { api, ApiError, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { queryClient, renew } from '@/shared/api/queries';
import { kinds, type Field } from '@/shared/kinds';
import type { RecordType } from './recordTypes';
import { pathOf } from './links';
import { ofRecordType } from './queries';

/** For several values the whole form is the better place. */
export const isQuick = (field: Field) => kinds[field.kind].quick === true && !('many' in field && field.many === true);

/** How a value reads until the server says how. */
function read(field: Field, value: unknown): string {
  if (value === undefined || value === null || value === '') {
    return '';
  }
  if (field.kind === 'choice') {
    return field.options?.find((option) => option.key === value)?.label ?? textOf(value);
  }
  return textOf(value);
}

type Pages = InfiniteData<Schemas['ListView']>;
type Listed = Schemas['RecordView'];

function withValue(pages: Pages, id: number, field: Field, value: unknown): Pages {
  const change = (record: Listed): Listed =>
    record.id === id
      ? {
          ...record,
          values: { ...record.values, [field.key]: value },
          shown: { ...record.shown, [field.key]: read(field, value) },
        }
      : record;
  return { ...pages, pages: pages.pages.map((page) => ({ ...page, records: page.records.map(change) })) };
}

/**
 * Stores one value of a record. Lists show it at once, and show what was there again where it is refused.
 *
 * @returns why it was not stored, as a sentence; empty where it was
 */
export async function storeValue(
  site: string,
  recordType: RecordType,
  record: Listed,
  field: Field,
  value: unknown,
): Promise<string> {
  const lists = { queryKey: [...ofRecordType(site, recordType), 'list'] };
  await queryClient.cancelQueries(lists);
  const before = queryClient.getQueriesData<Pages>(lists);
  queryClient.setQueriesData<Pages>(lists, (pages) => pages && withValue(pages, record.id, field, value));
  try {
    const params = { path: { ...pathOf(site, recordType), id: record.id } };
    const body = {
      version: record.version,
      state: record.state,
      values: { [field.key]: value ?? null },
      part: true,
      ...(record.publishAt ? { publishAt: record.publishAt } : {}),
      ...(record.retireAt ? { retireAt: record.retireAt } : {}),
    };
    await ask(api.PUT('/api/sites/{site}/{sort}/{key}/records/{id}', { params, body }));
    return '';
  } catch (thrown) {
    before.forEach(([key, pages]) => queryClient.setQueryData(key, pages));
    const mine = thrown instanceof ApiError ? thrown.problems.find((each) => each.path === field.key) : undefined;
    return mine?.sentence ?? sentenceOf(thrown);
  } finally {
    void renew(ofRecordType(site, recordType));
  }
}
