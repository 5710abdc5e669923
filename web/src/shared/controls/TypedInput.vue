<script setup lang="ts">
import { ref, watch } from 'vue';

/**
 * A text that is sent on with every keystroke. While somebody is in it, it shows what was typed, whatever comes of that: an
 * answer that is on its way never takes letters away.
 */
const props = defineProps<{ value: string; multiline?: boolean }>();
const emit = defineEmits<{ typed: [string] }>();

const text = ref(props.value);
const isIn = ref(false);
watch(
  () => props.value,
  (value) => {
    if (!isIn.value) {
      text.value = value;
    }
  },
);

function type(event: Event): void {
  text.value = (event.target as HTMLInputElement).value;
  emit('typed', text.value);
}

function leave(): void {
  isIn.value = false;
  text.value = props.value;
}
</script>

<template>
  <component :is="multiline ? 'textarea' : 'input'" :value="text" @focus="isIn = true" @blur="leave" @input="type" />
</template>
