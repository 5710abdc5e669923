<script setup lang="ts">
import { NButton, NUpload, NUploadDragger, type UploadFileInfo } from 'naive-ui';
import { useDisabled } from './disabled';

/** Files chosen with a button, or dropped on an area; handed on, never sent by itself. */
const props = defineProps<{
  /** Names it for assistive technology. */
  label: string;
  /** Said above the button of an area. */
  hint?: string;
  /** What the button says, where it is not the label. */
  button?: string;
  accept?: string;
  multiple?: boolean;
  area?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ files: [File[]] }>();
const isDisabled = useDisabled(() => props.disabled);

/** All files of one choice come together, though the library tells of each, one after the other. */
let chosen: File[] = [];
function onChange({ file }: { file: UploadFileInfo }): void {
  if (!file.file) {
    return;
  }
  if (chosen.length === 0) {
    setTimeout(() => {
      const files = chosen;
      chosen = [];
      emit('files', files);
    });
  }
  chosen.push(file.file);
}
</script>

<template>
  <NUpload
    class="file-picker"
    :class="{ area }"
    :accept="accept"
    :multiple="multiple"
    :default-upload="false"
    :show-file-list="false"
    :file-list="[]"
    :disabled="isDisabled"
    :input-props="{ 'aria-label': label, tabindex: -1 } as object"
    @change="onChange"
  >
    <NUploadDragger v-if="area" class="drop">
      <NButton size="small" :disabled="isDisabled">{{ button ?? $t('common.chooseFile') }}</NButton>
      <span class="muted">{{ hint ?? label }}</span>
    </NUploadDragger>
    <NButton v-else size="small" :disabled="isDisabled">{{ button ?? $t('common.chooseFile') }}</NButton>
  </NUpload>
</template>

<style>
.file-picker:not(.area) {
  display: inline-block;
  width: auto;
}
.file-picker .drop {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 12px;
  text-align: start;
}
</style>
