<script setup lang="ts">
import { NButton } from 'naive-ui';
import { kindCodes, withKind, withSetting, type Field, type KindCode } from '@/shared/kinds';
import { widths } from './settings';

/** What can be done with several fields at once. */
defineProps<{ count: number }>();
const emit = defineEmits<{ change: [(field: Field) => Field]; remove: [] }>();

function choose(event: Event, change: (value: string) => (field: Field) => Field): void {
  const select = event.target as HTMLSelectElement;
  if (select.value) {
    emit('change', change(select.value));
    select.value = '';
  }
}
</script>

<template>
  <div class="bulk row" role="group" :aria-label="$t('model.bulk.title')">
    <strong>{{ $t('model.bulk.count', { n: count }) }}</strong>
    <select
      class="input"
      :aria-label="$t('model.bulk.kind')"
      @change="choose($event, (kind) => (field) => withKind(field, kind as KindCode))"
    >
      <option value="">{{ $t('model.bulk.kind') }}</option>
      <option v-for="code in kindCodes" :key="code" :value="code">{{ $t(`model.kinds.${code}`) }}</option>
    </select>
    <select
      class="input"
      :aria-label="$t('model.bulk.width')"
      @change="choose($event, (width) => (field) => withSetting(field, 'width', width === 'full' ? undefined : width))"
    >
      <option value="">{{ $t('model.bulk.width') }}</option>
      <option v-for="width in widths" :key="width" :value="width">{{ $t(`model.widths.${width}`) }}</option>
    </select>
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
.bulk .input {
  width: auto;
}
</style>
