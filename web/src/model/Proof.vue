<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core';
import { NTabPane, NTabs } from 'naive-ui';
import { computed, defineAsyncComponent, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import type { Defined } from '@/shared/definitions';
import ProofForm from './ProofForm.vue';
import ProofImpact from './ProofImpact.vue';
import ProofLook from './ProofLook.vue';
import { useProof } from './proof';

const ProofCode = defineAsyncComponent(() => import('./ProofCode.vue'));
const props = defineProps<{ of: Defined }>();
const wanted = useSessionStorage('jontrel.proof', 'form');
const proof = useProof();
const hasForm = computed(() => ['type', 'taxonomy', 'group', 'values'].includes(props.of.sort));
const hasPage = computed(() => props.of.sort === 'type');
/** The tab that was chosen stays through definitions; where one has no such tab, its first is shown. */
const shown = computed(() => {
  const tabs = [
    ...(hasForm.value ? ['form'] : []),
    ...(hasPage.value ? ['page', 'index'] : []),
    ...(hasForm.value ? ['api'] : []),
  ];
  return [...tabs, 'code', 'impact'].includes(wanted.value) ? wanted.value : hasForm.value ? 'form' : 'code';
});

watch(
  () => props.of,
  (of) => {
    proof.show(of);
  },
  { immediate: true },
);
</script>

<template>
  <aside class="proof" :aria-label="$t('proof.title')">
    <NTabs
      type="line"
      size="small"
      class="tabs"
      :pane-style="{ padding: '12px 0' }"
      :value="shown"
      @update:value="wanted = String($event)"
    >
      <NTabPane v-if="hasForm" name="form" :tab="$t('proof.form')"><ProofForm :of="of" /></NTabPane>
      <NTabPane v-if="hasPage" name="page" :tab="$t('proof.page')" display-directive="if"
        ><ProofLook :of="of" what="page"
      /></NTabPane>
      <NTabPane v-if="hasPage" name="index" :tab="$t('proof.index')" display-directive="if"
        ><ProofLook :of="of" what="index"
      /></NTabPane>
      <NTabPane v-if="hasForm" name="api" :tab="$t('proof.api')" display-directive="if"
        ><ProofLook :of="of" what="api"
      /></NTabPane>
      <NTabPane name="code" :tab="$t('proof.code')" display-directive="if"><ProofCode :of="of" /></NTabPane>
      <NTabPane name="impact" :tab="$t('proof.impact')" display-directive="if"><ProofImpact :of="of" /></NTabPane>
    </NTabs>
    <Problems v-if="proof.failed" :of="[{ sentence: proof.failed, severity: 'blocker' }]" />
  </aside>
</template>

<style scoped>
.tabs {
  --n-tab-gap: 18px !important;
}
.proof {
  padding: 4px 16px 16px;
}
</style>
