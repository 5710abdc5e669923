<script setup lang="ts">
import { useElementSize, useLocalStorage } from '@vueuse/core';
import { NSplit } from 'naive-ui';
import { computed, onMounted, onUpdated, useTemplateRef } from 'vue';

/**
 * Two panes side by side. One has a width of its own, drawn with the pointer or the arrow keys and kept in this browser; the
 * other takes what is left.
 */
const props = defineProps<{
  /** Under which name the width is kept. */
  name: string;
  /** What the line between them is called. */
  label: string;
  side: 'first' | 'second';
  start: number;
  min: number;
  max: number;
}>();
const STEP = 16;
const frame = useTemplateRef<HTMLElement>('frame');
const { width } = useElementSize(frame);
const kept = useLocalStorage(`jontrel.pane.${props.name}`, props.start);
const own = computed(() => Math.round(Math.min(Math.max(kept.value, props.min), props.max)));
/** The library knows the width of the first pane only. */
const first = computed(() => (props.side === 'first' ? own.value : Math.max(0, width.value - own.value)));

function take(size: string | number): void {
  const pixels = typeof size === 'number' ? size * width.value : Number.parseFloat(size);
  kept.value = props.side === 'first' ? pixels : width.value - pixels;
}

function onKey(event: KeyboardEvent): void {
  const by = { ArrowRight: STEP, ArrowLeft: -STEP }[event.key];
  if (by && (event.target as HTMLElement).getAttribute('role') === 'separator') {
    event.preventDefault();
    kept.value = Math.min(Math.max(own.value + (props.side === 'first' ? by : -by), props.min), props.max);
  }
}

function tell(): void {
  const line = frame.value?.querySelector<HTMLElement>(':scope > .n-split > .n-split__resize-trigger-wrapper');
  if (line) {
    line.setAttribute('role', 'separator');
    line.setAttribute('aria-orientation', 'vertical');
    line.setAttribute('aria-label', props.label);
    line.setAttribute('aria-valuenow', String(own.value));
    line.setAttribute('aria-valuemin', String(props.min));
    line.setAttribute('aria-valuemax', String(props.max));
    line.tabIndex = 0;
  }
}
onMounted(tell);
onUpdated(tell);
</script>

<template>
  <div ref="frame" class="split-panes" @keydown="onKey">
    <NSplit
      :size="`${first}px`"
      :min="side === 'first' ? `${min}px` : `${Math.max(0, width - max)}px`"
      :max="side === 'first' ? `${max}px` : `${Math.max(0, width - min)}px`"
      :resize-trigger-size="1"
      @update:size="take"
    >
      <template #1><slot name="first" /></template>
      <template #2><slot name="second" /></template>
      <template #resize-trigger><span class="split-line" /></template>
    </NSplit>
  </div>
</template>

<style>
.split-panes,
.split-panes > .n-split {
  height: 100%;
  min-width: 0;
}
/* what is scrolled within a pane is not cut off by it: checkers take what is cut off for hidden */
.split-panes > .n-split > .n-split-pane-1,
.split-panes > .n-split > .n-split-pane-2 {
  overflow: visible;
  min-width: 0;
}
.split-line {
  position: relative;
  display: block;
  width: 1px;
  height: 100%;
  background: var(--line);
}
.split-line::after {
  content: '';
  position: absolute;
  inset: 0 -4px;
  z-index: 3;
}
.n-split__resize-trigger-wrapper:hover .split-line,
.n-split__resize-trigger-wrapper:focus-visible .split-line {
  background: var(--petrol);
  box-shadow: 0 0 0 1px var(--petrol);
}
</style>
