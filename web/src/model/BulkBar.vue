<script setup lang="ts">
import { NButton } from 'naive-ui';
import { kindCodes, withKind, withSetting, type Field, type KindCode } from '@/shared/kinds';
import { widths } from './settings';
import Choice from '@/shared/controls/Choice.vue';

/** What can be done with several fields at once. */
defineProps<{ count: number }>();
const emit = defineEmits<{ change: [(field: Field) => Field]; remove: [] }>();

function choose(value: string, change: (value: string) => (field: Field) => Field): void {
  emit('change', change(value));
}
</script>

<template>
  <div class="bulk row" role="group" :aria-label="$t('model.bulk.title')">
    <strong>{{ $t('model.bulk.count', { n: count }) }}</strong>
    <Choice
      :value="undefined"
      class="pick"
      :placeholder="$t('model.bulk.kind')"
      :aria-label="$t('model.bulk.kind')"
      :options="[...kindCodes.map((code) => ({ value: code, label: $t(`model.kinds.${code}`) }))]"
      @update:value="choose($event, (kind) => (field) => withKind(field, kind as KindCode))"
    />
    <Choice
      :value="undefined"
      class="pick"
      :placeholder="$t('model.bulk.width')"
      :aria-label="$t('model.bulk.width')"
      :options="[...widths.map((width) => ({ value: width, label: $t(`model.widths.${width}`) }))]"
      @update:value="
        choose($event, (width) => (field) => withSetting(field, 'width', width === 'full' ? undefined : width))
      "
    />
    <NButton size="small" @click="emit('change', (field) => ({ ...field, required: true }))">{{
      $t('model.bulk.required')
    }}</NButton>
    <NButton size="small" @click="emit('change', (field) => ({ ...field, required: undefined }))">{{
      $t('model.bulk.optional')
    }}</NButton>
    <NButton size="small" @click="emit('remove')">{{ $t('model.bulk.remove', { n: count }) }}</NButton>
  </div>
</template>

<style scoped>
.bulk {
  position: sticky;
  top: -16px;
  z-index: 2;
  flex-wrap: wrap;
  padding: 8px;
  background: var(--petrol-soft);
  border-radius: 4px;
}
.bulk .text-input {
  width: auto;
}
.pick {
  width: 150px;
}
</style>
