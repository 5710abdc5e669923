import {
  keepPreviousData,
  QueryClient,
  useInfiniteQuery,
  useQuery,
  type InfiniteData,
  type QueryKey,
  type UseInfiniteQueryReturnType,
  type UseQueryOptions,
  type UseQueryReturnType,
} from '@tanstack/vue-query';
import { computed, toValue, type ComputedRef, type MaybeRefOrGetter } from 'vue';
import { sentenceOf } from './client';

/** What the server said lately. Every resource has a factory (`queries.ts` of its area) that says its key and how it is asked. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // whether the network is there is seen by asking: what a browser thinks of it is often wrong
      networkMode: 'always',
      // what was not answered is sent again by the client, and what the server refused once it refuses again
      retry: false,
      refetchOnWindowFocus: true,
    },
  },
});

/** A resource as a factory gives it. */
export interface Resource<T> {
  queryKey: QueryKey;
  queryFn: (context: { signal: AbortSignal }) => Promise<T>;
  /** After how many milliseconds it is asked for again by itself, told by what was answered; not at all by default. */
  refetchInterval?: (query: { state: { data: T | undefined } }) => number | false;
}

interface Asked<T> {
  data: UseQueryReturnType<T, Error>['data'];
  /** Why it could not be had, as a sentence; empty while all is well. */
  problem: ComputedRef<string>;
  isPending: UseQueryReturnType<T, Error>['isPending'];
  isFetching: UseQueryReturnType<T, Error>['isFetching'];
}

interface Options {
  /** Whether it is asked for at all; else it waits. */
  enabled?: MaybeRefOrGetter<boolean>;
  /** Whether the last answer stays in sight until there is one for the new key. */
  keepsLast?: boolean;
  /** For how many milliseconds an answer is taken as it is; none by default. */
  staleTime?: number;
  /** For how many milliseconds an answer is kept that nobody shows. */
  gcTime?: number;
}

/**
 * A resource of the server, asked for again whenever its key changes. An answer belongs to its key, so a late one never shows
 * under another; a request that nobody waits for any more is cancelled.
 */
export function useResource<T>(
  resource: MaybeRefOrGetter<Resource<T>>,
  { enabled = true, keepsLast, ...times }: Options = {},
): Asked<T> {
  const asked = useQuery<T>(
    computed(() => ({
      ...toValue(resource),
      ...times,
      enabled: toValue(enabled),
      ...(keepsLast ? { placeholderData: keepPreviousData } : {}),
    })) as unknown as UseQueryOptions<T>,
    queryClient,
  );
  return {
    data: asked.data,
    problem: computed(() => (asked.error.value ? sentenceOf(asked.error.value) : '')),
    isPending: asked.isPending,
    isFetching: asked.isFetching,
  };
}

/** A resource that comes page by page. */
export interface PagedResource<T, P> {
  queryKey: QueryKey;
  queryFn: (context: { signal: AbortSignal; pageParam: P }) => Promise<T>;
  initialPageParam: P;
  /** What the page after this one is asked with; undefined where it is the last. */
  getNextPageParam: (page: T) => P | undefined;
}

interface PageOptions {
  /** Whether the pages under this key stay in sight until there are some under the new one. */
  keeps?: (key: QueryKey) => boolean;
}

/** The pages of a resource that have been asked for, and a way to the next. */
export function usePages<T, P>(resource: MaybeRefOrGetter<PagedResource<T, P>>, { keeps }: PageOptions = {}) {
  const options = computed(() => ({
    ...toValue(resource),
    // many pages are not all asked for again because a window came to the front
    refetchOnWindowFocus: false,
    placeholderData: (before: unknown, query: { queryKey: QueryKey } | undefined) =>
      query && keeps?.(query.queryKey) ? before : undefined,
  }));
  const asked = useInfiniteQuery(options as never, queryClient) as unknown as UseInfiniteQueryReturnType<
    InfiniteData<T>,
    Error
  >;
  return {
    pages: computed(() => asked.data.value?.pages),
    problem: computed(() => (asked.error.value ? sentenceOf(asked.error.value) : '')),
    isFetching: computed(() => asked.isFetching.value),
    hasNext: computed(() => asked.hasNextPage.value),
    /** Asks for the next page, where there is one and none is on its way. */
    more: () => {
      if (asked.hasNextPage.value && !asked.isFetching.value) {
        void asked.fetchNextPage();
      }
    },
  };
}

/** Asks now, also where an answer is known already; others that show the resource get the new one too. */
export function askAgain<T>(resource: Resource<T>): Promise<T> {
  return queryClient.query({ ...resource, staleTime: 0 });
}

/** What is known already, or else the answer. */
export async function askOnce<T>(resource: Resource<T>): Promise<T> {
  return queryClient.getQueryData<T>(resource.queryKey) ?? (await askAgain(resource));
}

/** Everything under a key is asked for again where it is shown, and forgotten where it is not. */
export function renew(queryKey: QueryKey): Promise<void> {
  return queryClient.invalidateQueries({ queryKey });
}

/** Forgets what was said to one person before another signs in; those who show it show nothing, and nothing is asked. */
export function forgetAnswers(): void {
  queryClient
    .getQueryCache()
    .getAll()
    .forEach((query) => {
      query.reset();
    });
}
