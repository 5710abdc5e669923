<script setup lang="ts">
import { NModal } from 'naive-ui';
import { nextTick, watch } from 'vue';

/** A dialog with a title; it keeps the focus while it is open and gives it back. */
defineProps<{ title: string; width: number }>();
const open = defineModel<boolean>({ required: true });

/** The library's title is a heading of no level. */
watch(
  open,
  async (isOpen) => {
    if (isOpen) {
      await nextTick();
      document
        .querySelectorAll('.n-modal [role=heading]:not([aria-level])')
        .forEach((heading) => heading.setAttribute('aria-level', '2'));
    }
  },
  { immediate: true },
);
</script>

<template>
  <NModal
    v-model:show="open"
    preset="card"
    size="small"
    :title="title"
    :aria-label="title"
    :bordered="false"
    :style="{ width: `min(${width}px, 92vw)` }"
    :content-style="{ maxHeight: '72vh', overflow: 'auto' }"
  >
    <slot />
  </NModal>
</template>
