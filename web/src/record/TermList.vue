<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { addressOf, fieldsOf, noun, type RecordType } from './recordTypes';
import { pathOf } from './links';
import { ofRecordType, termList } from './queries';
import { renew, useResource } from '@/shared/api/queries';
import TextInput from '@/shared/controls/TextInput.vue';
import Choice from '@/shared/controls/Choice.vue';

/** The terms of a taxonomy as a tree: added, opened, moved, and merged with all their uses. */
const props = defineProps<{ site: string; recordType: RecordType }>();
const route = useRoute();
const router = useRouter();
const session = useSession();
const listed = useResource(() => termList(props.site, props.recordType));
const terms = computed(() => listed.data.value ?? []);
const label = ref('');
const from = ref<string>();
const into = ref<string>();
const failed = ref('');
const problem = computed(() => failed.value || listed.problem.value);
const said = ref('');
const hierarchical = computed(() => props.recordType.under.length > 0);
const colour = computed(() => fieldsOf(props.recordType).find((field) => field.kind === 'colour')?.key);

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

const load = () => renew(ofRecordType(props.site, props.recordType));

async function trying(work: () => Promise<unknown>): Promise<void> {
  try {
    await work();
    failed.value = '';
    await load();
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

const add = () =>
  trying(async () => {
    await ask(
      api.POST('/api/sites/{site}/{sort}/{key}/records', {
        params: { path: pathOf(props.site, props.recordType) },
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
        params: { path: { ...pathOf(props.site, props.recordType), id: term.id } },
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
    void place(term, { type: props.recordType.id, id: before.id });
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
          params: { path: pathOf(props.site, props.recordType) },
          body: { from: Number(from.value), into: Number(into.value) },
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
  params: { workspace: route.params.workspace, site: props.site, type: addressOf(props.recordType), id },
});
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>{{ recordType.plural }}</h1>
      <NButton v-if="session.mayWrite" type="primary" @click="router.push(to('new'))">{{
        $t('record.add', { name: noun(recordType.singular) })
      }}</NButton>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="lines.length === 0" class="panel empty">
      <p>{{ $t('record.noTerms', { name: noun(recordType.singular) }) }}</p>
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
      <TextInput v-model:value="label" :aria-label="$t('record.newTerm')" :placeholder="$t('record.newTerm')" />
      <NButton size="small" attr-type="submit" :disabled="!label.trim()">{{ $t('common.add') }}</NButton>
    </form>
    <p v-if="session.mayWrite" class="hint">{{ $t(hierarchical ? 'record.termKeys' : 'record.flatKeys') }}</p>
    <section v-if="session.mayWrite && lines.length > 1" class="panel">
      <h2>{{ $t('record.mergeTerms') }}</h2>
      <div class="row">
        <Choice
          v-model:value="from"
          class="term"
          :placeholder="$t('record.mergeFrom')"
          :aria-label="$t('record.mergeFrom')"
          :options="lines.map(({ term }) => ({ value: String(term.id), label: term.title }))"
        />
        <Choice
          v-model:value="into"
          class="term"
          :placeholder="$t('record.mergeInto')"
          :aria-label="$t('record.mergeInto')"
          :options="lines.map(({ term }) => ({ value: String(term.id), label: term.title }))"
        />
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
.text-input {
  width: 240px;
}
h2 {
  margin: 0 0 8px;
  font-size: 15px;
}
.term {
  width: 220px;
}
</style>
