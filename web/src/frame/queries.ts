import { ofWorkspace } from '@/release/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';

export const workspaceList = (): Resource<Schemas['WorkspaceView'][]> => ({
  queryKey: ['workspaces'],
  queryFn: ({ signal }) => ask(api.GET('/api/workspaces', { signal })),
});

/** @param counts whether to count the records too, which takes a while for large sites */
export const siteList = (workspace: string, counts: boolean): Resource<Schemas['SiteView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'sites'],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/workspaces/{workspace}/sites', {
        params: { path: { workspace }, query: { counts } },
        signal,
      }),
    ),
});
