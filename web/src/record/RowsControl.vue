<script setup lang="ts">
import { textOf } from '@/shared/text';
import { NButton } from 'naive-ui';
import { computed, nextTick, ref } from 'vue';
import { innerOf } from '@/shared/definitions';
import type { FieldOf } from '@/shared/kinds';
import EntryField from './EntryField.vue';
import RowTools from './RowTools.vue';
import { idOf, useForm } from './form';

type Row = Record<string, unknown>;

/** Rows of a repeater, as cards or as a table; added, moved, folded and removed. */
const props = defineProps<{ field: FieldOf<'repeater'>; path: string; value: unknown }>();
const emit = defineEmits<{ change: [Row[] | null] }>();
const form = useForm();
const id = computed(() => idOf(form, props.path));
const rows = computed(() => (Array.isArray(props.value) ? (props.value as Row[]) : []));
const fields = computed(() => innerOf(props.field));
const folded = ref(new Set<number>());
const asTable = computed(() => props.field.shown === 'table' && fields.value.length <= 5);
const full = computed(() => props.field.max_rows !== undefined && rows.value.length >= props.field.max_rows);

function put(next: Row[]): void {
  emit('change', next.length ? next : null);
}

function set(at: number, key: string, value: unknown): void {
  put(rows.value.map((each, i) => (i === at ? { ...each, [key]: value } : each)));
}

function add(): void {
  put([...rows.value, {}]);
  void nextTick(() => {
    const last = document.getElementById(id.value)?.querySelectorAll<HTMLElement>('[data-row-of]');
    last?.[last.length - 1]?.querySelector<HTMLElement>('input, textarea, [role=combobox], [role=checkbox]')?.focus();
  });
}

function move(at: number, by: number): void {
  const next = [...rows.value];
  const [row] = next.splice(at, 1);
  if (row) {
    next.splice(at + by, 0, row);
    put(next);
  }
}

function remove(at: number): void {
  put(rows.value.filter((_, i) => i !== at));
}

function fold(at: number): void {
  const next = new Set(folded.value);
  if (!next.delete(at)) {
    next.add(at);
  }
  folded.value = next;
}

/** What names a row: the field that does, or the first filled text. */
function nameOf(row: Row, at: number): string {
  const namer = fields.value.find((inner) => inner.id === props.field.row_name) ?? fields.value[0];
  const value = namer ? row[namer.key] : undefined;
  if (value === undefined || value === null || typeof value === 'object') {
    const known = namer && value ? form.name(namer, Array.isArray(value) ? value[0] : value)?.label : undefined;
    return known ?? String(at + 1);
  }
  const option = namer?.kind === 'choice' ? namer.options?.find((each) => each.key === value)?.label : undefined;
  return option ?? textOf(value);
}

function onKey(event: KeyboardEvent, at: number): void {
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    event.preventDefault();
    const by = event.key === 'ArrowUp' ? -1 : 1;
    if (rows.value[at + by]) {
      move(at, by);
    }
  }
}
</script>

<template>
  <div :id="id" class="rows" role="group" :aria-labelledby="`${id}-label`">
    <section
      v-for="(row, at) in rows"
      :key="(row._row as number | undefined) ?? `new-${at}`"
      class="card"
      data-row-of
      :aria-label="`${field.label} ${at + 1}`"
      @keydown="onKey($event, at)"
    >
      <div class="row spread head">
        <NButton text class="name" :aria-expanded="!folded.has(at)" @click="fold(at)">
          <span class="muted">{{ at + 1 }}</span> <strong>{{ nameOf(row, at) }}</strong>
        </NButton>
        <div v-if="!form.readonly()" class="row">
          <RowTools
            :at="at"
            :count="rows.length"
            ordered
            :removal="$t('form.rowRemove', { n: at + 1 })"
            @move="move(at, $event)"
            @remove="remove(at)"
          />
        </div>
      </div>
      <div v-if="!folded.has(at)" class="line" :class="{ narrow: asTable }">
        <EntryField
          v-for="inner in fields"
          :key="inner.id"
          :field="asTable ? { ...inner, width: 'third' } : inner"
          :path="`${path}.${at}.${inner.key}`"
          :value="row[inner.key]"
          @change="set(at, inner.key, $event)"
        />
      </div>
    </section>
    <p v-if="rows.length === 0 && form.readonly()" class="hint">{{ $t('form.noRows') }}</p>
    <NButton v-if="!form.readonly()" size="small" :disabled="full" @click="add">{{
      $t('proof.addRow', { label: field.label })
    }}</NButton>
  </div>
</template>

<style scoped>
.rows {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.card {
  align-self: stretch;
  padding: 6px 8px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.name {
  overflow-wrap: anywhere;
  text-align: start;
}
.line {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px;
  margin-top: 4px;
}
</style>
