<script setup lang="ts">
import { ref } from 'vue';
import { kindCodes, kinds, type Field } from '@/shared/kinds';

defineProps<{ field: Field; index: number; depth: number; selected: boolean; picked: boolean; bad: boolean }>();
const emit = defineEmits<{
  label: [string];
  labelDone: [];
  fieldKey: [string];
  kind: [string];
  required: [boolean];
  help: [string];
  pick: [MouseEvent];
  keydown: [KeyboardEvent, string];
}>();

/** The kinds to choose from are drawn once somebody comes near: with many rows they would be most of the page. */
const near = ref(false);

const text = (event: Event) => (event.target as HTMLInputElement).value;
const onKey = (event: KeyboardEvent, column: string) => {
  emit('keydown', event, column);
};
</script>

<template>
  <tr :data-row="field.id" :class="{ selected, bad, picked }" @pointerenter="near = true" @pointerleave="near = false">
    <td class="icon">
      <button
        type="button"
        class="grip"
        draggable="true"
        tabindex="-1"
        :aria-pressed="picked"
        :aria-label="$t('model.table.pick', { label: field.label || index + 1 })"
        @click="emit('pick', $event)"
      >
        <component :is="kinds[field.kind].icon" aria-hidden="true" />
      </button>
    </td>
    <td>
      <div class="nest" :class="`in${depth}`">
        <input
          data-column="label"
          :value="field.label"
          :aria-label="$t('model.table.labelOf', { n: index + 1 })"
          dir="auto"
          @input="emit('label', text($event))"
          @blur="emit('labelDone')"
          @keydown="onKey($event, 'label')"
        />
      </div>
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
        <option v-for="code in near || selected ? kindCodes : [field.kind]" :key="code" :value="code">
          {{ $t(`model.kinds.${code}`) }}
        </option>
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
        dir="auto"
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
.grip {
  display: grid;
  place-items: center;
  width: 100%;
  height: 31px;
  padding: 0;
  color: var(--muted);
  background: none;
  border: 0;
  cursor: grab;
}
.nest.in1 {
  padding-inline-start: 16px;
}
.nest.in2 {
  padding-inline-start: 32px;
}
.nest.in3,
.nest.in4 {
  padding-inline-start: 48px;
}
.nest:not(.in0) {
  background: linear-gradient(var(--line), var(--line)) no-repeat;
  background-size: 1px 100%;
  background-position: 10px 0;
}
.nest.in2 {
  background-position: 26px 0;
}
.nest.in3,
.nest.in4 {
  background-position: 42px 0;
}
.tick {
  text-align: center;
}
.selected {
  background: var(--petrol-soft);
}
.picked {
  box-shadow: inset 3px 0 0 var(--petrol);
  background: var(--petrol-soft);
}
.bad .grip {
  color: var(--rust);
}
</style>
