<script setup lang="ts">
import { shallowRef, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import { idOf, type Defined } from '@/shared/definitions';
import { useDraft } from './draft';
import { lookOf } from './queries';
import PageFrame from '@/shared/PageFrame.vue';

/** The page, the index or the API answer of a definition, with made-up values. */
const props = defineProps<{ of: Defined; what: 'page' | 'index' | 'api' }>();
const draft = useDraft();
/** What is typed is shown when it is stored, and then the answer to the edit has brought it along. */
const settled = shallowRef({ of: props.of, revision: draft.revision });
watch([() => props.of, () => draft.revision, () => draft.state], () => {
  if (draft.state !== 'saving' || idOf(props.of) !== idOf(settled.value.of)) {
    settled.value = { of: props.of, revision: draft.revision };
  }
});
const { data: look, problem } = useResource(() => lookOf(draft.workspace, settled.value.of, settled.value.revision), {
  keepsLast: true,
  staleTime: Infinity,
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
