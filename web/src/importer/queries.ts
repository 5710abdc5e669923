import { ofSite } from '@/site/queries';
import { api, ask, type Schemas } from '@/shared/api/client';
import type { PagedResource, Resource } from '@/shared/api/queries';

/** Workbooks whose rows were sent for a site in the last days, the newest first. */
export const importList = (site: string): Resource<Schemas['ImportProgress'][]> => ({
  queryKey: [...ofSite(site), 'imports'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/imports', { params: { path: { site } }, signal })),
});

/** Mappings that a site keeps under names. */
export const mappingList = (site: string): Resource<Schemas['MappingEntry'][]> => ({
  queryKey: [...ofSite(site), 'mappings'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/mappings', { params: { path: { site } }, signal })),
});

/** Rows of a page of them. */
const PAGE = 50;
/** Where the rows of one sheet are kept, and of which state they are. */
export interface RowsAsked {
  site: string;
  id: number;
  sheet: number;
  /** new, changed, same, left or failed; empty for all */
  outcome: string;
  /** Counts what made them others than they were. */
  round: string;
}

/** Rows of a sheet with what became of them. */
export function importRows(asked: RowsAsked): PagedResource<Schemas['ImportedRow'][], number> {
  const { site, id, sheet, outcome, round } = asked;
  return {
    queryKey: [...ofSite(site), 'import', id, 'rows', sheet, outcome, round],
    queryFn: ({ signal, pageParam: after }) => {
      const params = { path: { site, id, sheet }, query: { outcome, after, most: PAGE } };
      return ask(api.GET('/api/sites/{site}/imports/{id}/sheets/{sheet}/rows', { params, signal }));
    },
    initialPageParam: 0,
    getNextPageParam: (page) => (page.length === PAGE ? page.at(-1)?.row : undefined),
  };
}

/** What some rows would change in their records. */
export function rowChanges({ site, id, sheet, round }: RowsAsked, rows: number[]): Resource<Schemas['RowChange'][]> {
  return {
    queryKey: [...ofSite(site), 'import', id, 'changes', sheet, round, rows],
    queryFn: ({ signal }) => {
      const params = { path: { site, id, sheet }, query: { rows } };
      return ask(api.GET('/api/sites/{site}/imports/{id}/sheets/{sheet}/changes', { params, signal }));
    },
  };
}

/** What undoing an import would do now. */
export const undoCounts = (site: string, id: number): Resource<Schemas['UndoCounts']> => ({
  queryKey: [...ofSite(site), 'import', id, 'undo-plan'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/imports/{id}/undo-plan', { params: { path: { site, id } }, signal })),
});

/** Stands in addresses where the key of a type does; no key has such a sign in it. */
export const IMPORTS = 'workbook-rows';
