<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { useExplanation } from './explanations';

/** Explains the setting that has the focus or the pointer, at the foot of what it stands around. */
const within = useTemplateRef<HTMLElement>('within');
const explanation = useExplanation(within);
const router = useRouter();
const to = computed(() => ({
  name: 'help',
  params: { page: 'fields' },
  hash: `#${explanation.value?.anchor ?? 'settings'}`,
}));

onKeyStroke('F1', (event) => {
  event.preventDefault();
  window.open(router.resolve(to.value).href, '_blank');
});
</script>

<template>
  <div ref="within">
    <slot />
    <p v-if="explanation" class="explanation">
      <strong>{{ explanation.label }}</strong> <span>{{ explanation.text }}</span>
      <RouterLink :to="to" target="_blank">{{ $t('help.about') }}</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.explanation {
  position: sticky;
  /* over the room below the sheet, so that no row shows beneath */
  bottom: -24px;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  margin: 12px 0 0;
  padding: 8px 12px;
  font-size: 13px;
  background: var(--petrol-soft);
  border: 1px solid var(--line);
  border-radius: 4px 4px 0 0;
}
.explanation a {
  margin-inline-start: auto;
}
</style>
