import { useDebounceFn } from '@vueuse/core';
import { computed, reactive, ref, shallowRef } from 'vue';
import { api, ApiError, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { Problem } from './form';
import { pathOf } from './links';
import type { Holder } from './holders';
import { drop, keep, kept, type Unfinished } from './unfinished';

export type OpenRecord = Schemas['OpenRecord'];
export type Conflict = Schemas['ConflictView'];
type State = 'draft' | 'published' | 'scheduled' | 'retired';

/** One record that is worked on: loaded, checked while it is typed, kept while it is unfinished, saved. */
export function useRecord(site: () => string, holder: () => Holder | undefined, id: () => string) {
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
  const found = shallowRef<Unfinished>();
  const place = reactive({ slug: '', parent: undefined as Schemas['ParentView'] | undefined, publishAt: '' });
  /** Whether there is something to type into: before that, what was typed would be overwritten by what is loaded. */
  const ready = ref(false);
  const isNew = computed(() => id() === 'new');
  const key = computed(() => `${site()}/${holder()?.id ?? ''}/${id()}`);
  let checking = 0;

  const path = () => pathOf(site(), holder() as Holder);
  const single = () => holder()?.sort === 'values';

  function show(next: OpenRecord): void {
    open.value = next;
    values.value = { ...next.record.values };
    hidden.value = next.hidden;
    problems.value = next.problems;
    touched.value = new Set();
    refused.value = false;
    sentence.value = '';
    conflict.value = undefined;
    dirty.value = false;
    place.slug = next.record.slug;
    place.parent = next.record.parent;
    place.publishAt = next.record.publishAt?.slice(0, 16) ?? '';
  }

  /** What leads here has changed at its own place; what is typed here stays. */
  function leads(next: OpenRecord): void {
    if (open.value) {
      open.value = { ...open.value, pointers: next.pointers };
    }
  }

  async function load(start: Record<string, unknown>, parent?: Schemas['ParentView']): Promise<void> {
    ready.value = false;
    open.value = undefined;
    values.value = start;
    problems.value = [];
    hidden.value = [];
    dirty.value = Object.keys(start).length > 0;
    found.value = undefined;
    sentence.value = '';
    conflict.value = undefined;
    touched.value = new Set();
    refused.value = false;
    Object.assign(place, { slug: '', parent, publishAt: '' });
    try {
      if (!isNew.value) {
        const params = { path: { ...path(), id: Number(id()) } };
        show(await ask(api.GET('/api/sites/{site}/{sort}/{key}/records/{id}', { params })));
      } else {
        await check();
      }
    } catch (thrown) {
      if (single() && thrown instanceof ApiError && thrown.status === 404) {
        await check();
      } else {
        sentence.value = sentenceOf(thrown);
      }
    }
    ready.value = open.value !== undefined || isNew.value || single();
    const unfinished = kept(key.value);
    if (unfinished && JSON.stringify(unfinished.values) !== JSON.stringify(values.value)) {
      found.value = unfinished;
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
      problems.value = answer.problems;
      hidden.value = answer.hidden;
    }
  }
  const soon = useDebounceFn(() => {
    check().catch(() => undefined);
  }, 250);

  function touch(field: string): void {
    dirty.value = true;
    touched.value = new Set(touched.value).add(field);
    safe.value = keep(key.value, {
      version: open.value?.record.version ?? 0,
      values: values.value,
      at: new Date().toISOString(),
    });
    void soon();
  }

  /** What was typed here before takes the place of what is stored; it is not saved yet. */
  function takeUnfinished(): void {
    if (found.value) {
      values.value = found.value.values;
      found.value = undefined;
      dirty.value = true;
      void soon();
    }
  }

  function dropUnfinished(): void {
    drop(key.value);
    found.value = undefined;
  }

  async function save(state: State): Promise<OpenRecord | undefined> {
    sentence.value = '';
    const version = open.value?.record.version ?? 0;
    const body = {
      version,
      state,
      values: values.value,
      ...(place.parent ? { parent: place.parent } : {}),
      ...(place.slug && place.slug !== open.value?.record.slug ? { slug: place.slug } : {}),
      ...(place.publishAt ? { publishAt: `${place.publishAt}:00Z` } : {}),
    };
    try {
      const stored =
        isNew.value && !single()
          ? await ask(api.POST('/api/sites/{site}/{sort}/{key}/records', { params: { path: path() }, body }))
          : await ask(
              api.PUT('/api/sites/{site}/{sort}/{key}/records/{id}', {
                params: { path: { ...path(), id: single() ? 1 : Number(id()) } },
                body,
              }),
            );
      drop(key.value);
      show(stored);
      return stored;
    } catch (thrown) {
      sentence.value = sentenceOf(thrown);
      if (thrown instanceof ApiError) {
        refused.value = thrown.status === 422;
        if (thrown.problems.length) {
          problems.value = thrown.problems as Problem[];
        }
        if (thrown.status === 409) {
          conflict.value = thrown.current as Conflict | undefined;
        }
      }
      return undefined;
    }
  }

  /** Goes on with both, mine where both changed something; then it is saved over the newer version. */
  function merge(chosen: Record<string, unknown>): void {
    if (conflict.value) {
      const { record } = conflict.value;
      show(record);
      values.value = chosen;
      dirty.value = true;
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
    show,
    leads,
    touch,
    save,
    merge,
    takeUnfinished,
    dropUnfinished,
  };
}
