<script setup lang="ts">
import { refDebounced } from '@vueuse/core';
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import type { Defined } from '@/shared/definitions';
import { useDraft } from './draft';
import { lookOf } from './queries';
import PageFrame from '@/shared/PageFrame.vue';

/** The page, the index or the API answer of a definition, with made-up values. */
const props = defineProps<{ of: Defined; what: 'page' | 'index' | 'api' }>();
const draft = useDraft();
/** Asked for when nobody has typed for a moment. */
const settled = refDebounced(
  computed(() => props.of),
  300,
);
const { data: look, problem } = useResource(() => lookOf(draft.workspace, settled.value), {
  keepsLast: true,
  gcTime: 0,
});
</script>

<template>
  <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
  <template v-if="look">
    <p class="hint first">{{ $t(`proof.${what}Hint`) }}</p>
    <PageFrame
      v-if="what !== 'api'"
      class="look"
      :title="$t(`proof.${what}`)"
      :html="(what === 'page' ? look.page : look.index) ?? ''"
    />
    <template v-else>
      <h3>{{ $t('proof.example') }}</h3>
      <pre class="mono" tabindex="0">{{ JSON.stringify(look.example, null, 2) }}</pre>
      <h3>{{ $t('proof.schema') }}</h3>
      <pre class="mono" tabindex="0">{{ JSON.stringify(look.schema, null, 2) }}</pre>
    </template>
  </template>
</template>

<style scoped>
.first {
  margin: 0 0 12px;
}
.look {
  height: calc(100vh - 200px);
}
pre {
  margin: 4px 0 12px;
  padding: 12px;
  font-size: 12px;
  line-height: 18px;
  background: var(--ground);
  border: 1px solid var(--line);
  border-radius: 4px;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
