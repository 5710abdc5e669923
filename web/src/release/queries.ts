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

export const accessTokens = (workspace: string): Resource<Schemas['AccessView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'access-tokens'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/access-tokens', { params: { path: { workspace } }, signal })),
});

export const codeTargets = (workspace: string): Resource<Schemas['TargetView'][]> => ({
  queryKey: ['code-targets', workspace],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/generate', { params: { path: { workspace } }, signal })),
});

/** The files for a target; with those that bring what was made of another release on. The draft's are made anew each time. */
export const generatedCode = (
  workspace: string,
  version: string,
  target: string,
  from: string,
): Resource<Schemas['GeneratedView']> => ({
  queryKey: [...ofWorkspace(workspace), 'generated', version, target, from],
  queryFn: ({ signal }) =>
    ask(
      api.GET('/api/workspaces/{workspace}/generate/{target}', {
        params: { path: { workspace, target }, query: { version, ...(from ? { from } : {}) } },
        signal,
      }),
    ),
});
