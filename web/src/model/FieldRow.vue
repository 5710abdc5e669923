<script setup lang="ts">
import { computed } from 'vue';
import { kinds, offeredKinds, type Field } from '@/shared/kinds';

const props = defineProps<{ field: Field; index: number; selected: boolean; bad: boolean }>();
/** What is offered, and what it is. */
const choices = computed(() => [...new Set([...offeredKinds, props.field.kind])]);
const emit = defineEmits<{
  label: [string];
  labelDone: [];
  fieldKey: [string];
  kind: [string];
  required: [boolean];
  help: [string];
  keydown: [KeyboardEvent, string];
}>();

const text = (event: Event) => (event.target as HTMLInputElement).value;
const onKey = (event: KeyboardEvent, column: string) => {
  emit('keydown', event, column);
};
</script>

<template>
  <tr :data-row="field.id" :class="{ selected, bad }">
    <td class="icon"><component :is="kinds[field.kind].icon" aria-hidden="true" /></td>
    <td>
      <input
        data-column="label"
        :value="field.label"
        :aria-label="$t('model.table.labelOf', { n: index + 1 })"
        @input="emit('label', text($event))"
        @blur="emit('labelDone')"
        @keydown="onKey($event, 'label')"
      />
    </td>
    <td>
      <input
        class="mono"
        data-column="key"
        :value="field.key"
        :aria-label="$t('model.table.keyOf', { label: field.label || index + 1 })"
        @input="emit('fieldKey', text($event))"
        @keydown="onKey($event, 'key')"
      />
    </td>
    <td>
      <select
        data-column="kind"
        :value="field.kind"
        :aria-label="$t('model.table.kindOf', { label: field.label || index + 1 })"
        @change="emit('kind', text($event))"
        @keydown="onKey($event, 'kind')"
      >
        <option v-for="code in choices" :key="code" :value="code">{{ $t(`model.kinds.${code}`) }}</option>
      </select>
    </td>
    <td class="tick">
      <input
        type="checkbox"
        data-column="required"
        :checked="field.required ?? false"
        :aria-label="$t('model.table.requiredOf', { label: field.label || index + 1 })"
        @change="emit('required', ($event.target as HTMLInputElement).checked)"
        @keydown="onKey($event, 'required')"
      />
    </td>
    <td>
      <input
        data-column="help"
        :value="field.help ?? ''"
        :aria-label="$t('model.table.helpOf', { label: field.label || index + 1 })"
        @input="emit('help', text($event))"
        @keydown="onKey($event, 'help')"
      />
    </td>
  </tr>
</template>

<style scoped>
td {
  padding: 0;
  height: 32px;
  border-bottom: 1px solid var(--line);
}
input:not([type='checkbox']),
select {
  width: 100%;
  height: 31px;
  padding: 0 6px;
  font: inherit;
  color: inherit;
  background: transparent;
  border: 0;
  text-overflow: ellipsis;
}
input.mono {
  font-family: 'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace;
  font-size: 13px;
}
select option {
  color: var(--ink);
  background: var(--surface);
}
.icon {
  padding-left: 6px;
  color: var(--muted);
}
.icon svg {
  display: block;
}
.tick {
  text-align: center;
}
.selected {
  background: var(--petrol-soft);
}
.bad .icon {
  color: var(--rust);
}
</style>
