<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { useExplanation } from './explanations';

/**
 * Explains the setting that has the focus or the pointer, at the foot of what it stands around. The foot has its room
 * at all times: one that came with the focus would cover, or move, what is being clicked.
 */
const props = defineProps<{ of?: string }>();
const within = useTemplateRef<HTMLElement>('within');
const explanation = useExplanation(within, () => props.of);
const router = useRouter();
const to = computed(() => ({
  name: 'help',
  params: { page: 'fields' },
  hash: `#${explanation.value?.anchor ?? 'settings'}`,
}));

onKeyStroke('F1', (event) => {
  if (!props.of) {
    return;
  }
  event.preventDefault();
  window.open(router.resolve(to.value).href, '_blank');
});
</script>

<template>
  <div ref="within" class="explained">
    <slot />
    <p v-if="of" class="explanation">
      <template v-if="explanation">
        <span
          ><strong>{{ explanation.label }}</strong> <span class="text">{{ explanation.text }}</span></span
        >
        <RouterLink :to="to" target="_blank">{{ $t('help.about') }}</RouterLink>
      </template>
      <span v-else class="hint">{{ $t('model.keysHint') }}</span>
    </p>
  </div>
</template>

<style scoped>
.explained {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.explanation {
  display: flex;
  flex: none;
  justify-content: space-between;
  align-items: start;
  gap: 4px 16px;
  /* two lines; the longest explanations have 110 letters */
  height: 56px;
  margin: 0;
  padding: 7px 20px;
  overflow: hidden auto;
  font-size: 13px;
  line-height: 20px;
  background: var(--surface);
  border-top: 1px solid var(--line);
}
.explanation a {
  flex: none;
}
@media (max-width: 560px) {
  .explanation {
    height: 96px;
  }
}
</style>
