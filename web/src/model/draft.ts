import { defineStore } from 'pinia';
import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { useWorkspace } from '@/frame/workspace';
import { drop, keep as keepAt, kept, newKeeper, tellsOpen } from '@/shared/keeping';
import { api, ApiError, ask, isRefused, sentenceOf, type FindingView, type Schemas } from '@/shared/api/client';
import { defined, idOf, type Defined, type Definition, type DefinitionOf, type Sort } from '@/shared/definitions';
import { withKey } from './rows';
import { useDebounceFn, useEventListener } from '@vueuse/core';

export type SaveState = 'saved' | 'saving' | 'failed' | 'conflict';
const PAUSE = 400;
/** After how many milliseconds without a key the browser keeps what was typed: soon, yet not at every key of a large definition. */
const KEEP_AFTER = 100;
const RETRY = 3_000;
const MOST_UNANSWERED = 20;

interface Conflict {
  id: string;
  why: string;
  theirs: Schemas['DefinitionView'] | undefined;
}

/** An edit that the server does not have yet; kept by the browser until it has. */
interface Unsent {
  sort: Sort;
  definition: Definition;
  base: number;
  before: Definition | null;
  /** What was sent without an answer: the server may have it. */
  sent?: Definition[];
  at: string;
}

/** Whoever shows what a definition makes: an edit carries what is shown, and its answer tells it. */
export interface Follower {
  /** What is shown of the definition; undefined where it is not the one that is shown. */
  shown: (id: string) => Schemas['ShownParts'] | undefined;
  told: (of: Defined, written: Schemas['Written']) => void;
}

/** The open draft: definitions as they are typed, sent to the server one at a time; edits of others are joined there. */
export const useDraft = defineStore('draft', () => {
  const workspace = ref('');
  const all = shallowRef(new Map<string, Defined>());
  const ids = shallowRef<string[]>([]);
  const revision = ref(0);
  const findings = shallowRef<FindingView[]>([]);
  const changed = shallowRef<string[]>([]);
  const uses = shallowRef<Record<string, string[]>>({});
  const onPages = shallowRef<Record<string, string[]>>({});
  const undoTitle = ref<string>();
  const redoTitle = ref<string>();
  const state = ref<SaveState>('saved');
  const why = ref('');
  const conflict = ref<Conflict>();
  const joined = ref('');
  const loaded = ref(false);
  /** Definitions as the server last told them, and their revisions. */
  const seen = new Map<string, { definition: Definition; revision: number }>();
  const dirty = new Set<string>();
  /** The definition that is on its way to the server. */
  let underway: string | undefined;
  /** What was sent and never answered, by definition: where the server has it after all, it is not somebody else's. */
  const unanswered = new Map<string, Definition[]>();
  const keeper = newKeeper();
  let follower: Follower | undefined;
  onScopeDispose(keeper.close, true);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keepSoon = useDebounceFn(keep, KEEP_AFTER);
  useEventListener(window, 'pagehide', keep);
  let sending: Promise<void> | undefined;
  let worthRetrying = false;

  const definitions = computed(() => ids.value.flatMap((id) => all.value.get(id) ?? []));
  const types = computed(() => ofSort('type'));

  function ofSort<S extends Sort>(sort: S): DefinitionOf<S>[] {
    return definitions.value.flatMap((each) => (each.sort === sort ? [each.definition as DefinitionOf<S>] : []));
  }

  function find(id: string | undefined): Defined | undefined {
    return all.value.get(id ?? '');
  }

  const path = computed(() => ({ workspace: workspace.value }));
  const since = () => ({ since: revision.value });
  const placeOf = (id: string) => `draft/${workspace.value}/${id}`;

  /** Whether what stands here may not be replaced: the server is not known to have it, or somebody has to choose. */
  function mine(id: string): boolean {
    return dirty.has(id) || underway === id || conflict.value?.id === id;
  }

  function take(view: Schemas['DraftView']): void {
    if (view.revision < revision.value) {
      return;
    }
    const map = new Map(all.value);
    for (const each of view.definitions) {
      const next = defined(each);
      const id = idOf(next);
      if (!mine(id)) {
        map.set(id, next);
        seen.set(id, { definition: next.definition, revision: each.revision });
      }
    }
    const there = new Set(view.ids);
    for (const id of map.keys()) {
      if (!there.has(id) && !mine(id)) {
        map.delete(id);
        seen.delete(id);
      }
    }
    all.value = map;
    ids.value = [...view.ids, ...[...map.keys()].filter((id) => !there.has(id))];
    revision.value = view.revision;
    findings.value = view.findings;
    changed.value = view.changed;
    uses.value = view.uses;
    onPages.value = view.onPages;
    undoTitle.value = view.undo ?? undefined;
    redoTitle.value = view.redo ?? undefined;
  }

  async function open(wanted: string): Promise<void> {
    if (wanted === workspace.value && loaded.value) {
      await comeBack();
      void flush();
      return;
    }
    await flush();
    keep();
    workspace.value = wanted;
    dirty.clear();
    unanswered.clear();
    seen.clear();
    conflict.value = undefined;
    state.value = 'saved';
    loaded.value = false;
    all.value = new Map();
    ids.value = [];
    revision.value = 0;
    await refresh();
    await restore();
    loaded.value = true;
  }

  /** Takes up what windows could not send that are closed by now: of each definition the newest, the others another time. */
  async function restore(): Promise<void> {
    const wanted = workspace.value;
    const left = await kept<Unsent>(`draft/${wanted}`);
    const taken = new Set<string>();
    for (const { place, keeper: other, value } of left) {
      const id = value.definition.id ?? '';
      if (wanted !== workspace.value || mine(id) || taken.has(id)) {
        continue;
      }
      taken.add(id);
      seen.set(id, { definition: value.before ?? value.definition, revision: value.base });
      // windows of an older version kept no such list
      unanswered.set(id, value.sent ?? []);
      edit({ sort: value.sort, definition: value.definition } as Defined);
      keep();
      drop(place, other);
    }
  }

  function forget(id: string): void {
    drop(placeOf(id), keeper.name);
  }

  /** Takes in what other windows have changed, and what those left unsent that are closed by now. */
  async function comeBack(): Promise<void> {
    try {
      await refresh();
    } finally {
      if (loaded.value) {
        await restore();
      }
    }
  }

  /** Takes up what windows left unsent that are known to be closed by now; the server is not asked for that. */
  async function takeLeft(): Promise<void> {
    if (loaded.value && tellsOpen()) {
      await restore();
    }
  }

  /** Takes in what other windows have changed; what is being typed here stays. */
  async function refresh(): Promise<void> {
    if (workspace.value && !sending) {
      const params = { path: path.value, query: since() };
      take(await ask(api.GET('/api/workspaces/{workspace}/draft', { params })));
    }
  }

  function edit(next: Defined): void {
    const id = idOf(next);
    if (!all.value.has(id)) {
      ids.value = [...ids.value, id];
    }
    all.value = new Map(all.value).set(id, next);
    clearTimeout(timer);
    if (conflict.value?.id !== id) {
      dirty.add(id);
    }
    if (!conflict.value) {
      state.value = 'saving';
    }
    timer = setTimeout(() => void flush(), PAUSE);
    void keepSoon();
  }

  /** The key of whatever has the id, in whichever definition: it was derived, and its place may have been left since. */
  function setKey(id: string, key: string): void {
    for (const each of definitions.value) {
      const changed = withKey(each.definition, id, key);
      if (changed !== each.definition) {
        edit({ ...each, definition: changed } as Defined);
        return;
      }
    }
  }

  /** Lets the browser keep what the server does not have yet, in case this window is gone before it has. */
  function keep(): void {
    const at = new Date().toISOString();
    for (const id of [...all.value.keys()].filter(mine)) {
      const now = all.value.get(id);
      const known = seen.get(id);
      if (now) {
        const before = known?.definition ?? null;
        const sent = unanswered.get(id) ?? [];
        keepAt(placeOf(id), keeper.name, { ...now, base: known?.revision ?? 0, before, sent, at });
      }
    }
  }

  /** Sends what is not sent yet. */
  async function flush(): Promise<void> {
    clearTimeout(timer);
    while (sending) {
      await sending;
    }
    keep();
    if (dirty.size === 0 || conflict.value) {
      return;
    }
    sending = sendAll();
    await sending;
    sending = undefined;
    if (state.value === 'failed') {
      if (!worthRetrying) {
        return;
      }
      timer = setTimeout(() => void flush(), RETRY);
    } else if (dirty.size > 0 && state.value !== 'conflict') {
      await flush();
    }
  }

  async function sendAll(): Promise<void> {
    let refused = '';
    for (const id of [...dirty]) {
      const mine = all.value.get(id);
      const known = seen.get(id);
      dirty.delete(id);
      if (!mine) {
        continue;
      }
      underway = id;
      const sent = unanswered.get(id);
      const shown = follower?.shown(id) ?? { look: false };
      const body = { ...mine, base: known?.revision ?? 0, before: known?.definition, ...(sent ? { sent } : {}), shown };
      unanswered.set(id, [...(sent ?? []), mine.definition].slice(-MOST_UNANSWERED));
      keep();
      try {
        const params = { path: { ...path.value, id }, query: since() };
        const written = await ask(api.PUT('/api/workspaces/{workspace}/draft/definitions/{id}', { params, body }));
        unanswered.delete(id);
        underway = undefined;
        stored(id, mine.definition, written);
        follower?.told(all.value.get(id) ?? mine, written);
      } catch (thrown) {
        underway = undefined;
        if (isRefused(thrown)) {
          unanswered.set(id, sent ?? []);
        }
        fail(id, thrown);
        if (conflict.value || worthRetrying) {
          return;
        }
        refused = why.value;
      }
    }
    if (refused) {
      state.value = 'failed';
      why.value = refused;
    }
  }

  function stored(id: string, mine: Definition, written: Schemas['Written']): void {
    const now = written.draft.definitions.find((each) => each.definition.id === id);
    if (dirty.has(id) && now) {
      // typed on meanwhile: what was sent is what the next edit starts from, unless another's edit was joined in
      seen.set(id, written.merged ? { definition: mine, revision: 0 } : { definition: mine, revision: now.revision });
    }
    if (written.draft.revision < revision.value) {
      takeLate(written.draft.revision, now, id);
    } else {
      take(written.draft);
    }
    joined.value = written.merged ? id : joined.value;
    if (!dirty.has(id)) {
      forget(id);
    }
    state.value = dirty.size > 0 ? 'saving' : 'saved';
    if (written.sites) {
      useWorkspace().tell(written.sites);
    } else {
      told();
    }
  }

  /** Later things were told before this answer came, yet nothing of what it answers: this is taken now, and the others asked for anew. */
  function takeLate(told: number, now: Schemas['DefinitionView'] | undefined, id: string): void {
    if (now && !mine(id)) {
      const next = defined(now);
      all.value = new Map(all.value).set(id, next);
      seen.set(id, { definition: next.definition, revision: now.revision });
    }
    revision.value = told;
  }

  function told(): void {
    useWorkspace()
      .loadSites()
      .catch(() => undefined);
  }

  function fail(id: string, thrown: unknown): void {
    if (thrown instanceof ApiError && thrown.status === 409) {
      conflict.value = { id, why: thrown.message, theirs: thrown.current as Schemas['DefinitionView'] | undefined };
      state.value = 'conflict';
      return;
    }
    dirty.add(id);
    state.value = 'failed';
    worthRetrying =
      thrown instanceof ApiError &&
      (thrown.status === 0 || thrown.status === 401 || thrown.status === 403 || thrown.status >= 500);
    why.value = thrown instanceof ApiError && thrown.findings[0] ? thrown.findings[0].sentence : sentenceOf(thrown);
  }

  async function takeTheirs(): Promise<void> {
    const at = conflict.value;
    conflict.value = undefined;
    state.value = dirty.size > 0 ? 'saving' : 'saved';
    if (at) {
      forget(at.id);
    }
    revision.value = 0; // theirs may have been changed again since the clash was told
    await refresh();
    await flush();
  }

  async function keepMine(): Promise<void> {
    const at = conflict.value;
    conflict.value = undefined;
    if (!at) {
      return;
    }
    if (at.theirs) {
      seen.set(at.id, { definition: defined(at.theirs).definition, revision: at.theirs.revision });
    } else {
      seen.delete(at.id);
    }
    dirty.add(at.id);
    state.value = 'saving';
    await flush();
  }

  /** Something the server does to the whole draft, after what was typed has been sent. */
  async function act(request: () => Promise<Schemas['DraftView']>): Promise<void> {
    await flush();
    take(await request());
    told();
  }

  async function add(sort: Sort, name: string, type?: string): Promise<string> {
    let id = '';
    await act(async () => {
      const made = await ask(
        api.POST('/api/workspaces/{workspace}/draft/definitions', {
          params: { path: path.value, query: since() },
          body: { sort, name, type },
        }),
      );
      id = made.id;
      return made.draft;
    });
    return id;
  }

  function remove(id: string): Promise<void> {
    const params = { path: { ...path.value, id } };
    return act(async () => {
      const query = since();
      const view = await ask(
        api.DELETE('/api/workspaces/{workspace}/draft/definitions/{id}', { params: { ...params, query } }),
      );
      dirty.delete(id);
      forget(id);
      return view;
    });
  }

  async function step(which: 'undo' | 'redo'): Promise<void> {
    await flush();
    if (!(which === 'undo' ? undoTitle.value : redoTitle.value)) {
      return;
    }
    const params = { path: path.value, query: since() };
    await act(() =>
      which === 'undo'
        ? ask(api.POST('/api/workspaces/{workspace}/draft/undo', { params }))
        : ask(api.POST('/api/workspaces/{workspace}/draft/redo', { params })),
    );
  }

  /** From now on this is asked what is shown, and told of it. */
  function follow(by: Follower): void {
    follower = by;
  }

  return {
    workspace,
    path,
    follow,
    since,
    definitions,
    types,
    revision,
    findings,
    changed,
    uses,
    onPages,
    undoTitle,
    redoTitle,
    state,
    why,
    conflict,
    joined,
    loaded,
    ofSort,
    find,
    open,
    refresh,
    comeBack,
    takeLeft,
    edit,
    setKey,
    flush,
    act,
    take,
    takeTheirs,
    keepMine,
    add,
    remove,
    undo: () => step('undo'),
    redo: () => step('redo'),
  };
});
