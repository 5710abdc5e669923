import { api, ask, type Schemas } from '@/shared/api/client';
import type { Resource } from '@/shared/api/queries';

/** Everything of a site, by its path. */
export const ofSite = (site: string) => ['site', site];

/** More of a plan is known a second later while records are counted for it. */
const whileCounting = ({ state }: { state: { data: Schemas['PlanView'] | undefined } }): number | false =>
  state.data && state.data.counted < state.data.questions ? 1000 : false;

export const planTo = (site: string, version: string): Resource<Schemas['PlanView']> => ({
  queryKey: [...ofSite(site), 'plan', version],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/plan', { params: { path: { site }, query: { version, partly: true } }, signal })),
  refetchInterval: whileCounting,
});

/** The values of a field that a release cannot take as they are. */
export const unconvertedValues = (site: string, version: string, field: string): Resource<Schemas['ValuesView']> => ({
  queryKey: [...ofSite(site), 'plan', version, 'values', field],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/plan/values', { params: { path: { site }, query: { version, field } }, signal })),
});

/** Records as a plan would change them. */
export const planSamples = (site: string, version: string): Resource<Schemas['ChangedRecord'][]> => ({
  queryKey: [...ofSite(site), 'plan', version, 'samples'],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/plan/samples', { params: { path: { site }, query: { version } }, signal })),
});

export const undoPlan = (site: string, id: number): Resource<Schemas['PlanView']> => ({
  queryKey: [...ofSite(site), 'undo-plan', id],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/runs/{id}/undo-plan', { params: { path: { site, id } }, signal })),
});

/** @param revision of the draft, whose changes are counted on the site */
export const impactOn = (site: string, revision: number): Resource<Schemas['PlanView']> => ({
  queryKey: [...ofSite(site), 'impact', revision],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/impact', { params: { path: { site }, query: { partly: true } }, signal })),
  refetchInterval: whileCounting,
});

export const runList = (site: string): Resource<Schemas['RunView'][]> => ({
  queryKey: [...ofSite(site), 'runs'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/runs', { params: { path: { site } }, signal })),
});

export const oneRun = (site: string, id: number): Resource<Schemas['RunView']> => ({
  queryKey: [...ofSite(site), 'run', id],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/runs/{id}', { params: { path: { site, id } }, signal })),
});

/** Keys of the types that a run brings. */
export const newTypes = (site: string, id: number): Resource<string[]> => ({
  queryKey: [...ofSite(site), 'new-types', id],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/runs/{id}/new-types', { params: { path: { site, id } }, signal })),
});

/** What was found in a site's tables when somebody looked last. */
export const siteDrift = (site: string): Resource<Schemas['DriftView']> => ({
  queryKey: [...ofSite(site), 'drift'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/drift', { params: { path: { site } }, signal })),
});

export const rehearsalList = (site: string): Resource<Schemas['RehearsalView'][]> => ({
  queryKey: [...ofSite(site), 'rehearsals'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/rehearsals', { params: { path: { site } }, signal })),
});

/** A rehearsal with its report. */
export const oneRehearsal = (site: string, id: number): Resource<Schemas['RehearsalView']> => ({
  queryKey: [...ofSite(site), 'rehearsal', id],
  queryFn: ({ signal }) =>
    ask(api.GET('/api/sites/{site}/rehearsals/{id}', { params: { path: { site, id } }, signal })),
});

export const tokenList = (site: string): Resource<Schemas['TokenView'][]> => ({
  queryKey: [...ofSite(site), 'tokens'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/tokens', { params: { path: { site } }, signal })),
});

export const heldList = (site: string): Resource<Schemas['HeldList']> => ({
  queryKey: [...ofSite(site), 'held'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/held', { params: { path: { site } }, signal })),
});

/** What is set for a site and belongs to no definition. */
export const siteSettings = (site: string): Resource<Schemas['SiteSettingsAnswer']> => ({
  queryKey: [...ofSite(site), 'settings'],
  queryFn: ({ signal }) => ask(api.GET('/api/sites/{site}/settings', { params: { path: { site } }, signal })),
});
