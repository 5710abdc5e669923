<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue';
import { NButton } from 'naive-ui';
import type { Field } from '@/shared/kinds';
import FieldControl from './FieldControl.vue';
import { same } from './form';

/** One value of a record, changed in its row: Enter or a click elsewhere saves it, Escape leaves it as it was. */
const props = defineProps<{ field: Field; value: unknown; label: string; problem: string; busy: boolean }>();
const emit = defineEmits<{ save: [unknown]; cancel: [] }>();
const typed = ref(props.value);
const before = props.value;
const frame = useTemplateRef<HTMLElement>('frame');

/** Somebody has gone on to something else: what was typed is stored, and nothing is asked where nothing was. */
function leave(): void {
  if (same(typed.value ?? '', before ?? '')) {
    emit('cancel');
  } else {
    emit('save', typed.value);
  }
}
defineExpose({ leave });

onMounted(() => frame.value?.querySelector<HTMLElement>('input, [tabindex="0"]')?.focus());

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape') {
    event.preventDefault();
    emit('cancel');
  } else if (event.key === 'Enter' && (event.target as HTMLElement).tagName === 'INPUT') {
    event.preventDefault();
    emit('save', typed.value);
  }
  event.stopPropagation();
}
</script>

<template>
  <div ref="frame" class="quick-edit" role="group" :aria-label="label" @keydown="onKey">
    <label class="hidden" for="quick-edit">{{ field.label }}</label>
    <FieldControl id="quick-edit" :field="field" :value="typed" :invalid="problem !== ''" @change="typed = $event" />
    <div class="row">
      <NButton size="tiny" type="primary" :loading="busy" @click="emit('save', typed)">{{ $t('common.save') }}</NButton>
      <NButton size="tiny" @click="emit('cancel')">{{ $t('common.cancel') }}</NButton>
    </div>
    <p v-if="problem" id="quick-edit-problems" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.quick-edit {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 220px;
  white-space: normal;
}
.problem {
  margin: 0;
  color: var(--rust);
}
</style>
