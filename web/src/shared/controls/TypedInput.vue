<script setup lang="ts">
import { ref, watch } from 'vue';
import TextInput from './TextInput.vue';

/**
 * A text that is sent on with every keystroke. While somebody is in it, it shows what was typed, whatever comes of that: an
 * answer that is on its way never takes letters away.
 */
const props = defineProps<{ value: string; decimal?: boolean }>();
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

/** A decimal comma is sent as a point: what is stored is the same for everybody. */
function sent(typed: string): string {
  return props.decimal ? typed.trim().replace(/^([+-]?\d*),(\d*)$/, '$1.$2') : typed;
}

function type(typed: string): void {
  text.value = typed;
  emit('typed', sent(typed));
}

function leave(): void {
  isIn.value = false;
  text.value = props.value;
}
</script>

<template>
  <TextInput :value="text" @focus="isIn = true" @blur="leave" @update:value="type" />
</template>
