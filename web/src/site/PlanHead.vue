<script setup lang="ts">
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { duration, secondsOf } from '@/shared/duration';
import { longTime } from '@/shared/time';

/** What will happen, in numbers. */
const props = defineProps<{ plan: Schemas['PlanView']; rehearsal: Schemas['RehearsalView'] | undefined }>();
const instant = computed(() => props.plan.steps.filter((step) => step.instant).length);
const seconds = computed(() => props.plan.steps.reduce((sum, step) => sum + step.seconds, 0));
const open = computed(() => props.plan.asks.filter((ask) => !ask.answer).length);
const last = computed(() => (props.rehearsal?.version === props.plan.to ? props.rehearsal : undefined));
/** How long it took on the copy, which is the better estimate. */
const took = computed(() => {
  const { report } = last.value ?? {};
  return report ? secondsOf(report.runs) : undefined;
});
</script>

<template>
  <div class="row spread head">
    <div class="row numbers">
      <span
        ><strong>{{ plan.steps.length }}</strong> {{ $t('plan.head.steps', { instant }, plan.steps.length) }}</span
      >
      <span
        ><strong>{{ duration(took ?? seconds) }}</strong>
        {{ $t(took === undefined ? 'plan.head.nobodyWaits' : 'plan.head.tookOnCopy') }}</span
      >
      <span v-if="plan.asks.length" :class="{ open: open > 0 }"
        ><strong>{{ open }}</strong> {{ $t('plan.head.open', { all: plan.asks.length }, plan.asks.length) }}</span
      >
      <span v-else class="muted">{{ $t('plan.head.noQuestions') }}</span>
    </div>
    <span class="muted">
      <template v-if="!last">{{ $t('plan.head.neverRehearsed', { version: plan.to }) }}</template>
      <template v-else-if="last.state === 'done'">{{
        $t('plan.head.rehearsed', { time: longTime(last.startedAt) })
      }}</template>
      <template v-else-if="last.state === 'failed'">{{ $t('plan.head.rehearsalFailed') }}</template>
      <template v-else-if="last.state === 'given_up'">{{
        $t('plan.head.neverRehearsed', { version: plan.to })
      }}</template>
      <template v-else>{{ $t('plan.head.rehearsing') }}</template>
    </span>
  </div>
</template>

<style scoped>
.head {
  flex-wrap: wrap;
}
.numbers {
  gap: 32px;
  align-items: baseline;
  flex-wrap: wrap;
  color: var(--muted);
}
strong {
  font-size: 19px;
  color: var(--ink);
}
.open strong {
  color: var(--brass);
}
</style>
