<script setup lang="ts">
import { NSlider } from 'naive-ui';
import { onMounted, useTemplateRef, watchEffect } from 'vue';
import { useDisabled } from './disabled';

/** A number between two ends; the handle takes the name that the slider was given. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  id?: string;
  value: number;
  min: number;
  max: number;
  step: number;
  labelledby: string;
  describedby?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:value': [number] }>();
const isDisabled = useDisabled(() => props.disabled);
const frame = useTemplateRef<HTMLElement>('frame');

/** The library's handle knows the arrows only. */
function onKey(event: KeyboardEvent): void {
  const end = { Home: props.min, End: props.max }[event.key];
  if (end !== undefined && !isDisabled.value) {
    event.preventDefault();
    emit('update:value', end);
  }
}

onMounted(() => {
  watchEffect(
    () => {
      const handle = frame.value?.querySelector('[role=slider]');
      handle?.setAttribute('aria-labelledby', props.labelledby);
      if (props.describedby) {
        handle?.setAttribute('aria-describedby', props.describedby);
      }
    },
    { flush: 'post' },
  );
});
</script>

<template>
  <div :id="id" ref="frame" class="slider-input" @keydown="onKey">
    <NSlider
      :value="value"
      :min="min"
      :max="max"
      :step="step"
      :disabled="isDisabled"
      :tooltip="false"
      @update:value="emit('update:value', $event as number)"
    />
  </div>
</template>

<style>
.slider-input {
  width: 260px;
  max-width: 100%;
  padding-inline: 8px;
}
</style>
