<script setup lang="ts">
import { NModal } from 'naive-ui';

/** A dialog with a title; it keeps the focus while it is open and gives it back. */
defineProps<{ title: string; width: number }>();
const open = defineModel<boolean>({ required: true });
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
