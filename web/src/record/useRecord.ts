import { useDebounceFn } from '@vueuse/core';
import { computed, onScopeDispose, reactive, ref, shallowRef } from 'vue';
import { drop, keep, kept, newKeeper, type Kept } from '@/shared/keeping';
import {
  api,
  ApiError,
  ask,
  isRefused,
  oneChange,
  sentenceOf,
  withdraw,
  type Change,
  type Schemas,
} from '@/shared/api/client';
import { i18n } from '@/shared/i18n';
import { textOf } from '@/shared/text';
import { same, type Problem } from './form';
import { pathOf } from './links';
import type { RecordType } from './recordTypes';
import {
  changed,
  changeOf,
  isMoment,
  momentOf,
  NOWHERE,
  placementOf,
  type Placement,
  type PlacementChange,
} from './placement';
import { typedOn } from './typedOn';

/** What was typed into a record and not saved. */
interface Unfinished {
  /** Version of the record that was open; 0 for a new one. */
  version: number;
  values: Record<string, unknown>;
  /** What was changed beside them; windows of an older version kept nothing of it. */
  place?: PlacementChange;
  /** What was sent without an answer, if anything: it may be stored. */
  unanswered?: Sent | undefined;
  at: string;
}

/** A save on its way: sent again as it is until it is answered, so that it is stored once. */
interface Sent {
  headers: Change;
  /** The record that it changes; none for a new one. */
  id: number | undefined;
  body: Schemas['WriteBody'];
  place: Placement;
}

/** What a new record begins with. */
interface Beginning {
  start: Record<string, unknown>;
  parent?: Schemas['ParentView'] | undefined;
}

export type OpenRecord = Schemas['OpenRecord'];
export type Conflict = Schemas['ConflictView'];
type State = 'draft' | 'published' | 'scheduled' | 'retired';

/** One record that is worked on: loaded, checked while it is typed, kept while it is unfinished, saved. */
export function useRecord(site: () => string, recordType: () => RecordType | undefined, id: () => string) {
  const open = shallowRef<OpenRecord>();
  const values = ref<Record<string, unknown>>({});
  const problems = ref<Problem[]>([]);
  const hidden = ref<string[]>([]);
  const touched = ref(new Set<string>());
  const refused = ref(false);
  const sentence = ref('');
  const conflict = shallowRef<Conflict>();
  const dirty = ref(false);
  const safe = ref(true);
  /** What was typed before and not saved, newest first. */
  const left = shallowRef<Kept<Unfinished>[]>([]);
  const found = computed(() => left.value[0]?.value);
  const place = reactive<Placement>({ ...NOWHERE });
  /** Whether there is something to type into: before that, what was typed would be overwritten by what is loaded. */
  const ready = ref(false);
  const isNew = computed(() => id() === 'new');
  /** Under which it is kept in this browser; a new one is as any other once it is stored. */
  const key = computed(() => {
    const stored = isNew.value ? open.value?.record.id : undefined;
    return `record/${site()}/${recordType()?.id ?? ''}/${String(stored ?? id())}`;
  });
  let checking = 0;
  /** What saving was refused for, and what stood there: only saving finds some of it, so it stays until that is changed. */
  let refusals: { problem: Problem; of: string }[] = [];
  /** Which record is open, as often as one was opened: an answer for an earlier one is not shown. */
  let generation = 0;
  let form = newKeeper();
  let unanswered: Sent | undefined;
  /** The version that what is typed began from, where it is not the open one: taken up later, and somebody may have gone on. */
  let base: number | undefined;
  let saving: { state: State; values: string; done: Promise<OpenRecord | undefined> } | undefined;
  let isClosed = false;
  onScopeDispose(() => {
    // what is on its way belongs to whoever takes up what is kept
    generation++;
    isClosed = true;
    form.close();
  }, true);

  const isOpen = () => open.value !== undefined;
  const path = () => pathOf(site(), recordType() as RecordType);
  const single = () => recordType()?.sort === 'values';

  function show(next: OpenRecord): void {
    open.value = next;
    base = undefined;
    values.value = { ...next.record.values };
    hidden.value = next.hidden;
    problems.value = next.problems;
    touched.value = new Set();
    refused.value = false;
    refusals = [];
    sentence.value = '';
    conflict.value = undefined;
    dirty.value = false;
    Object.assign(place, placementOf(next.record));
  }

  /** What leads here has changed at its own place; what is typed here stays. */
  function leads(next: OpenRecord): void {
    if (open.value) {
      open.value = { ...open.value, pointers: next.pointers };
    }
  }

  /** What is here is gone at once, so that nobody types into it while the next is asked for. */
  function clear(): number {
    generation++;
    form.close();
    form = newKeeper();
    saving = undefined;
    unanswered = undefined;
    base = undefined;
    ready.value = false;
    open.value = undefined;
    values.value = {};
    problems.value = [];
    hidden.value = [];
    dirty.value = false;
    left.value = [];
    sentence.value = '';
    conflict.value = undefined;
    touched.value = new Set();
    refused.value = false;
    Object.assign(place, NOWHERE);
    return generation;
  }

  async function begin({ start, parent }: Beginning): Promise<void> {
    values.value = start;
    dirty.value = Object.keys(start).length > 0;
    place.parent = parent;
    await check();
  }

  /** Opens the record that is asked for, or a new one with what `beginning` gives. */
  async function load(beginning: () => Promise<Beginning> = () => Promise.resolve({ start: {} })): Promise<void> {
    const mine = clear();
    let isBegun = false;
    try {
      if (isNew.value) {
        const from = await beginning();
        if (mine !== generation) {
          return;
        }
        isBegun = true;
        await begin(from);
      } else {
        const params = { path: { ...path(), id: Number(id()) } };
        const answer = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records/{id}', { params }));
        if (mine !== generation) {
          return;
        }
        show(answer);
      }
    } catch (thrown) {
      if (mine !== generation) {
        return;
      }
      if (single() && thrown instanceof ApiError && thrown.status === 404) {
        await check();
      } else {
        sentence.value = sentenceOf(thrown);
      }
    }
    if (mine !== generation) {
      return;
    }
    ready.value = isOpen() || isBegun || single();
    const unfinished = await kept<Unfinished>(key.value);
    if (mine === generation) {
      // what is stored by now is not offered later either, when it would be older than what is stored then
      const isStored = ({ value }: Kept<Unfinished>) =>
        same(value.values, values.value) && same(changed({ ...place }, value.place ?? {}), { ...place });
      unfinished.filter(isStored).forEach((each) => {
        drop(each.place, each.keeper);
      });
      left.value = unfinished.filter((each) => !isStored(each));
    }
  }

  async function check(): Promise<void> {
    const mine = ++checking;
    const body = {
      values: values.value,
      state: open.value?.record.state ?? 'draft',
      ...(place.parent ? { parent: place.parent } : {}),
    };
    const answer = await ask(api.POST('/api/sites/{site}/{sort}/{key}/check', { params: { path: path() }, body }));
    if (mine === checking) {
      const holdsStill = ({ problem, of }: (typeof refusals)[number]) =>
        of === standing(problem.path) &&
        !answer.problems.some((each) => each.path === problem.path && each.sentence === problem.sentence);
      problems.value = [...answer.problems, ...refusals.filter(holdsStill).map(({ problem }) => problem)];
      hidden.value = answer.hidden;
    }
  }

  /** What stands where a problem is. */
  function standing(at: string): string {
    const [first = ''] = at.split('.');
    const beside = { slug: place.slug, parent: place.parent, publish_at: place.publishAt, retire_at: place.retireAt };
    return textOf(JSON.stringify(first in beside ? beside[first as 'slug'] : values.value[first]));
  }

  function refuse(of: Problem[]): void {
    refused.value = true;
    problems.value = of;
    refusals = of.map((problem) => ({ problem, of: standing(problem.path) }));
  }
  const soon = useDebounceFn(() => {
    if (!isClosed) {
      check().catch(() => undefined);
    }
  }, 250);

  function touch(field: string): void {
    dirty.value = true;
    touched.value = new Set(touched.value).add(field);
    keepTyped();
    void soon();
  }

  const typed = () => ({
    version: base ?? open.value?.record.version ?? 0,
    values: values.value,
    place: changeOf(placementOf(open.value?.record), place),
    unanswered,
    at: new Date().toISOString(),
  });

  function keepTyped(): void {
    safe.value = keep(key.value, form.name, typed());
  }

  /** What was typed before takes the place of what is here, which is left unfinished in its turn; it is not saved yet. */
  function takeUnfinished(): void {
    const [taken, ...others] = left.value;
    if (!taken) {
      return;
    }
    drop(taken.place, taken.keeper);
    left.value = others;
    if (dirty.value) {
      const other = newKeeper();
      other.close();
      keep(key.value, other.name, typed());
      left.value = [...others, { place: key.value, keeper: other.name, value: typed() }];
    }
    values.value = taken.value.values;
    Object.assign(place, changed(placementOf(open.value?.record), taken.value.place ?? {}));
    unanswered ??= taken.value.unanswered;
    base = taken.value.version || undefined;
    dirty.value = true;
    keepTyped();
    void soon();
  }

  function dropUnfinished(): void {
    const [dropped, ...others] = left.value;
    if (dropped) {
      drop(dropped.place, dropped.keeper);
      left.value = others;
    }
  }

  /** Saves what is typed; asked for once more while it is under way, only if something was typed since. */
  async function save(state: State): Promise<OpenRecord | undefined> {
    const now = JSON.stringify([values.value, place]);
    if (saving) {
      const { done } = saving;
      if (saving.state === state && saving.values === now) {
        return done;
      }
      const mine = generation;
      await done;
      return mine === generation ? save(state) : undefined;
    }
    const done = send(state).finally(() => {
      if (saving?.done === done) {
        saving = undefined;
      }
    });
    saving = { state, values: now, done };
    return done;
  }

  /** What was not answered is sent again as it was, or is taken back where something else is wanted by now. */
  async function send(state: State): Promise<OpenRecord | undefined> {
    const earlier = unanswered;
    if (!isReadable()) {
      return undefined;
    }
    if (earlier && isStill(earlier, state)) {
      return deliver(earlier);
    }
    if (earlier && !(await takeBack(earlier))) {
      return undefined;
    }
    if (earlier && open.value?.record.state === state && !dirty.value) {
      return open.value;
    }
    const version = base ?? open.value?.record.version ?? 0;
    const publishAt = momentOf(place.publishAt, open.value?.record.publishAt);
    const retireAt = momentOf(place.retireAt, open.value?.record.retireAt);
    const body = {
      version,
      state,
      values: values.value,
      ...(place.parent ? { parent: place.parent } : {}),
      ...(place.slug && place.slug !== open.value?.record.slug ? { slug: place.slug } : {}),
      ...(publishAt ? { publishAt } : {}),
      ...(retireAt ? { retireAt } : {}),
    };
    const isFirst = isNew.value && !single() && !open.value;
    const target = isFirst ? undefined : single() ? 1 : (open.value?.record.id ?? Number(id()));
    return deliver({ headers: oneChange(), id: target, body, place: { ...place } });
  }

  function isStill({ body, place: sentPlace }: Sent, state: State): boolean {
    return body.state === state && same(body.values, values.value) && same(sentPlace, { ...place });
  }

  /** Whether the moments can be read that were typed; the form says which cannot. */
  function isReadable(): boolean {
    const moments: [string, string][] = [
      ['publish_at', place.publishAt],
      ['retire_at', place.retireAt],
    ];
    const wrong = moments.filter(([, text]) => !isMoment(text));
    if (wrong.length === 0) {
      return true;
    }
    refuse(
      wrong.map(([field, text]) => ({
        path: field,
        required: false,
        sentence: i18n.global.t('record.notMoment', { text }),
      })),
    );
    return false;
  }

  /** Whether it is settled what became of an earlier save: it is stored, and what was typed since stands upon it, or never will be. */
  async function takeBack(earlier: Sent): Promise<boolean> {
    const mine = generation;
    const at = key.value;
    sentence.value = '';
    try {
      const stored = await withdraw<OpenRecord>(earlier.headers);
      if (mine !== generation) {
        return false;
      }
      unanswered = undefined;
      if (stored) {
        drop(at, form.name);
        saved(stored, earlier);
      }
      return true;
    } catch (thrown) {
      if (mine === generation) {
        failed(thrown);
      }
      return false;
    }
  }

  async function deliver(now: Sent): Promise<OpenRecord | undefined> {
    const mine = generation;
    const at = key.value;
    const keeper = form.name;
    sentence.value = '';
    unanswered = now;
    keepTyped();
    try {
      const stored = await write(now);
      if (mine !== generation) {
        // what is kept may hold more than was sent; where it does not, it goes when the record is opened again
        return undefined;
      }
      drop(at, keeper);
      saved(stored, now);
      return stored;
    } catch (thrown) {
      if (mine !== generation) {
        return undefined;
      }
      const stored = storedAsSent(thrown, now);
      if (stored) {
        saved(stored, now);
      } else {
        failed(thrown);
      }
      return stored;
    }
  }

  /** What is stored, where it is just what a save asks for: sent before, stored, and forgotten by a server that was restarted. */
  function storedAsSent(thrown: unknown, { body }: Sent): OpenRecord | undefined {
    const current = thrown instanceof ApiError && thrown.status === 409 ? (thrown.current as Conflict | null) : null;
    const stored = current?.record;
    return stored && stored.record.state === body.state && same(stored.record.values, body.values) ? stored : undefined;
  }

  function write({ headers, id, body }: Sent): Promise<OpenRecord> {
    return id === undefined
      ? ask(api.POST('/api/sites/{site}/{sort}/{key}/records', { params: { path: path() }, headers, body }))
      : ask(
          api.PUT('/api/sites/{site}/{sort}/{key}/records/{id}', {
            params: { path: { ...path(), id } },
            headers,
            body,
          }),
        );
  }

  function failed(thrown: unknown): void {
    sentence.value = sentenceOf(thrown);
    if (!(thrown instanceof ApiError)) {
      return;
    }
    if (isRefused(thrown)) {
      unanswered = undefined;
      keepTyped();
    }
    refused.value = thrown.status === 422;
    if (thrown.problems.length) {
      refuse(thrown.problems);
    }
    if (thrown.status === 409) {
      conflict.value = thrown.current as Conflict | undefined;
    }
  }

  /** Shows what is stored; what was typed while it was on its way stays, and is not saved yet. */
  function saved(stored: OpenRecord, { body: { values: sent }, place: sentPlace }: Sent): void {
    unanswered = undefined;
    const now = values.value;
    const movedOn = changeOf(sentPlace, place);
    const fields = touched.value;
    show(stored);
    if (same(now, sent) && same(movedOn, {})) {
      return;
    }
    values.value = typedOn(sent, now, stored.record.values);
    Object.assign(place, changed({ ...place }, movedOn));
    touched.value = fields;
    dirty.value = true;
    keepTyped();
    void soon();
  }

  /** Goes on with both, mine where both changed something; then it is saved over the newer version. */
  function merge(chosen: Record<string, unknown>): void {
    if (conflict.value) {
      const { record } = conflict.value;
      const moved = changeOf(placementOf(open.value?.record), place);
      show(record);
      Object.assign(place, changed({ ...place }, moved));
      values.value = chosen;
      dirty.value = true;
      keepTyped();
      void soon();
    }
  }

  /** Problems of fields that somebody has been in, or all of them once saving was refused. */
  const shownProblems = computed(() =>
    problems.value.filter((problem) => refused.value || touched.value.has(problem.path.split('.')[0] ?? '')),
  );

  return {
    open,
    values,
    problems,
    shownProblems,
    hidden,
    sentence,
    conflict,
    refused,
    dirty,
    safe,
    found,
    place,
    isNew,
    ready,
    load,
    clear,
    show,
    leads,
    touch,
    save,
    merge,
    takeUnfinished,
    dropUnfinished,
  };
}
