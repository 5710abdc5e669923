import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';

/** Everything of a workspace, by its path. */
export const ofWorkspace = (workspace: string) => ['workspace', workspace];

export const versionList = (workspace: string): Resource<{ version: string }[]> => ({
  queryKey: [...ofWorkspace(workspace), 'versions'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/versions', { params: { path: { workspace } }, signal })),
});

export const nextRelease = (workspace: string): Resource<Schemas['NextView']> => ({
  queryKey: [...ofWorkspace(workspace), 'next'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/next', { params: { path: { workspace } }, signal })),
});

export const releaseList = (workspace: string): Resource<Schemas['ReleaseView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'releases'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/releases', { params: { path: { workspace } }, signal })),
});
