import { ofSite } from '@/site/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { PagedResource, Resource } from '@/shared/api/queries';
import type { Comparison } from './filters';
import type { Holder } from './holders';
import { pathOf } from './links';

/** Everything of one type, taxonomy or set of values on a site. */
export const ofHolder = (site: string, holder: Holder) => [...ofSite(site), holder.sort, holder.key];

export const recordParts = (): Resource<Schemas['OwnView'][]> => ({
  queryKey: ['record-parts'],
  queryFn: ({ signal }) => ask(api.GET('/api/record-parts', { signal })),
});

export const holderList = (site: string): Resource<Holder[]> => ({
  queryKey: [...ofSite(site), 'holders'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/holders', { params: { path: { site } }, signal })),
});

const MOST_TERMS = 500;

/** All terms of a taxonomy in their order. */
export const termList = (site: string, holder: Holder): Resource<Schemas['RecordView'][]> => ({
  queryKey: [...ofHolder(site, holder), 'terms'],
  queryFn: async ({ signal }) => {
    const params = { path: pathOf(site, holder), query: { most: MOST_TERMS, order: 'own_position' } };
    return (await ask(api.GET('/api/sites/{site}/{sort}/{key}/records', { params, signal }))).records;
  },
});

export const viewList = (site: string, holder: Holder): Resource<Schemas['KeptView'][]> => ({
  queryKey: [...ofHolder(site, holder), 'views'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/{sort}/{key}/views', { params: { path: pathOf(site, holder) }, signal })),
});

/** How a record came to be what it is at this version. */
export const recordHistory = (
  site: string,
  holder: Holder,
  id: number,
  version: number,
): Resource<Schemas['PastView'][]> => ({
  queryKey: [...ofHolder(site, holder), 'history', id, version],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/sites/{site}/{sort}/{key}/records/{id}/history', {
        params: { path: { ...pathOf(site, holder), id } },
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
  holder: Holder,
  query: ListQuery,
): PagedResource<Schemas['ListView'], string> => ({
  queryKey: [...ofHolder(site, holder), 'list', query],
  queryFn: ({ signal, pageParam }) =>
    ask(
      api.GET('/api/sites/{site}/{sort}/{key}/records', {
        params: {
          path: pathOf(site, holder),
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
export const childList = (site: string, holder: Holder, parent: number): Resource<Schemas['ListView']> => ({
  queryKey: [...ofHolder(site, holder), 'children', parent],
  queryFn: ({ signal }) => {
    const where = JSON.stringify({ field: 'own_parent', is: String(parent) });
    const query = { where, order: 'own_position', fields: 'part_title', most: MOST_CHILDREN + 1 };
    return ask(
      api.GET('/api/sites/{site}/{sort}/{key}/records', { params: { path: pathOf(site, holder), query }, signal }),
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
  holder: Holder,
  { where, search }: Search,
): Resource<Schemas['CountView']> => ({
  queryKey: [...ofHolder(site, holder), 'count', where, search],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/sites/{site}/{sort}/{key}/count', {
        params: { path: pathOf(site, holder), query: { where, search } },
        signal,
      }),
    ),
});
