<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core';
import { computed, defineAsyncComponent, onUnmounted, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import type { Defined } from '@/shared/definitions';
import ProofForm from './ProofForm.vue';
import ProofImpact from './ProofImpact.vue';
import ProofLook from './ProofLook.vue';
import { useProof } from './proof';
import Tabs from '@/shared/controls/Tabs.vue';

const ProofCode = defineAsyncComponent(() => import('./ProofCode.vue'));
const props = defineProps<{ of: Defined }>();
const wanted = useSessionStorage('jontrel.proof', 'form');
const { t } = useI18n();
const proof = useProof();
const hasForm = computed(() => ['type', 'taxonomy', 'group', 'values'].includes(props.of.sort));
const hasPage = computed(() => props.of.sort === 'type');
const tabs = computed(() =>
  [
    ...(hasForm.value ? ['form'] : []),
    ...(hasPage.value ? ['page', 'index'] : []),
    ...(hasForm.value ? ['api'] : []),
    'code',
    'impact',
  ].map((name) => ({ name, label: t(`proof.${name}`) })),
);
/** The tab that was chosen stays through definitions; where one has no such tab, its first is shown. */
const shown = computed(() =>
  tabs.value.some((tab) => tab.name === wanted.value) ? wanted.value : (tabs.value[0]?.name ?? 'code'),
);

watch(
  () => props.of,
  (of) => {
    proof.show(of);
  },
  { immediate: true },
);
watch(
  shown,
  (tab) => {
    proof.looks = ['page', 'index', 'api'].includes(tab);
  },
  { immediate: true },
);
onUnmounted(proof.hide);
</script>

<template>
  <aside class="proof" :aria-label="$t('proof.title')">
    <Tabs :label="$t('proof.title')" :tabs="tabs" :value="shown" @update:value="wanted = $event">
      <template #form><ProofForm :of="of" /></template>
      <template #page><ProofLook :of="of" what="page" /></template>
      <template #index><ProofLook :of="of" what="index" /></template>
      <template #api><ProofLook :of="of" what="api" /></template>
      <template #code><ProofCode :of="of" /></template>
      <template #impact><ProofImpact :of="of" /></template>
    </Tabs>
    <Problems v-if="proof.failed" :of="[{ sentence: proof.failed, severity: 'blocker' }]" />
  </aside>
</template>

<style scoped>
.proof {
  padding: 4px 16px 16px;
}
</style>
