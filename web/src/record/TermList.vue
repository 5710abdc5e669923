<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { addressOf, fieldsOf, noun, type Holder } from './holders';
import { pathOf } from './links';

/** The terms of a taxonomy as a tree: added, opened, moved, and merged with all their uses. */
const props = defineProps<{ site: string; holder: Holder }>();
const route = useRoute();
const router = useRouter();
const session = useSession();
const terms = shallowRef<Schemas['RecordView'][]>([]);
const label = ref('');
const from = ref<number>();
const into = ref<number>();
const problem = ref('');
const said = ref('');
const hierarchical = computed(() => props.holder.under.length > 0);
const colour = computed(() => fieldsOf(props.holder).find((field) => field.kind === 'colour')?.key);

interface Line {
  term: Schemas['RecordView'];
  depth: number;
}

const lines = computed(() => {
  const below = (parent: number, depth: number): Line[] =>
    terms.value
      .filter((term) => (term.parent?.id ?? 0) === parent)
      .flatMap((term) => [{ term, depth }, ...below(term.id, depth + 1)]);
  return below(0, 0);
});

async function load(): Promise<void> {
  try {
    const params = { path: pathOf(props.site, props.holder), query: { most: 500, order: 'own_position' } };
    terms.value = (await ask(api.GET('/api/sites/{site}/{sort}/{key}/records', { params }))).records;
    problem.value = '';
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
watch(() => [props.site, props.holder.id], load, { immediate: true });

async function trying(work: () => Promise<unknown>): Promise<void> {
  try {
    await work();
    problem.value = '';
    await load();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

const add = () =>
  trying(async () => {
    await ask(
      api.POST('/api/sites/{site}/{sort}/{key}/records', {
        params: { path: pathOf(props.site, props.holder) },
        body: { version: 0, state: 'published', values: { label: label.value.trim() } },
      }),
    );
    label.value = '';
  });

/** Stores where a term stands; its values stay. */
const place = (term: Schemas['RecordView'], parent: Schemas['ParentView'] | undefined, position?: number) =>
  trying(() =>
    ask(
      api.PUT('/api/sites/{site}/{sort}/{key}/records/{id}', {
        params: { path: { ...pathOf(props.site, props.holder), id: term.id } },
        body: {
          version: term.version,
          state: 'published',
          values: {},
          part: true,
          ...(parent ? { parent } : {}),
          ...(position === undefined ? {} : { position }),
        },
      }),
    ),
  );

const siblings = (term: Schemas['RecordView']) =>
  terms.value.filter((each) => (each.parent?.id ?? 0) === (term.parent?.id ?? 0));

function indent(term: Schemas['RecordView']): void {
  const beside = siblings(term);
  const before = beside[beside.indexOf(term) - 1];
  if (before) {
    void place(term, { type: props.holder.id, id: before.id });
  }
}

function outdent(term: Schemas['RecordView']): void {
  const above = terms.value.find((each) => each.id === term.parent?.id);
  if (above) {
    void place(term, above.parent);
  }
}

/** The two change places; terms that were never placed get their numbers first. */
async function move(term: Schemas['RecordView'], by: number): Promise<void> {
  const beside = siblings(term);
  const at = beside.indexOf(term);
  const other = beside[at + by];
  if (other) {
    await place(term, term.parent, at + by);
    const fresh = terms.value.find((each) => each.id === other.id);
    if (fresh) {
      await place(fresh, fresh.parent, at);
    }
  }
}

const merge = () =>
  trying(async () => {
    if (from.value && into.value) {
      const merged = await ask(
        api.POST('/api/sites/{site}/{sort}/{key}/merge', {
          params: { path: pathOf(props.site, props.holder) },
          body: { from: from.value, into: into.value },
        }),
      );
      said.value = String(merged.records);
      from.value = undefined;
    }
  });

function onKey(event: KeyboardEvent, term: Schemas['RecordView']): void {
  if (!event.altKey || !session.mayWrite) {
    return;
  }
  const acts: Record<string, () => void> = {
    ArrowRight: () => {
      indent(term);
    },
    ArrowLeft: () => {
      outdent(term);
    },
    ArrowUp: () => void move(term, -1),
    ArrowDown: () => void move(term, 1),
  };
  const act = acts[event.key];
  if (act && (hierarchical.value || event.key.endsWith('Up') || event.key.endsWith('Down'))) {
    event.preventDefault();
    act();
  }
}

const to = (id: number | string) => ({
  name: 'record',
  params: { workspace: route.params.workspace, site: props.site, type: addressOf(props.holder), id },
});
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>{{ holder.plural }}</h1>
      <NButton v-if="session.mayWrite" type="primary" @click="router.push(to('new'))">{{
        $t('record.add', { name: noun(holder.singular) })
      }}</NButton>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="lines.length === 0" class="panel empty">
      <p>{{ $t('record.noTerms', { name: noun(holder.singular) }) }}</p>
    </div>
    <ul v-else class="panel terms">
      <li v-for="{ term, depth } in lines" :key="term.id" :style="{ paddingLeft: `${depth * 20}px` }">
        <span
          v-if="colour"
          class="dot"
          :style="{ background: term.shown[colour] || 'transparent' }"
          aria-hidden="true"
        />
        <RouterLink :to="to(term.id)" @keydown="onKey($event, term)">{{ term.title }}</RouterLink>
        <span class="muted mono small">{{ term.slug }}</span>
      </li>
    </ul>
    <form v-if="session.mayWrite" class="row" @submit.prevent="add">
      <input v-model="label" class="input" :aria-label="$t('record.newTerm')" :placeholder="$t('record.newTerm')" />
      <NButton size="small" attr-type="submit" :disabled="!label.trim()">{{ $t('common.add') }}</NButton>
    </form>
    <p v-if="session.mayWrite" class="hint">{{ $t(hierarchical ? 'record.termKeys' : 'record.flatKeys') }}</p>
    <section v-if="session.mayWrite && lines.length > 1" class="panel">
      <h2>{{ $t('record.mergeTerms') }}</h2>
      <div class="row">
        <select v-model="from" class="input" :aria-label="$t('record.mergeFrom')">
          <option :value="undefined">{{ $t('record.mergeFrom') }}</option>
          <option v-for="{ term } in lines" :key="term.id" :value="term.id">{{ term.title }}</option>
        </select>
        <select v-model="into" class="input" :aria-label="$t('record.mergeInto')">
          <option :value="undefined">{{ $t('record.mergeInto') }}</option>
          <option v-for="{ term } in lines" :key="term.id" :value="term.id">{{ term.title }}</option>
        </select>
        <NButton size="small" :disabled="!from || !into || from === into" @click="merge">{{
          $t('record.merge')
        }}</NButton>
        <span v-if="said" role="status">{{ $t('record.merged', { n: said }, Number(said)) }}</span>
      </div>
      <p class="hint">{{ $t('record.mergeHint') }}</p>
    </section>
  </div>
</template>

<style scoped>
.terms {
  list-style: none;
  margin: 0;
}
.terms li {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.dot {
  width: 14px;
  height: 14px;
  border: 1px solid var(--line);
  border-radius: 2px;
}
.input {
  width: 240px;
}
h2 {
  margin: 0 0 8px;
  font-size: 15px;
}
</style>
