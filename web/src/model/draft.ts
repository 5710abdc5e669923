import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { useWorkspace } from '@/frame/workspace';
import { api, ApiError, ask, sentenceOf, type FindingView, type Schemas } from '@/shared/api/client';
import type { ContentType } from '@/shared/kinds';

export type SaveState = 'saved' | 'saving' | 'failed' | 'conflict';
const PAUSE = 400;
const RETRY = 3_000;

interface Conflict {
  id: string;
  why: string;
  theirs: Schemas['TypeView'] | undefined;
}

/** The open draft: definitions as they are typed, sent to the server one at a time, never overwriting another window's. */
export const useDraft = defineStore('draft', () => {
  const workspace = ref('');
  const types = ref<ContentType[]>([]);
  const revisions = ref<Record<string, number>>({});
  const findings = ref<FindingView[]>([]);
  const changed = ref<string[]>([]);
  const undoTitle = ref<string>();
  const redoTitle = ref<string>();
  const state = ref<SaveState>('saved');
  const why = ref('');
  const conflict = ref<Conflict>();
  const loaded = ref(false);
  const dirty = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<void> | undefined;
  let worthRetrying = false;

  const path = computed(() => ({ workspace: workspace.value }));

  function take(view: Schemas['DraftView']): void {
    const kept = new Map(types.value.map((type) => [type.id, type]));
    types.value = view.types.map(({ definition }) => {
      const mine = kept.get(definition.id);
      return mine && dirty.has(definition.id ?? '') ? mine : definition;
    });
    for (const { definition, revision } of view.types) {
      if (!dirty.has(definition.id ?? '')) {
        revisions.value[definition.id ?? ''] = revision;
      }
    }
    findings.value = view.findings;
    changed.value = view.changed;
    undoTitle.value = view.undo ?? undefined;
    redoTitle.value = view.redo ?? undefined;
  }

  async function open(wanted: string): Promise<void> {
    await flush();
    workspace.value = wanted;
    dirty.clear();
    conflict.value = undefined;
    state.value = 'saved';
    loaded.value = false;
    types.value = [];
    revisions.value = {};
    await refresh();
    loaded.value = true;
  }

  /** Takes in what other windows have changed; what is being typed here stays. */
  async function refresh(): Promise<void> {
    if (workspace.value && !sending) {
      take(await ask(api.GET('/api/workspaces/{workspace}/draft', { params: { path: path.value } })));
    }
  }

  function edit(type: ContentType): void {
    const id = type.id ?? '';
    types.value = types.value.map((each) => (each.id === id ? type : each));
    if (conflict.value?.id === id) {
      return;
    }
    dirty.add(id);
    state.value = 'saving';
    clearTimeout(timer);
    timer = setTimeout(() => void flush(), PAUSE);
  }

  /** Sends what is not sent yet. */
  async function flush(): Promise<void> {
    clearTimeout(timer);
    while (sending) {
      await sending;
    }
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
    } else if (dirty.size > 0 && !conflict.value) {
      await flush();
    }
  }

  async function sendAll(): Promise<void> {
    for (const id of [...dirty]) {
      const type = types.value.find((each) => each.id === id);
      dirty.delete(id);
      if (!type) {
        continue;
      }
      try {
        const params = { path: { ...path.value, id } };
        const body = { base: revisions.value[id] ?? 0, definition: type };
        const view = await ask(api.PUT('/api/workspaces/{workspace}/draft/types/{id}', { params, body }));
        revisions.value[id] = view.types.find((each) => each.definition.id === id)?.revision ?? 0;
        take(view);
        state.value = dirty.size > 0 ? 'saving' : 'saved';
        void useWorkspace()
          .loadSites()
          .catch(() => undefined);
      } catch (thrown) {
        fail(id, thrown);
        return;
      }
    }
  }

  function fail(id: string, thrown: unknown): void {
    if (thrown instanceof ApiError && thrown.status === 409) {
      conflict.value = { id, why: thrown.message, theirs: thrown.current as Schemas['TypeView'] | undefined };
      state.value = 'conflict';
      return;
    }
    dirty.add(id);
    state.value = 'failed';
    worthRetrying = thrown instanceof ApiError && (thrown.status === 0 || thrown.status >= 500);
    why.value = thrown instanceof ApiError && thrown.findings[0] ? thrown.findings[0].sentence : sentenceOf(thrown);
  }

  async function takeTheirs(): Promise<void> {
    const at = conflict.value;
    conflict.value = undefined;
    if (at) {
      dirty.delete(at.id);
    }
    state.value = 'saved';
    await refresh();
  }

  async function keepMine(): Promise<void> {
    const at = conflict.value;
    conflict.value = undefined;
    if (!at) {
      return;
    }
    revisions.value[at.id] = at.theirs?.revision ?? 0;
    dirty.add(at.id);
    state.value = 'saving';
    await flush();
  }

  async function add(singular: string): Promise<string> {
    await flush();
    const made = await ask(
      api.POST('/api/workspaces/{workspace}/draft/types', { params: { path: path.value }, body: { singular } }),
    );
    await refresh();
    void useWorkspace()
      .loadSites()
      .catch(() => undefined);
    return made.definition.id ?? '';
  }

  async function remove(id: string): Promise<void> {
    await flush();
    take(
      await ask(
        api.DELETE('/api/workspaces/{workspace}/draft/types/{id}', { params: { path: { ...path.value, id } } }),
      ),
    );
    void useWorkspace()
      .loadSites()
      .catch(() => undefined);
  }

  async function step(which: 'undo' | 'redo'): Promise<void> {
    await flush();
    if (!(which === 'undo' ? undoTitle.value : redoTitle.value)) {
      return;
    }
    const params = { path: path.value };
    take(
      which === 'undo'
        ? await ask(api.POST('/api/workspaces/{workspace}/draft/undo', { params }))
        : await ask(api.POST('/api/workspaces/{workspace}/draft/redo', { params })),
    );
    void useWorkspace()
      .loadSites()
      .catch(() => undefined);
  }

  return {
    workspace,
    types,
    findings,
    changed,
    undoTitle,
    redoTitle,
    state,
    why,
    conflict,
    loaded,
    open,
    refresh,
    edit,
    flush,
    takeTheirs,
    keepMine,
    add,
    remove,
    undo: () => step('undo'),
    redo: () => step('redo'),
  };
});
