<script setup lang="ts">
import { NButton, NDatePicker, NPopover } from 'naive-ui';
import { computed, ref, watch, useTemplateRef } from 'vue';
import IconCalendar from '~icons/tabler/calendar';
import { patternOf, habitsOf, readMoment, showMoment, type MomentKind } from '../dates';
import TextInput from './TextInput.vue';
import { useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';
import { useEscape } from './escape';

/**
 * A date, a time, or both, as the person writes them; stored as `2026-06-01`, `09:30` or `2026-06-01T09:30`. What cannot be
 * read is handed on as it was typed, so that nothing is lost and the form can say so. Days can be picked as well.
 */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  value: string | undefined | null;
  kind: MomentKind;
  /** What it is, for the button that opens the calendar. */
  label: string;
  earliest?: string;
  latest?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:value': [string] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
const habits = habitsOf(navigator.language);
const stored = computed(() => props.value ?? '');
const text = ref(showMoment(props.kind, stored.value, habits));
const isIn = ref(false);
const open = ref(false);
const root = useTemplateRef<HTMLElement>('root');
useEscape(open, () => root.value?.querySelector('button'));

watch(stored, (value) => {
  if (!isIn.value) {
    text.value = showMoment(props.kind, value, habits);
  }
});

const picked = computed(() => {
  const day = /^(\d{4})-(\d{2})-(\d{2})/.exec(stored.value);
  return day ? new Date(Number(day[1]), Number(day[2]) - 1, Number(day[3])).getTime() : null;
});

function type(typed: string): void {
  text.value = typed;
  emit('update:value', typed.trim() === '' ? '' : (readMoment(props.kind, typed, habits) ?? typed));
}

function leave(): void {
  isIn.value = false;
  text.value = showMoment(props.kind, stored.value, habits);
}

function pick(value: number | null): void {
  if (value === null) {
    emit('update:value', '');
    return;
  }
  const day = new Date(value);
  const two = (number: number) => String(number).padStart(2, '0');
  const date = `${String(day.getFullYear()).padStart(4, '0')}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
  const time = /\d{2}:\d{2}/.exec(stored.value)?.[0] ?? '00:00';
  const next = props.kind === 'date_time' ? `${date}T${time}` : date;
  text.value = showMoment(props.kind, next, habits);
  emit('update:value', next);
  open.value = false;
}

const isOut = (value: number) => {
  const day = new Date(value);
  const iso = new Date(Date.UTC(day.getFullYear(), day.getMonth(), day.getDate())).toISOString().slice(0, 10);
  return (
    (props.earliest !== undefined && iso < props.earliest.slice(0, 10)) ||
    (props.latest !== undefined && iso > props.latest.slice(0, 10))
  );
};
</script>

<template>
  <div ref="root" v-bind="frame()" class="date-input row">
    <TextInput
      v-bind="inner()"
      autocomplete="off"
      :value="text"
      :disabled="disabled"
      :placeholder="patternOf(kind, habits)"
      @focus="isIn = true"
      @blur="leave"
      @update:value="type"
    />
    <NPopover
      v-if="kind !== 'time'"
      v-model:show="open"
      trigger="click"
      placement="bottom-end"
      :disabled="isDisabled"
      raw
    >
      <template #trigger>
        <NButton quaternary :disabled="isDisabled" :aria-label="$t('form.calendar')" :aria-expanded="open"
          ><template #icon><IconCalendar aria-hidden="true" /></template
        ></NButton>
      </template>
      <NDatePicker
        panel
        type="date"
        :value="picked"
        :actions="['clear', 'now']"
        :is-date-disabled="isOut"
        @update:value="pick"
      />
    </NPopover>
  </div>
</template>

<style>
.date-input {
  gap: 4px;
  max-width: 260px;
}
</style>
