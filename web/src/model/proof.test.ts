import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useWorkspace } from '@/frame/workspace';
import { queryClient } from '@/shared/api/queries';
import type { Defined } from '@/shared/definitions';
import type { ContentType } from '@/shared/kinds';
import { useDraft } from './draft';
import { useProof } from './proof';
import { lookOf } from './queries';

const mooring: ContentType = { id: 't1', key: 'mooring', singular: 'Mooring', plural: 'Moorings', path: 'moorings' };
const called = (singular: string): Defined => ({ sort: 'type', definition: { ...mooring, singular } });
const site = { path: 'trial', name: 'Trial', version: '1.0.0', behind: 3, state: 'ready' };

/** What the server was asked, as method and path. */
let asked: string[];
let definition: ContentType;
let revision: number;
let refuses: boolean;

interface Sent {
  definition: ContentType;
  values?: Record<string, unknown>;
  shown?: { values?: Record<string, unknown>; look: boolean };
}

const proofOf = (of: ContentType, values = {}) => ({
  code: `singular: ${of.singular}`,
  wordings: { tried: JSON.stringify(values) },
  conditions: {},
});
const draftView = () => ({
  revision,
  ids: ['t1'],
  definitions: [{ sort: 'type', definition, revision }],
  findings: [],
  changed: [],
  uses: {},
});

async function answer(request: Request): Promise<Response> {
  const path = new URL(request.url).pathname.replace('/api/', '');
  asked.push(`${request.method} ${path}`);
  if (request.method === 'GET') {
    return Response.json(path.endsWith('/sites') ? [] : draftView());
  }
  const sent = (await request.json()) as Sent;
  if (path.startsWith('proof/')) {
    return Response.json(proofOf(sent.definition, sent.values));
  }
  if (refuses) {
    return Response.json({ detail: 'No.' }, { status: 422 });
  }
  definition = sent.definition;
  revision++;
  return Response.json({
    merged: false,
    draft: draftView(),
    proof: sent.shown?.values && proofOf(definition, sent.shown.values),
    look: sent.shown?.look ? { page: definition.singular } : undefined,
    sites: [site],
  });
}

beforeEach(async () => {
  vi.useFakeTimers();
  asked = [];
  definition = mooring;
  revision = 1;
  refuses = false;
  vi.stubGlobal('fetch', answer);
  localStorage.clear();
  queryClient.clear();
  setActivePinia(createPinia());
  await useWorkspace().open('tessel');
  await useDraft().open('tessel');
  useProof().show(called('Mooring'));
  await later();
  asked = [];
});

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

/** Everything that is put off has happened. */
async function later(): Promise<void> {
  await vi.advanceTimersByTimeAsync(2_000);
  await nextTick();
  await vi.advanceTimersByTimeAsync(2_000);
}

/** As the sheet does: edits the definition, and shows what the draft has of it from then on. */
async function type(singular: string): Promise<void> {
  useDraft().edit(called(singular));
  useProof().show(called(singular));
  await later();
  const now = useDraft().find('t1');
  if (now) {
    useProof().show(now);
  }
  await later();
}

it('learns all that an edit changes from the answer to it', async () => {
  useProof().looks = true;
  await type('Berth');
  expect(asked).toEqual(['PUT workspaces/tessel/draft/definitions/t1']);
  expect(useProof().answer?.code).toBe('singular: Berth');
  expect(useWorkspace().sites).toEqual([site]);
  expect(queryClient.getQueryData(lookOf('tessel', called('Berth'), revision).queryKey)).toEqual({ page: 'Berth' });
});

it('asks for what an edit makes where the edit cannot be stored', async () => {
  refuses = true;
  await type('Berth');
  expect(useDraft().state).toBe('failed');
  expect(asked).toEqual(['PUT workspaces/tessel/draft/definitions/t1', 'POST proof/tessel']);
  expect(useProof().answer?.code).toBe('singular: Berth');
});

it('asks again for what others change, and for values that are tried', async () => {
  definition = { ...mooring, singular: 'Jetty' };
  revision++;
  await useDraft().refresh();
  useProof().show(called('Jetty'));
  await later();
  expect(useProof().answer?.code).toBe('singular: Jetty');
  useProof().set({ length: 3 });
  await later();
  expect(useProof().answer?.wordings.tried).toBe('{"length":3}');
});

it('asks for nothing while nobody sees it, and catches up when somebody does', async () => {
  useProof().hide();
  definition = { ...mooring, singular: 'Jetty' };
  revision++;
  await useDraft().refresh();
  await later();
  expect(asked).toEqual(['GET workspaces/tessel/draft']);
  useProof().show(called('Jetty'));
  await later();
  expect(useProof().answer?.code).toBe('singular: Jetty');
});

it('does not take the answer to an edit for one to values that were tried since', async () => {
  useDraft().edit(called('Berth'));
  useProof().show(called('Berth'));
  await vi.advanceTimersByTimeAsync(390);
  const flushed = useDraft().flush();
  useProof().set({ length: 9 });
  await flushed;
  await later();
  expect(useProof().answer?.wordings.tried).toBe('{"length":9}');
});
