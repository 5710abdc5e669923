import { api, ask, type Schemas } from '@/shared/api/client';
import { useChoosing, type Choosing } from '@/shared/choosing';
import type { Choices } from './choices';

/** A workbook that was read, with the model that is proposed for it. */
export function useWorkbook(workspace: string, id: number): Choosing<Schemas['WorkbookView'], Choices> {
  const path = { workspace, id };
  return useChoosing<Schemas['WorkbookView'], Choices>({
    load: () => ask(api.GET('/api/workspaces/{workspace}/workbooks/{id}', { params: { path } })),
    store: ({ chosen }, body) => {
      const params = { path, query: { chosen } };
      return ask(api.PUT('/api/workspaces/{workspace}/workbooks/{id}/choices', { params, body }));
    },
    choicesOf: (view) => view.choices,
    none: { sheets: [] },
  });
}
