<script setup lang="ts">
import { provideDisabled } from './disabled';

/** Controls that go together, with a legend; disabled together. */
const props = defineProps<{ legend?: string; disabled?: boolean; row?: boolean }>();
const isDisabled = provideDisabled(() => props.disabled);
</script>

<template>
  <fieldset class="control-set" :disabled="isDisabled">
    <legend v-if="legend" dir="auto">{{ legend }}</legend>
    <div v-if="row" class="set-row"><slot /></div>
    <slot v-else />
  </fieldset>
</template>

<style>
.control-set {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.set-row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
.control-set > legend {
  padding: 0;
  overflow-wrap: anywhere;
}
</style>
