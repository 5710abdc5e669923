<script setup lang="ts">
import { NCheckbox } from 'naive-ui';
import { useAttrs } from 'vue';
import { useDisabled } from './disabled';

/** A tick with its label; with `aria-label` instead where the label is a column's. Only the space bar switches it. */
const props = defineProps<{ checked: boolean | undefined; disabled?: boolean }>();
const emit = defineEmits<{ 'update:checked': [boolean] }>();
const isDisabled = useDisabled(() => props.disabled);
const attrs = useAttrs();
/** The library names a tick by its label also where there is none. */
const naming = () => (attrs['aria-label'] === undefined ? {} : { 'aria-labelledby': undefined });

function onKeyup(event: KeyboardEvent): void {
  if (event.key === 'Enter') {
    event.stopPropagation();
  }
}
</script>

<template>
  <NCheckbox
    v-bind="naming()"
    :checked="checked ?? false"
    :disabled="isDisabled"
    @keyup.capture="onKeyup"
    @update:checked="emit('update:checked', $event)"
    ><slot
  /></NCheckbox>
</template>
