<script setup lang="ts">
import TypedInput from './TypedInput.vue';

/** A number as people write it, with a decimal comma or point; a text is handed on, so that no digit is lost or made up. */
defineProps<{ value: string | number | undefined | null; whole?: boolean }>();
const emit = defineEmits<{ 'update:value': [string] }>();
</script>

<template>
  <TypedInput
    class="number-input"
    decimal
    autocomplete="off"
    :inputmode="whole ? 'numeric' : 'decimal'"
    :value="value === null || value === undefined ? '' : String(value)"
    @typed="emit('update:value', $event)"
  />
</template>

<style>
.number-input .n-input__input-el {
  font-variant-numeric: tabular-nums;
}
</style>
