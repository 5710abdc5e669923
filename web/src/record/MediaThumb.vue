<script setup lang="ts">
import { NButton } from 'naive-ui';
import IconFile from '~icons/tabler/file';
import type { Schemas } from '@/shared/api/client';
import { kilobytes } from '@/shared/sizes';

/** A file of a site as a small picture with its name; a button, which may stay pressed. */
defineProps<{ file: Schemas['MediaView']; pressed?: boolean | undefined }>();
</script>

<template>
  <NButton class="thumb" :class="{ pressed }" :aria-pressed="pressed">
    <span class="frame">
      <img
        v-if="file.width"
        :src="`${file.address}?width=320`"
        :alt="file.alt"
        loading="lazy"
        :style="{ objectPosition: `${file.focusX}% ${file.focusY}%` }"
      />
      <IconFile v-else width="40" height="40" aria-hidden="true" />
    </span>
    <span class="name">{{ file.name }}</span>
    <span class="hint">{{
      file.width ? $t('form.size', { width: file.width, height: file.height }) : kilobytes(file.bytes)
    }}</span>
  </NButton>
</template>

<style scoped>
.thumb {
  width: 100%;
  height: auto;
  padding: 6px;
  text-align: start;
}
.pressed {
  outline: 2px solid var(--petrol);
}
.thumb :deep(.n-button__content) {
  display: block;
  width: 100%;
}
.name,
.hint {
  display: block;
  overflow: hidden;
  line-height: 20px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.frame {
  display: grid;
  place-items: center;
  aspect-ratio: 4 / 3;
  margin-bottom: 6px;
  color: var(--muted);
  background: var(--ground);
  overflow: hidden;
}
.frame img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
</style>
