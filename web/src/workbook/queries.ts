import { ofWorkspace } from '@/release/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';

/** The workbooks that were read in a workspace, the newest first. */
export const workbookList = (workspace: string): Resource<Schemas['WorkbookEntry'][]> => ({
  queryKey: [...ofWorkspace(workspace), 'workbooks'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/workspaces/{workspace}/workbooks', { params: { path: { workspace } }, signal })),
});
