import { ofSite } from '@/site/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { PagedResource, Resource } from '@/shared/api/queries';
import type { Comparison } from './filters';
import type { RecordType } from './recordTypes';
import { pathOf } from './links';

/** Everything of one type, taxonomy or set of values on a site. */
export const ofRecordType = (site: string, recordType: RecordType) => [
  ...ofSite(site),
  recordType.sort,
  recordType.key,
];

export const recordParts = (): Resource<Schemas['OwnView'][]> => ({
  queryKey: ['record-parts'],
  queryFn: ({ signal }) => ask(api.GET('/api/record-parts', { signal })),
});

export const recordTypeList = (site: string): Resource<RecordType[]> => ({
  queryKey: [...ofSite(site), 'recordTypes'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/record-types', { params: { path: { site } }, signal })),
});

const MOST_TERMS = 500;

/** All terms of a taxonomy in their order. */
export const termList = (site: string, recordType: RecordType): Resource<Schemas['RecordView'][]> => ({
  queryKey: [...ofRecordType(site, recordType), 'terms'],
  queryFn: async ({ signal }) => {
    const params = { path: pathOf(site, recordType), query: { most: MOST_TERMS, order: 'own_position' } };
    return (await ask(api.GET('/api/sites/{site}/{sort}/{key}/records', { params, signal }))).records;
  },
});

export const viewList = (site: string, recordType: RecordType): Resource<Schemas['KeptView'][]> => ({
  queryKey: [...ofRecordType(site, recordType), 'views'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/{sort}/{key}/views', { params: { path: pathOf(site, recordType) }, signal })),
});

/** What may be put into the formatted texts of a type's records. */
export const insertionList = (site: string, recordType: RecordType): Resource<Schemas['InsertionView'][]> => ({
  queryKey: [...ofRecordType(site, recordType), 'insertions'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/{sort}/{key}/insertions', { params: { path: pathOf(site, recordType) }, signal })),
});

/** How a record came to be what it is at this version. */
export const recordHistory = (
  site: string,
  recordType: RecordType,
  id: number,
  version: number,
): Resource<Schemas['PastView'][]> => ({
  queryKey: [...ofRecordType(site, recordType), 'history', id, version],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/sites/{site}/{sort}/{key}/records/{id}/history', {
        params: { path: { ...pathOf(site, recordType), id } },
        signal,
      }),
    ),
});

const PAGE = 200;

interface ListQuery extends Search {
  order: string;
  fields: string;
}

export const recordPages = (
  site: string,
  recordType: RecordType,
  query: ListQuery,
): PagedResource<Schemas['ListView'], string> => ({
  queryKey: [...ofRecordType(site, recordType), 'list', query],
  queryFn: ({ signal, pageParam }) =>
    ask(
      api.GET('/api/sites/{site}/{sort}/{key}/records', {
        params: {
          path: pathOf(site, recordType),
          query: { ...query, most: PAGE, ...(pageParam ? { after: pageParam } : {}) },
        },
        signal,
      }),
    ),
  initialPageParam: '',
  getNextPageParam: (page) => page.next,
});

const MEDIA_PAGE = 60;

/** Everything of the pictures and files of a site. */
/** As many as are named beside their parent. */
export const MOST_CHILDREN = 8;

/** What lists those that stand under a record. */
export const childrenFilter = (parent: number): Comparison => ({
  field: 'own_parent',
  test: 'is',
  value: String(parent),
});

/** The first records of a type that stand under another record, and one more where there are more. */
export const childList = (site: string, recordType: RecordType, parent: number): Resource<Schemas['ListView']> => ({
  queryKey: [...ofRecordType(site, recordType), 'children', parent],
  queryFn: ({ signal }) => {
    const where = JSON.stringify({ field: 'own_parent', is: String(parent) });
    const query = { where, order: 'own_position', fields: 'part_title', most: MOST_CHILDREN + 1 };
    return ask(
      api.GET('/api/sites/{site}/{sort}/{key}/records', { params: { path: pathOf(site, recordType), query }, signal }),
    );
  },
});

export const ofMedia = (site: string) => [...ofSite(site), 'media'];

export const mediaPages = (
  site: string,
  search: string,
  pictures: boolean,
): PagedResource<Schemas['MediaView'][], number> => ({
  queryKey: [...ofMedia(site), search, pictures],
  queryFn: ({ signal, pageParam }) => {
    const query = { search, pictures, ...(pageParam ? { after: pageParam } : {}) };
    return ask(api.GET('/api/sites/{site}/media', { params: { path: { site }, query }, signal }));
  },
  initialPageParam: 0,
  getNextPageParam: (page) => (page.length < MEDIA_PAGE ? undefined : page.at(-1)?.id),
});

interface Search {
  where: string;
  search: string;
}

/** How many records fit. */
export const recordCount = (
  site: string,
  recordType: RecordType,
  { where, search }: Search,
): Resource<Schemas['CountView']> => ({
  queryKey: [...ofRecordType(site, recordType), 'count', where, search],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/sites/{site}/{sort}/{key}/count', {
        params: { path: pathOf(site, recordType), query: { where, search } },
        signal,
      }),
    ),
});
