<script setup lang="ts">
import { ref } from 'vue';

/** The edge of a column, by which it is drawn wider or narrower: with the pointer, or with the arrow keys; twice clicked, as it was. */
const props = defineProps<{ width: number; label: string; min: number; max: number }>();
const emit = defineEmits<{ width: [number]; reset: [] }>();
const STEP = 16;
const from = ref<{ x: number; width: number }>();

const within = (width: number) => Math.round(Math.min(props.max, Math.max(props.min, width)));

function begin(event: PointerEvent): void {
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  from.value = { x: event.clientX, width: props.width };
}

function draw(event: PointerEvent): void {
  if (from.value) {
    emit('width', within(from.value.width + event.clientX - from.value.x));
  }
}

function onKey(event: KeyboardEvent): void {
  const by = { ArrowRight: STEP, ArrowLeft: -STEP }[event.key];
  if (by) {
    event.preventDefault();
    emit('width', within(props.width + by));
  } else if (event.key === 'Home' || event.key === 'Escape') {
    event.preventDefault();
    emit('reset');
  }
}
</script>

<template>
  <span
    class="width-handle"
    role="separator"
    aria-orientation="vertical"
    tabindex="0"
    :aria-label="label"
    :aria-valuenow="width"
    :aria-valuemin="min"
    :aria-valuemax="max"
    @pointerdown.prevent.stop="begin"
    @pointermove="draw"
    @pointerup="from = undefined"
    @pointercancel="from = undefined"
    @click.stop
    @dblclick.stop="emit('reset')"
    @keydown.stop="onKey"
  />
</template>

<style scoped>
.width-handle {
  position: absolute;
  inset-block: 4px;
  inset-inline-end: 0;
  width: 9px;
  cursor: col-resize;
  touch-action: none;
  border-inline-end: 2px solid transparent;
}
.width-handle:hover,
.width-handle:focus-visible {
  border-inline-end-color: var(--petrol);
  outline: none;
}
</style>
