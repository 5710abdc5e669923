<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useDebounceFn, useEventListener } from '@vueuse/core';
import { ref, watch } from 'vue';
import IconX from '~icons/tabler/x';
import Problems from '@/shared/Problems.vue';
import SearchResult from '@/shared/SearchResult.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import PageFrame from '@/shared/PageFrame.vue';

/** The public page of what is being typed, before anything is saved. */
const props = defineProps<{ site: string; type: string; id: number | undefined; values: Record<string, unknown> }>();
const shown = defineModel<boolean>('shown', { required: true });
const preview = ref<Schemas['Preview']>();
const problem = ref('');

async function load(): Promise<void> {
  try {
    const params = { path: { site: props.site, key: props.type } };
    const body = { values: props.values, ...(props.id ? { id: props.id } : {}) };
    preview.value = await ask(api.POST('/api/sites/{site}/types/{key}/preview', { params, body }));
    problem.value = '';
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
const soon = useDebounceFn(load, 400);

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape' && !event.defaultPrevented) {
    shown.value = false;
  }
});

watch(
  shown,
  (now) => {
    if (now) {
      void load();
    }
  },
  { immediate: true },
);
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
  <aside v-if="shown" class="panel preview" :aria-label="$t('record.preview')">
    <div class="row spread">
      <strong>{{ $t('record.preview') }}</strong>
      <NButton size="tiny" quaternary :aria-label="$t('common.close')" @click="shown = false"><IconX /></NButton>
    </div>
    <p class="hint about">{{ $t('record.previewHint') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <template v-if="preview">
      <SearchResult :title="preview.title" :description="preview.description" :hidden="preview.hidden" />
      <PageFrame class="look" :title="$t('record.preview')" :html="preview.page" />
    </template>
  </aside>
</template>

<style scoped>
.preview {
  position: sticky;
  top: 0;
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
  height: calc(100vh - 150px);
  min-height: 420px;
  padding: 10px 16px 16px;
}
.about {
  margin: 0;
}
.look {
  flex: 1;
}
</style>
