<script setup lang="ts">
import { NRadio, NRadioGroup } from 'naive-ui';
import { useId } from 'vue';
import { useDisabled } from './disabled';

/** One of a few that are all seen; named by `aria-label` or `aria-labelledby`. */
const props = defineProps<{
  value: string | undefined;
  options: readonly { value: string; label: string }[];
  column?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:value': [string] }>();
const isDisabled = useDisabled(() => props.disabled);
const name = useId();
</script>

<template>
  <NRadioGroup
    role="radiogroup"
    class="radios"
    :class="{ column }"
    :name="name"
    :value="value ?? null"
    :disabled="isDisabled"
    @update:value="emit('update:value', $event as string)"
  >
    <NRadio v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</NRadio>
  </NRadioGroup>
</template>

<style>
.radios {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
.radios.column {
  flex-direction: column;
  align-items: flex-start;
}
</style>
