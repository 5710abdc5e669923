<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import FieldControl from '@/record/FieldControl.vue';
import { innerOf } from '@/shared/definitions';
import type { Field } from '@/shared/kinds';
import { useDraft } from './draft';
import { useProof } from './proof';

/** One field of the form proof, whatever it holds. */
const props = defineProps<{ field: Field; path: string; value: unknown; touched: boolean }>();
const emit = defineEmits<{ change: [unknown] }>();
const proof = useProof();
const draft = useDraft();
const hidden = computed(() => proof.answer?.hidden.includes(props.path) ?? false);
const problems = computed(() =>
  (proof.answer?.problems ?? [])
    .filter((problem) => problem.path === props.path && (props.touched || !problem.required))
    .map((problem) => ({ sentence: problem.sentence, severity: 'blocker' })),
);
const id = computed(() => `p-${props.path.replaceAll('.', '-')}`);
const rows = computed(() => (Array.isArray(props.value) ? (props.value as Record<string, unknown>[]) : []));
const row = computed(() => (props.value ?? {}) as Record<string, unknown>);
/** Whether there is one control that the label is for. */
const single = computed(
  () => !['repeater', 'group', 'file'].includes(props.field.kind) && !(many.value && offers.value.length > 0),
);
const many = computed(() => 'many' in props.field && props.field.many === true);
const picked = computed(() => (Array.isArray(props.value) ? (props.value as string[]) : []));

/** What relations and terms could be chosen, by key and word. */
const offers = computed<{ key: string; label: string }[]>(() => {
  const field = props.field;
  if (field.kind === 'choice') {
    return (field.options ?? []).filter((option) => !option.retired);
  }
  if (field.kind === 'term') {
    const terms = draft.ofSort('taxonomy').find((each) => each.id === field.taxonomy)?.terms ?? [];
    const flat = (some: typeof terms): typeof terms => some.flatMap((term) => [term, ...flat(term.children ?? [])]);
    return flat(terms);
  }
  if (field.kind === 'relation') {
    return draft.types
      .filter((type) => field.to.includes(type.id ?? ''))
      .flatMap((type) =>
        [1, 2, 3].map((n) => ({ key: `${type.key}_${String(n)}`, label: `${type.singular} ${String(n)}` })),
      );
  }
  return [];
});

function setRow(at: number, key: string, value: unknown): void {
  emit(
    'change',
    rows.value.map((each, i) => (i === at ? { ...each, [key]: value } : each)),
  );
}

function setPart(key: string, value: unknown): void {
  emit('change', { ...row.value, [key]: value });
}

function rowName(each: Record<string, unknown>, at: number): string {
  const field = props.field;
  const namer = field.kind === 'repeater' ? innerOf(field).find((inner) => inner.id === field.row_name) : undefined;
  const name = namer ? each[namer.key] : undefined;
  return name ? String(name) : `${String(at + 1)}`;
}

function toggle(key: string): void {
  emit('change', picked.value.includes(key) ? picked.value.filter((each) => each !== key) : [...picked.value, key]);
}

const text = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <div v-if="!hidden" class="field" :class="field.width ?? 'full'" :data-field="path">
    <p v-if="field.kind === 'note'" class="note">{{ field.text }}</p>
    <template v-else>
      <component :is="single ? 'label' : 'span'" class="label" :for="single ? id : undefined" dir="auto">
        {{ field.label || field.key }}
        <span v-if="field.required" class="muted normal">({{ $t('form.required') }})</span>
      </component>
      <div v-if="field.kind === 'repeater'" class="rows">
        <section v-for="(each, at) in rows" :key="at" class="card">
          <div class="row spread">
            <strong>{{ rowName(each, at) }}</strong>
            <NButton
              size="tiny"
              quaternary
              @click="
                emit(
                  'change',
                  rows.filter((_, i) => i !== at),
                )
              "
              >{{ $t('common.remove') }}</NButton
            >
          </div>
          <div class="line">
            <ProofField
              v-for="inner in innerOf(field)"
              :key="inner.id"
              :field="inner"
              :path="`${path}.${at}.${inner.key}`"
              :value="each[inner.key]"
              :touched="touched"
              @change="setRow(at, inner.key, $event)"
            />
          </div>
        </section>
        <NButton size="small" @click="emit('change', [...rows, {}])">{{
          $t('proof.addRow', { label: field.label })
        }}</NButton>
      </div>
      <div v-else-if="field.kind === 'group'" class="card line">
        <ProofField
          v-for="inner in innerOf(field)"
          :key="inner.id"
          :field="inner"
          :path="`${path}.${inner.key}`"
          :value="row[inner.key]"
          :touched="touched"
          @change="setPart(inner.key, $event)"
        />
      </div>
      <div v-else-if="field.kind === 'place'" class="row">
        <input
          :id="id"
          class="input"
          inputmode="decimal"
          :placeholder="$t('proof.latitude')"
          :value="row.latitude ?? ''"
          @input="setPart('latitude', text($event))"
        />
        <input
          class="input"
          inputmode="decimal"
          :aria-label="$t('proof.longitude')"
          :placeholder="$t('proof.longitude')"
          :value="row.longitude ?? ''"
          @input="setPart('longitude', text($event))"
        />
      </div>
      <div v-else-if="many && offers.length" :id="id" role="group" class="ticks" :aria-label="field.label">
        <label v-for="offer in offers" :key="offer.key" class="row"
          ><input type="checkbox" :checked="picked.includes(offer.key)" @change="toggle(offer.key)" />{{
            offer.label
          }}</label
        >
      </div>
      <select
        v-else-if="field.kind === 'term' || field.kind === 'relation'"
        :id="id"
        class="input"
        :value="value ?? ''"
        @change="emit('change', text($event))"
      >
        <option value="">{{ $t('form.choose') }}</option>
        <option v-for="offer in offers" :key="offer.key" :value="offer.key">{{ offer.label }}</option>
      </select>
      <input
        v-else-if="field.kind === 'date_time'"
        :id="id"
        class="input"
        type="datetime-local"
        :value="value ?? ''"
        @input="emit('change', text($event))"
      />
      <input
        v-else-if="field.kind === 'number' && field.shown === 'slider'"
        :id="id"
        type="range"
        :min="field.min"
        :max="field.max"
        :step="field.step ?? 1"
        :value="value ?? field.min"
        @input="emit('change', text($event))"
      />
      <textarea
        v-else-if="field.kind === 'rich_text'"
        :id="id"
        class="area"
        rows="4"
        :value="String(value ?? '')"
        @input="emit('change', text($event))"
      />
      <p v-else-if="field.kind === 'file'" :id="id" class="hint">{{ $t('proof.file') }}</p>
      <FieldControl
        v-else
        :id="id"
        :field="field"
        type-key=""
        :value="value"
        :site="undefined"
        :invalid="problems.length > 0"
        @change="emit('change', $event)"
      />
      <p v-if="field.help" :id="`${id}-help`" class="hint">{{ field.help }}</p>
      <Problems :id="`${id}-problems`" :of="problems" />
    </template>
  </div>
</template>

<style scoped>
.field {
  grid-column: span 6;
  min-width: 0;
}
.field.half {
  grid-column: span 3;
}
.field.third {
  grid-column: span 2;
}
.field.two_thirds {
  grid-column: span 4;
}
.label {
  overflow-wrap: anywhere;
}
.normal {
  font-weight: 400;
}
.note {
  margin: 0;
  padding: 8px 12px;
  background: var(--petrol-soft);
  border-radius: 4px;
}
.rows {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.card {
  align-self: stretch;
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.line {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px;
}
.ticks {
  display: flex;
  flex-direction: column;
}
</style>
