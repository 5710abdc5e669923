import { ofWorkspace } from '@/release/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';
import type { Defined } from '@/shared/definitions';

/** What each setting of each kind is for, in the server's words. */
export const settingHelp = (): Resource<Record<string, Record<string, string>>> => ({
  queryKey: ['help'],
  queryFn: ({ signal }) => ask(api.GET('/api/proof/help', { signal })),
});

/** @param revision of the draft, of which this is said */
export const draftChanges = (workspace: string, revision: number): Resource<Schemas['ChangedView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'changes', revision],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/draft/changes', { params: { path: { workspace } }, signal })),
});

/** @param revision of the draft, of which this is said */
export const draftEdits = (workspace: string, revision: number): Resource<Schemas['EditView'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'edits', revision],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/draft/edits', { params: { path: { workspace } }, signal })),
});

/**
 * The page, the index and the API answer that a definition makes, with made-up values.
 *
 * @param revision of the draft, whose other definitions have a part in it
 */
export const lookOf = (workspace: string, of: Defined, revision: number): Resource<Schemas['TypeLook']> => ({
  queryKey: [...ofWorkspace(workspace), 'look', revision, of.sort, of.definition],
  queryFn: ({ signal }) =>
    ask(
      api.POST('/api/proof/{workspace}/look', {
        params: { path: { workspace } },
        body: { sort: of.sort, definition: of.definition },
        signal,
      }),
    ),
});

/** The models to start from that ship with the application. */
export const sampleList = (): Resource<Schemas['SampleView'][]> => ({
  queryKey: ['samples'],
  queryFn: ({ signal }) => ask(api.GET('/api/samples', { signal })),
});
