<script setup lang="ts">
import { NButton } from 'naive-ui';
import Check from '@/shared/controls/Check.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import { kinds, type Field, type KindCode } from '@/shared/kinds';
import KindPicker from './KindPicker.vue';

defineProps<{ field: Field; index: number; depth: number; selected: boolean; picked: boolean; bad: boolean }>();
const emit = defineEmits<{
  label: [string];
  labelDone: [];
  fieldKey: [string];
  kind: [KindCode];
  required: [boolean];
  help: [string];
  pick: [MouseEvent];
  keydown: [KeyboardEvent, string];
}>();

const onKey = (event: KeyboardEvent, column: string) => {
  emit('keydown', event, column);
};
</script>

<template>
  <tr :data-row="field.id" :class="{ selected, bad, picked }">
    <td class="icon">
      <NButton
        quaternary
        class="grip"
        draggable="true"
        tabindex="-1"
        :aria-pressed="picked"
        :aria-label="$t('model.table.pick', { label: field.label || index + 1 })"
        @click="emit('pick', $event)"
      >
        <component :is="kinds[field.kind].icon" aria-hidden="true" />
      </NButton>
    </td>
    <td>
      <div class="nest" :class="`in${depth}`">
        <TextInput
          cell
          data-column="label"
          dir="auto"
          :value="field.label"
          :aria-label="$t('model.table.labelOf', { n: index + 1 })"
          @update:value="emit('label', $event)"
          @blur="emit('labelDone')"
          @keydown="onKey($event, 'label')"
        />
      </div>
    </td>
    <td>
      <KindPicker
        data-column="kind"
        :kind="field.kind"
        :aria-label="$t('model.table.kindOf', { label: field.label || index + 1 })"
        @choose="emit('kind', $event)"
        @keydown="onKey($event, 'kind')"
      />
    </td>
    <td>
      <TextInput
        cell
        mono
        data-column="key"
        :value="field.key"
        :aria-label="$t('model.table.keyOf', { label: field.label || index + 1 })"
        @update:value="emit('fieldKey', $event)"
        @keydown="onKey($event, 'key')"
      />
    </td>
    <td class="tick">
      <Check
        data-column="required"
        :checked="field.required ?? false"
        :aria-label="$t('model.table.requiredOf', { label: field.label || index + 1 })"
        @update:checked="emit('required', $event)"
        @keydown="onKey($event, 'required')"
      />
    </td>
    <td>
      <TextInput
        cell
        data-column="help"
        dir="auto"
        :value="field.help ?? ''"
        :aria-label="$t('model.table.helpOf', { label: field.label || index + 1 })"
        @update:value="emit('help', $event)"
        @keydown="onKey($event, 'help')"
      />
    </td>
  </tr>
</template>

<style scoped>
td {
  padding: 0;
  height: 32px;
  border-bottom: 1px solid var(--hair);
}
.grip {
  width: 100%;
  height: 31px;
  padding: 0;
  color: var(--muted);
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
