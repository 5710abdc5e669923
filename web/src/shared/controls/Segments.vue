<script setup lang="ts">
import { NRadioButton, NRadioGroup } from 'naive-ui';
import { useId } from 'vue';

/** One of two or three ways to see the same, side by side; named by `aria-label`. */
defineProps<{ value: string; options: readonly { value: string; label: string }[] }>();
const emit = defineEmits<{ 'update:value': [string] }>();
const name = useId();
</script>

<template>
  <NRadioGroup
    role="radiogroup"
    size="small"
    :name="name"
    :value="value"
    @update:value="emit('update:value', $event as string)"
  >
    <NRadioButton v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</NRadioButton>
  </NRadioGroup>
</template>
