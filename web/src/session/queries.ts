import { api, ask, type Schemas } from '@/shared/api/client';
import type { PagedResource, Resource } from '@/shared/api/queries';

export const accountList = (): Resource<Schemas['AccountView'][]> => ({
  queryKey: ['accounts'],
  queryFn: ({ signal }) => ask(api.GET('/api/accounts', { signal })),
});

const TRAIL_PAGE = 100;

/** Who did what that matters for safety, the newest first. */
export const trailPages = (): PagedResource<Schemas['TrailView'][], number | undefined> => ({
  queryKey: ['trail'],
  queryFn: ({ signal, pageParam }) => ask(api.GET('/api/trail', { params: { query: { before: pageParam } }, signal })),
  initialPageParam: undefined,
  getNextPageParam: (page) => (page.length < TRAIL_PAGE ? undefined : page.at(-1)?.id),
});

export const sessionList = (): Resource<Schemas['SessionInfo'][]> => ({
  queryKey: ['account', 'sessions'],
  queryFn: ({ signal }) => ask(api.GET('/api/account/sessions', { signal })),
});
