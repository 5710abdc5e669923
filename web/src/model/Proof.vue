<script setup lang="ts">
import { NTabPane, NTabs } from 'naive-ui';
import { useDebounceFn } from '@vueuse/core';
import { ref, watch } from 'vue';
import EntryForm from '@/record/EntryForm.vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { ContentType } from '@/shared/kinds';

const props = defineProps<{ type: ContentType }>();
const proof = ref<Schemas['Proof']>();
const values = ref<Record<string, unknown>>({});
const failed = ref('');
const touched = ref<string[]>([]);
let asked = 0;

async function prove(): Promise<void> {
  const mine = ++asked;
  try {
    const answer = await ask(api.POST('/api/proof', { body: { definition: props.type, values: values.value } }));
    if (mine === asked) {
      proof.value = answer;
      failed.value = '';
    }
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

const proveSoon = useDebounceFn(prove, 200);
watch([() => props.type, values], () => void proveSoon(), { deep: true });
void prove();
</script>

<template>
  <aside class="proof" :aria-label="$t('proof.title')">
    <NTabs type="line" size="small" animated :pane-style="{ padding: '12px 0' }">
      <NTabPane name="form" :tab="$t('proof.form')">
        <p class="hint first">{{ $t('proof.formHint') }}</p>
        <EntryForm
          v-model="values"
          :type="type"
          :parts="proof?.parts ?? {}"
          :problems="(proof?.problems ?? []).filter((problem) => touched.includes(problem.field))"
          @touch="touched = [...touched, $event]"
        />
      </NTabPane>
      <NTabPane name="code" :tab="$t('proof.code')">
        <p class="hint first">{{ $t('proof.codeHint') }}</p>
        <template v-if="proof && !proof.code">
          <p>{{ $t('proof.unreadable') }}</p>
          <Problems :of="proof.findings" />
        </template>
        <pre v-else class="mono" tabindex="0">{{ proof?.code }}</pre>
      </NTabPane>
    </NTabs>
    <Problems v-if="failed" :of="[{ sentence: failed, severity: 'blocker' }]" />
  </aside>
</template>

<style scoped>
.proof {
  padding: 4px 16px 16px;
}
.first {
  margin: 0 0 12px;
}
pre {
  margin: 0;
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
