<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useDebounceFn, useEventListener } from '@vueuse/core';
import { ref, watch } from 'vue';
import IconX from '~icons/tabler/x';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';

/** The public page of what is being typed, before anything is saved. */
const props = defineProps<{ site: string; type: string; id: number | undefined; values: Record<string, unknown> }>();
const shown = defineModel<boolean>('shown', { required: true });
const page = ref('');
const problem = ref('');

async function load(): Promise<void> {
  try {
    const params = { path: { site: props.site, key: props.type } };
    const body = { values: props.values, ...(props.id ? { id: props.id } : {}) };
    page.value = (await ask(api.POST('/api/sites/{site}/types/{key}/preview', { params, body }))).page;
    problem.value = '';
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
const soon = useDebounceFn(load, 400);

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape') {
    shown.value = false;
  }
});

watch(shown, (now) => {
  if (now) {
    void load();
  }
});
watch(
  () => props.values,
  () => {
    if (shown.value) {
      void soon();
    }
  },
  { deep: true },
);
</script>

<template>
  <aside v-if="shown" class="preview" :aria-label="$t('record.preview')">
    <div class="row spread head">
      <strong>{{ $t('record.preview') }}</strong>
      <NButton size="tiny" quaternary :aria-label="$t('common.close')" @click="shown = false"><IconX /></NButton>
    </div>
    <p class="hint about">{{ $t('record.previewHint') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <iframe sandbox="allow-same-origin" :title="$t('record.preview')" :srcdoc="page" />
  </aside>
</template>

<style scoped>
.preview {
  position: fixed;
  z-index: 30;
  inset: 0 0 0 auto;
  display: flex;
  flex-direction: column;
  width: min(560px, 60vw);
  background: var(--surface);
  border-left: 1px solid var(--line);
  box-shadow: -4px 0 16px rgb(0 0 0 / 15%);
}
.head {
  padding: 10px 16px 0;
}
.about {
  margin: 0;
  padding: 4px 16px 8px;
}
iframe {
  flex: 1;
  width: 100%;
  background: var(--page);
  border: 0;
  border-top: 1px solid var(--line);
}
</style>
