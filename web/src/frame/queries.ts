import { ofWorkspace } from '@/release/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';

export const workspaceList = (): Resource<Schemas['WorkspaceView'][]> => ({
  queryKey: ['workspaces'],
  queryFn: ({ signal }) => ask(api.GET('/api/workspaces', { signal })),
});

export const siteList = (workspace: string): Resource<Schemas['SiteView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'sites'],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/workspaces/{workspace}/sites', {
        params: { path: { workspace }, query: { counts: false } },
        signal,
      }),
    ),
});

/** With how many records each has, which takes a while for large sites: asked for apart, so that nothing waits for it. */
export const siteCounts = (workspace: string): Resource<Schemas['SiteView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'sites', 'counts'],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/workspaces/{workspace}/sites', {
        params: { path: { workspace }, query: { counts: true } },
        signal,
      }),
    ),
});
