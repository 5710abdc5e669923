<script setup lang="ts">
import Choice from '@/shared/controls/Choice.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { storedText, typedText, type Way } from './blocks';

/** A text with values in braces: typed with keys, or inserted from a list; kept by ids. */
const props = defineProps<{
  id: string;
  label: string;
  text: string;
  /** What can be named in it. */
  ways: Way[];
  placeholder?: string;
  multiline?: boolean;
}>();
const emit = defineEmits<{ change: [string] }>();
</script>

<template>
  <div class="value-text">
    <div class="text">
      <label class="small" :for="id">{{ label }}</label>
      <TypedInput
        :id="id"
        dir="auto"
        :multiline="multiline"
        :rows="multiline ? '2' : undefined"
        :placeholder="placeholder"
        :value="typedText(text, ways)"
        @typed="emit('change', storedText($event, ways))"
      />
    </div>
    <div>
      <label class="small" :for="`${id}-insert`">{{ $t('layout.settings.insert') }}</label>
      <Choice
        :id="`${id}-insert`"
        filterable
        :value="undefined"
        :options="ways.map((each) => ({ value: each.path, label: each.label }))"
        @update:value="emit('change', `${props.text}{${$event}}`)"
      />
    </div>
  </div>
</template>

<style scoped>
.value-text {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.text {
  flex: 1;
  min-width: 220px;
}
</style>
