<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type FindingView } from '@/shared/api/client';
import type { Taxonomy, Term } from '@/shared/definitions';
import { useDraft } from './draft';
import { addTerm, indentTerm, moveTerm, outdentTerm, removeTerm, replaceTerm, termRows, type TermRow } from './terms';
import { useFocusedRow } from './useFocusedRow';
import { useDerivedKeys } from './useNames';
import TextInput from '@/shared/controls/TextInput.vue';

/** Starter terms as a tree that is edited by keyboard; an indented list can be pasted. */
const props = defineProps<{ taxonomy: Taxonomy; findings: FindingView[]; locked: boolean }>();
const emit = defineEmits<{ change: [Term[] | undefined]; replace: [Taxonomy] }>();
const draft = useDraft();
const problem = ref('');
const { selected, focused } = useFocusedRow();
const terms = computed(() => props.taxonomy.terms ?? []);
const rows = computed(() => termRows(terms.value));
const fields = computed(() => props.taxonomy.fields ?? []);

function put(next: Term[]): void {
  emit('change', next.length ? next : undefined);
}

const keys = useDerivedKeys();

function label(row: TermRow, text: string): void {
  put(replaceTerm(terms.value, { ...row.term, label: text }));
  const { id = '', key } = row.term;
  keys.label(id, text, key, () =>
    rows.value
      .map(({ term }) => term)
      .filter((term) => term.id !== id)
      .map((term) => term.key),
  );
}

async function focus(id: string | undefined): Promise<void> {
  await nextTick();
  document.querySelector<HTMLElement>(`[data-term="${id ?? ''}"] input`)?.focus();
}

async function add(after?: string): Promise<void> {
  const made = addTerm(terms.value, after);
  keys.begin(made.id);
  put(made.terms);
  await focus(made.id);
}

async function onKey(event: KeyboardEvent, row: TermRow): Promise<void> {
  const id = row.term.id ?? '';
  const at = rows.value.findIndex((each) => each.term.id === id);
  const acts: Record<string, () => Term[] | string | undefined> = {
    ArrowUp: () => rows.value[at - 1]?.term.id,
    ArrowDown: () => rows.value[at + 1]?.term.id,
    'Alt+ArrowUp': () => moveTerm(terms.value, id, -1),
    'Alt+ArrowDown': () => moveTerm(terms.value, id, 1),
    'Alt+ArrowRight': () => (props.taxonomy.hierarchical ? indentTerm(terms.value, id) : undefined),
    'Alt+ArrowLeft': () => outdentTerm(terms.value, id),
  };
  if (event.key === 'Enter') {
    event.preventDefault();
    await add(id);
    return;
  }
  if (event.ctrlKey && event.key === 'Delete') {
    event.preventDefault();
    put(removeTerm(terms.value, id));
    await focus((rows.value[at + 1] ?? rows.value[at - 1])?.term.id);
    return;
  }
  const found = acts[(event.altKey ? 'Alt+' : '') + event.key]?.();
  if (found !== undefined) {
    event.preventDefault();
    if (typeof found !== 'string') {
      put(found);
    }
    await focus(typeof found === 'string' ? found : id);
  }
}

async function onPaste(event: ClipboardEvent): Promise<void> {
  const text = event.clipboardData?.getData('text/plain') ?? '';
  if (!text.trim().includes('\n')) {
    return;
  }
  event.preventDefault();
  problem.value = '';
  try {
    const empty = rows.value.find((row) => !row.term.label)?.term.id;
    const before = { ...props.taxonomy, terms: empty ? removeTerm(terms.value, empty) : terms.value };
    const after = await ask(
      api.POST('/api/workspaces/{workspace}/draft/terms', {
        params: { path: draft.path },
        body: { text, taxonomy: before },
      }),
    );
    emit('replace', after as unknown as Taxonomy);
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

function hold(term: Term, field: string, text: string): void {
  const values = { ...term.values, [field]: text };
  const kept = Object.fromEntries(Object.entries(values).filter(([, value]) => String(value) !== ''));
  put(replaceTerm(terms.value, { ...term, values: Object.keys(kept).length ? kept : undefined }));
}

function held(term: Term, field: string): string {
  return String(term.values?.[field] ?? '');
}
</script>

<template>
  <section class="panel" @paste="onPaste">
    <h2>{{ $t('model.terms.title') }}</h2>
    <p class="hint">{{ $t(taxonomy.hierarchical ? 'model.terms.keys' : 'model.terms.keysFlat') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div
      v-for="row in rows"
      :key="row.term.id"
      class="term"
      :class="`in${Math.min(row.depth, 6)}`"
      :data-term="row.term.id"
      @focusin="focused(row.term.id)"
    >
      <div class="row">
        <span
          v-for="field in fields.filter((each) => each.kind === 'colour' && held(row.term, each.id ?? ''))"
          :key="field.id"
          class="swatch"
          :style="{ background: held(row.term, field.id ?? '') }"
        />
        <TextInput
          dir="auto"
          :value="row.term.label"
          :aria-label="$t('model.terms.label')"
          @update:value="label(row, $event)"
          @blur="keys.end(row.term.id ?? '')"
          @keydown="onKey($event, row)"
        />
        <TextInput
          mono
          class="key"
          :value="row.term.key"
          :aria-label="$t('model.terms.keyOf', { label: row.term.label })"
          @update:value="
            keys.typed(row.term.id ?? '');
            put(replaceTerm(terms, { ...row.term, key: $event }));
          "
        />
      </div>
      <Problems :of="findings.filter((finding) => finding.field === row.term.id)" />
      <div v-if="selected === row.term.id && fields.length" class="held">
        <label v-for="field in fields" :key="field.id" class="small"
          >{{ field.label }}
          <TextInput :value="held(row.term, field.id ?? '')" @change="hold(row.term, field.id ?? '', $event)" />
        </label>
      </div>
    </div>
    <div class="row">
      <NButton size="small" :disabled="locked" @click="add()">{{ $t('model.terms.add') }}</NButton>
      <TextInput class="paste" :placeholder="$t('model.terms.paste')" :aria-label="$t('model.terms.paste')" value="" />
    </div>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px;
}
.term {
  padding: 2px 0;
}
.in1 {
  padding-inline-start: 24px;
}
.in2 {
  padding-inline-start: 48px;
}
.in3 {
  padding-inline-start: 72px;
}
.in4,
.in5,
.in6 {
  padding-inline-start: 96px;
}
.key {
  max-width: 180px;
}
.swatch {
  flex: none;
  width: 16px;
  height: 16px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.held {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 8px;
  padding: 4px 0 8px 24px;
}
.paste {
  max-width: 320px;
}
</style>
