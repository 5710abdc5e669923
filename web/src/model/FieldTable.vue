<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useDebounceFn } from '@vueuse/core';
import { computed, nextTick, ref } from 'vue';
import IconPlus from '~icons/tabler/plus';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import {
  allFields,
  fieldsOf,
  groupsOf,
  withKind,
  type ContentType,
  type Field,
  type Group,
  type KindCode,
} from '@/shared/kinds';
import FieldRow from './FieldRow.vue';
import FieldSettings from './FieldSettings.vue';
import { useDraft } from './draft';
import { keyFor } from './names';
import { addField, moveField, removeField, replaceField } from './rows';

const props = defineProps<{ type: ContentType; group: Group; findings: FindingView[] }>();
const emit = defineEmits<{ change: [Group[]] }>();

const draft = useDraft();
const table = ref<HTMLTableElement>();
const selected = ref<string>();
/** Fields whose key follows the label while it is first typed, and those whose key somebody typed. */
const deriving = new Set<string>();
const typedKeys = new Set<string>();
const fields = computed(() => fieldsOf(props.group));
/** Rows are numbered through all groups of the type. */
const before = computed(() => {
  const all = groupsOf(props.type);
  return all
    .slice(
      0,
      all.findIndex((group) => group.id === props.group.id),
    )
    .flatMap(fieldsOf).length;
});

/** The groups as they are now, not as they were when a slow answer was asked for. */
function groups(): Group[] {
  return groupsOf(draft.types.find((type) => type.id === props.type.id) ?? props.type);
}

function put(field: Field): void {
  emit('change', replaceField(groups(), field));
}

const derive = useDebounceFn(async (id: string, label: string) => {
  const others = allFields(props.type).filter((field) => field.id !== id);
  const key = await keyFor(
    label,
    others.map((field) => field.key),
  );
  const now = groups()
    .flatMap(fieldsOf)
    .find((field) => field.id === id);
  if (now && !typedKeys.has(id)) {
    put({ ...now, key });
  }
}, 200);

function setLabel(field: Field, label: string): void {
  const id = field.id ?? '';
  if (!field.key) {
    deriving.add(id);
  }
  put({ ...field, label });
  if (deriving.has(id)) {
    derive(id, label)?.catch(() => undefined);
  }
}

function setKey(field: Field, key: string): void {
  deriving.delete(field.id ?? '');
  typedKeys.add(field.id ?? '');
  put({ ...field, key });
}

async function focus(id: string | undefined, column: string): Promise<void> {
  await nextTick();
  table.value?.querySelector<HTMLElement>(`[data-row="${id ?? ''}"] [data-column="${column}"]`)?.focus();
}

async function add(after?: Field, copy?: Field): Promise<void> {
  const made = addField(groups(), props.group.id ?? '', after?.id, copy);
  if (!copy) {
    deriving.add(made.id);
  }
  emit('change', made.groups);
  await focus(made.id, 'label');
  if (copy) {
    deriving.add(made.id);
    await derive(made.id, copy.label);
  }
}

async function onKey(event: KeyboardEvent, field: Field, column: string): Promise<void> {
  const at = fields.value.findIndex((each) => each.id === field.id);
  const ctrl = event.ctrlKey || event.metaKey;
  if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
    event.preventDefault();
    emit('change', moveField(groups(), field.id ?? '', event.key === 'ArrowUp' ? -1 : 1));
    await focus(field.id, column);
    if (!table.value?.contains(document.activeElement)) {
      document.querySelector<HTMLElement>(`[data-row="${field.id ?? ''}"] [data-column="${column}"]`)?.focus();
    }
  } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
    event.preventDefault();
    await focus(fields.value[at + (event.key === 'ArrowUp' ? -1 : 1)]?.id, column);
  } else if (event.key === 'Enter') {
    event.preventDefault();
    await (at === fields.value.length - 1 ? add(field) : focus(fields.value[at + 1]?.id, column));
  } else if (ctrl && event.key.toLowerCase() === 'd') {
    event.preventDefault();
    await add(field, field);
  } else if (ctrl && event.key === 'Delete') {
    event.preventDefault();
    emit('change', removeField(groups(), field.id ?? ''));
    await focus((fields.value[at + 1] ?? fields.value[at - 1])?.id, column);
  }
}

function problemsOf(field: Field): FindingView[] {
  return props.findings.filter((finding) => finding.field === field.id);
}
</script>

<template>
  <table ref="table" class="fields">
    <thead>
      <tr>
        <th>
          <span class="hidden">{{ $t('model.table.kind') }}</span>
        </th>
        <th>{{ $t('model.table.label') }}</th>
        <th>{{ $t('model.table.key') }}</th>
        <th>{{ $t('model.table.kind') }}</th>
        <th>{{ $t('model.table.required') }}</th>
        <th>{{ $t('model.table.help') }}</th>
      </tr>
    </thead>
    <tbody v-for="(field, index) in fields" :key="field.id">
      <FieldRow
        :field="field"
        :index="before + index"
        :selected="selected === field.id"
        :bad="problemsOf(field).some((finding) => finding.severity === 'blocker')"
        @focusin="selected = field.id"
        @label="setLabel(field, $event)"
        @label-done="deriving.delete(field.id ?? '')"
        @field-key="setKey(field, $event)"
        @kind="put(withKind(field, $event as KindCode))"
        @required="put({ ...field, required: $event })"
        @help="put({ ...field, help: $event })"
        @keydown="(event: KeyboardEvent, column: string) => onKey(event, field, column)"
      />
      <tr v-if="selected === field.id || problemsOf(field).length" class="beneath">
        <td />
        <td colspan="5">
          <Problems :of="problemsOf(field)" />
          <FieldSettings v-if="selected === field.id" :field="field" @change="put" />
        </td>
      </tr>
    </tbody>
  </table>
  <NButton quaternary size="small" @click="add()"
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
  text-align: left;
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
  width: 21%;
}
th:nth-child(4) {
  width: 104px;
}
th:nth-child(5) {
  width: 74px;
}
.beneath td {
  padding: 4px 6px 12px;
  border-bottom: 1px solid var(--line);
}
</style>
