<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, onMounted, onUnmounted, ref } from 'vue';
import IconPlus from '~icons/tabler/plus';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import { innerOf } from '@/shared/definitions';
import { withKind, type Field, type Group } from '@/shared/kinds';
import BulkBar from './BulkBar.vue';
import FieldRow from './FieldRow.vue';
import FieldSettings from './FieldSettings.vue';
import { copyOf } from './copies';
import {
  addField,
  findField,
  holdsFields,
  moveField,
  moveIn,
  moveOut,
  moveTo,
  removeFields,
  replaceField,
  rowsOf,
  type Row,
} from './rows';
import { useFocusedRow } from './useFocusedRow';
import { useDerivedKeys } from './useNames';
import { useI18n } from 'vue-i18n';

const props = defineProps<{ groups: Group[]; group: Group; findings: FindingView[]; locked: boolean }>();
const emit = defineEmits<{ change: [Group[]] }>();

const { t } = useI18n();
const NONE: FindingView[] = [];
const { selected, focused } = useFocusedRow();
const picked = ref(new Set<string>());
const rows = computed(() => rowsOf(props.group));
/** About as many as a window shows: the others come once these are painted, so that a definition opens at once. */
const FIRST = 12;
const isWhole = ref(rows.value.length <= FIRST);
const shownRows = computed(() => (isWhole.value ? rows.value : rows.value.slice(0, FIRST)));
let waiting: ReturnType<typeof setTimeout> | undefined;
let frame = 0;
onMounted(() => {
  frame = requestAnimationFrame(() => (waiting = setTimeout(() => (isWhole.value = true))));
});
onUnmounted(() => {
  cancelAnimationFrame(frame);
  clearTimeout(waiting);
});
/** Rows are numbered through all groups of the definition. */
const before = computed(() =>
  props.groups
    .slice(
      0,
      props.groups.findIndex((group) => group.id === props.group.id),
    )
    .reduce((sum, group) => sum + rowsOf(group).length, 0),
);

function put(field: Field): void {
  emit('change', replaceField(props.groups, field));
}

const keys = useDerivedKeys();

function takenBeside(row: Row): string[] {
  const top = props.groups.some((group) => group.id === row.owner);
  const beside = top
    ? props.groups.flatMap((group) => group.fields ?? [])
    : rows.value.filter((each) => each.owner === row.owner).map((each) => each.field);
  return beside.filter((field) => field.id !== row.field.id).map((field) => field.key);
}

function setLabel(row: Row, label: string): void {
  put({ ...row.field, label });
  keys.label(row.field.id ?? '', label, row.field.key, () => {
    const now = rows.value.find((each) => each.field.id === row.field.id);
    return takenBeside(now ?? row);
  });
}

function setKey(field: Field, key: string): void {
  keys.typed(field.id ?? '');
  put({ ...field, key });
}

async function focus(id: string | undefined, column: string): Promise<void> {
  await nextTick();
  document.querySelector<HTMLElement>(`[data-row="${id ?? ''}"] [data-column="${column}"]`)?.focus();
}

async function add(owner: string, afterId?: string, copied?: Field): Promise<void> {
  const made = addField(props.groups, owner, afterId, copied);
  if (!copied) {
    keys.begin(made.id);
  }
  emit('change', made.groups);
  await focus(made.id, 'label');
}

async function copy(row: Row): Promise<void> {
  const made = await copyOf(row.field, [row.field.key, ...takenBeside(row)]);
  await add(row.owner, row.field.id, made);
}

function step(at: number, by: number, column: string): Promise<void> {
  return focus(rows.value[at + by]?.field.id, column);
}

async function onKey(event: KeyboardEvent, row: Row, column: string): Promise<void> {
  const id = row.field.id ?? '';
  const at = rows.value.findIndex((each) => each.field.id === id);
  const ctrl = event.ctrlKey || event.metaKey;
  const act = async (change: Group[]): Promise<void> => {
    emit('change', change);
    await focus(id, column);
  };
  const combined = [ctrl && 'Ctrl', event.altKey && 'Alt', event.shiftKey && 'Shift', event.key]
    .filter(Boolean)
    .join('+');
  const acts: Record<string, () => Promise<void> | undefined> = {
    ArrowUp: () => step(at, -1, column),
    ArrowDown: () => step(at, 1, column),
    'Alt+ArrowUp': () => act(moveField(props.groups, id, -1)),
    'Alt+ArrowDown': () => act(moveField(props.groups, id, 1)),
    'Alt+ArrowRight': () => act(moveIn(props.groups, id)),
    'Alt+ArrowLeft': () => act(moveOut(props.groups, id)),
    'Shift+ArrowUp': () => extend(at, -1, column),
    'Shift+ArrowDown': () => extend(at, 1, column),
    Enter: () => {
      const next = rows.value[at + 1];
      return next ? focus(next.field.id, column) : add(row.owner, id);
    },
    'Ctrl+Enter': () => (holdsFields(row.field) ? add(id) : add(row.owner, id)),
    'Ctrl+d': () => copy(row),
    'Ctrl+Delete': () => removePicked(new Set([...picked.value, id]), at),
    Escape: () => {
      picked.value = new Set();
      return undefined;
    },
  };
  const found = acts[combined];
  if (found && !(event.key === 'Escape' && picked.value.size === 0)) {
    event.preventDefault();
    await found();
  }
}

function extend(at: number, by: number, column: string): Promise<void> {
  const ids = [rows.value[at]?.field.id, rows.value[at + by]?.field.id].filter((id) => id !== undefined);
  picked.value = new Set([...picked.value, ...ids]);
  return step(at, by, column);
}

function pick(event: MouseEvent, id: string): void {
  const next = new Set(picked.value);
  if (event.shiftKey && selected.value) {
    const from = rows.value.findIndex((row) => row.field.id === selected.value);
    const to = rows.value.findIndex((row) => row.field.id === id);
    rows.value.slice(Math.min(from, to), Math.max(from, to) + 1).forEach((row) => next.add(row.field.id ?? ''));
  } else if (next.has(id)) {
    next.delete(id);
  } else {
    next.add(id);
  }
  selected.value = id;
  picked.value = next;
}

async function removePicked(ids: ReadonlySet<string>, at: number): Promise<void> {
  const beside = [...rows.value.slice(at + 1), ...rows.value.slice(0, at).reverse()];
  const next = beside.find((row) => !ids.has(row.field.id ?? '') && !ids.has(row.owner));
  emit('change', removeFields(props.groups, ids));
  picked.value = new Set();
  await focus(next?.field.id, 'label');
}

function changePicked(change: (field: Field) => Field): void {
  const ids = picked.value;
  emit(
    'change',
    [...ids].reduce((groups, id) => {
      const field = findField(groups, id)?.field;
      return field ? replaceField(groups, change(field)) : groups;
    }, props.groups),
  );
}

function onDragStart(event: DragEvent, id: string): void {
  event.dataTransfer?.setData('application/x-field', id);
}

/** Dropped on a row: before it, or into it where it holds fields and the drop is on its lower half. */
function onDrop(event: DragEvent, row: Row): void {
  const id = event.dataTransfer?.getData('application/x-field');
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  if (!id) {
    return;
  }
  const into = holdsFields(row.field) && event.clientY > box.top + box.height / 2;
  const siblings = rows.value.filter((each) => each.owner === row.owner).map((each) => each.field.id);
  emit(
    'change',
    into
      ? moveTo(props.groups, id, row.field.id ?? '', innerOf(row.field).length)
      : moveTo(props.groups, id, row.owner, siblings.indexOf(row.field.id)),
  );
}

function onDropBehind(event: DragEvent): void {
  const id = event.dataTransfer?.getData('application/x-field');
  if (id) {
    emit('change', moveTo(props.groups, id, props.group.id ?? '', (props.group.fields ?? []).length));
  }
}

const byField = computed(() => {
  const map = new Map<string, FindingView[]>();
  for (const finding of props.findings) {
    map.set(finding.field, [...(map.get(finding.field) ?? []), finding]);
  }
  return map;
});

function problemsOf(field: Field): FindingView[] {
  return byField.value.get(field.id ?? '') ?? NONE;
}

/** Labels of fields that have the key of one beside them, by the id of the later one: told at once, before the check has answered. */
const twins = computed(() => {
  const first = new Map<string, Field>();
  const found = new Map<string, string>();
  for (const { field, owner } of props.groups.flatMap(rowsOf)) {
    const top = props.groups.some((group) => group.id === owner) ? '' : owner;
    const key = `${top}/${field.key}`;
    const other = first.get(key);
    if (field.key && other) {
      found.set(field.id ?? '', other.label);
    }
    first.set(key, other ?? field);
  }
  return found;
});

function twice(field: Field): string {
  const other = twins.value.get(field.id ?? '');
  const isTold = problemsOf(field).some((each) => each.code === 'KEY_TWICE');
  return other === undefined || isTold ? '' : t('model.keyTwice', { a: other, b: field.label, key: field.key });
}
</script>

<template>
  <BulkBar v-if="picked.size > 1" :count="picked.size" @change="changePicked" @remove="removePicked(picked, 0)" />
  <table class="fields">
    <thead>
      <tr>
        <th>
          <span class="hidden">{{ $t('model.table.kind') }}</span>
        </th>
        <th>{{ $t('model.table.label') }}</th>
        <th>{{ $t('model.table.kind') }}</th>
        <th>{{ $t('model.table.key') }}</th>
        <th>{{ $t('model.table.required') }}</th>
        <th>{{ $t('model.table.help') }}</th>
      </tr>
    </thead>
    <tbody
      v-for="(row, index) in shownRows"
      :key="row.field.id"
      v-memo="[
        row.field,
        row.depth,
        row.owner,
        before + index,
        selected === row.field.id ? groups : undefined,
        picked.has(row.field.id ?? ''),
        problemsOf(row.field),
        twice(row.field),
        locked,
      ]"
      @dragstart="onDragStart($event, row.field.id ?? '')"
      @dragover.prevent
      @drop.prevent="onDrop($event, row)"
    >
      <FieldRow
        :field="row.field"
        :index="before + index"
        :depth="row.depth"
        :selected="selected === row.field.id"
        :picked="picked.has(row.field.id ?? '')"
        :bad="twice(row.field) !== '' || problemsOf(row.field).some((finding) => finding.severity === 'blocker')"
        @focusin="focused(row.field.id)"
        @pick="pick($event, row.field.id ?? '')"
        @label="setLabel(row, $event)"
        @label-done="keys.end(row.field.id ?? '')"
        @field-key="setKey(row.field, $event)"
        @kind="put(withKind(row.field, $event))"
        @required="put({ ...row.field, required: $event || undefined })"
        @help="put({ ...row.field, help: $event || undefined })"
        @keydown="(event: KeyboardEvent, column: string) => onKey(event, row, column)"
      />
      <tr v-if="selected === row.field.id || problemsOf(row.field).length || twice(row.field)" class="beneath">
        <td />
        <td colspan="5">
          <Problems :of="problemsOf(row.field)" />
          <Problems v-if="twice(row.field)" :of="[{ sentence: twice(row.field), severity: 'blocker' }]" />
          <FieldSettings v-if="selected === row.field.id" :field="row.field" :groups="groups" @change="put" />
          <NButton
            v-if="selected === row.field.id && holdsFields(row.field) && row.depth < 3"
            size="tiny"
            quaternary
            @click="add(row.field.id ?? '')"
            ><IconPlus aria-hidden="true" />&nbsp;{{ $t('model.addInner', { label: row.field.label }) }}</NButton
          >
        </td>
      </tr>
    </tbody>
    <tbody v-if="rows.length === 0" @dragover.prevent @drop.prevent="onDropBehind">
      <tr>
        <td colspan="6" class="none">{{ $t('model.noFields') }}</td>
      </tr>
    </tbody>
  </table>
  <NButton v-if="!locked" quaternary size="small" @click="add(group.id ?? '')"
    ><IconPlus aria-hidden="true" />&nbsp;{{ $t('model.addField') }}</NButton
  >
</template>

<style scoped>
.fields {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th {
  text-align: start;
  font-size: 13px;
  font-weight: 600;
  color: var(--muted);
  padding: 4px 6px;
  border-bottom: 1px solid var(--line);
}
th:nth-child(1) {
  width: 28px;
}
th:nth-child(3) {
  width: 116px;
}
th:nth-child(4) {
  width: 21%;
}
th:nth-child(5) {
  width: 74px;
}
.beneath td {
  padding: 4px 6px 12px;
  border-bottom: 1px solid var(--line);
}
.none {
  padding: 8px 6px;
  color: var(--muted);
  font-size: 13px;
}
</style>
