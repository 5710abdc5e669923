import { ofWorkspace } from '@/release/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';
import type { Use, Way } from './blocks';

/**
 * What blocks for records of a type can show.
 *
 * @param revision of the draft, whose fields these are
 */
export const waysOf = (workspace: string, type: string, revision: number): Resource<Way[]> => ({
  queryKey: [...ofWorkspace(workspace), 'ways', type, revision],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/workspaces/{workspace}/pages/ways', {
        params: { path: { workspace }, query: { type } },
        signal,
      }),
    ),
});

/** The layout that is derived where nobody has made one. */
export const derivedOf = (
  workspace: string,
  type: string,
  use: Use,
  revision: number,
): Resource<Schemas['Layout']> => ({
  queryKey: [...ofWorkspace(workspace), 'derived', type, use, revision],
  queryFn: async ({ signal }) =>
    (await ask(
      api.GET('/api/workspaces/{workspace}/pages/derived', {
        params: { path: { workspace }, query: { type, use } },
        signal,
      }),
    )) as Schemas['Layout'],
});

/** The looks that come with the application. */
export const shippedLooks = (): Resource<Schemas['ShippedLookView'][]> => ({
  queryKey: ['shipped-looks'],
  queryFn: ({ signal }) => ask(api.GET('/api/looks', { signal })),
});

/** How a layout looks with a record of a site, or a made-up one. */
export const pageLook = (
  workspace: string,
  body: Schemas['LookOfLayout'],
  revision: number,
): Resource<Schemas['LayoutLook']> => ({
  queryKey: [...ofWorkspace(workspace), 'page-look', revision, body],
  queryFn: ({ signal }) =>
    ask(api.POST('/api/proof/{workspace}/page', { params: { path: { workspace } }, body, signal })),
});
