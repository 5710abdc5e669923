<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { duration } from '@/shared/duration';

type PlanStep = Schemas['PlanStepView'] & { number: number };
const props = defineProps<{ steps: Schemas['PlanStepView'][] }>();
/** So many instant steps behind one another are one line, until somebody wants to see them. */
const FEW = 3;
const unfolded = ref<number[]>([]);

/** Runs of instant steps that happen at the same time, and single steps that take a while. */
const groups = computed(() => {
  const all: PlanStep[][] = [];
  props.steps.forEach((step, index) => {
    const last = all.at(-1);
    const numbered = { ...step, number: index + 1 };
    if (last && step.instant && last[0]?.instant && last[0].phase === step.phase) {
      last.push(numbered);
    } else {
      all.push([numbered]);
    }
  });
  return all;
});
const isFolded = (group: PlanStep[]) => group.length > FEW && !unfolded.value.includes(group[0]?.number ?? 0);
const numbers = (group: PlanStep[]) => `${String(group[0]?.number)}–${String(group.at(-1)?.number)}`;
</script>

<template>
  <section class="panel">
    <h2>{{ $t('site.steps') }}</h2>
    <table class="table">
      <thead>
        <tr>
          <th class="num">{{ $t('site.step') }}</th>
          <th />
          <th>{{ $t('site.phase') }}</th>
          <th class="num">{{ $t('site.rows') }}</th>
          <th>{{ $t('site.takes') }}</th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group[0]?.number">
        <tr v-if="isFolded(group)">
          <td class="num">{{ numbers(group) }}</td>
          <td>
            {{ $t('plan.steps.instant', { n: group.length }) }}
            <NButton text size="tiny" @click="unfolded.push(group[0]?.number ?? 0)">{{
              $t('plan.steps.show')
            }}</NButton>
          </td>
          <td class="muted">{{ $t(`site.phases.${group[0]?.phase ?? ''}`) }}</td>
          <td />
          <td class="muted">{{ $t('site.instant') }}</td>
        </tr>
        <template v-else>
          <tr v-for="step in group" :key="step.number">
            <td class="num">{{ step.number }}</td>
            <td>{{ step.sentence }}</td>
            <td class="muted">{{ $t(`site.phases.${step.phase}`) }}</td>
            <td class="num">{{ step.rows ? step.rows.toLocaleString('en') : '' }}</td>
            <td class="muted">{{ step.instant ? $t('site.instant') : duration(step.seconds) }}</td>
          </tr>
        </template>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
td:first-child,
th:first-child {
  width: 64px;
  white-space: nowrap;
}
.muted {
  white-space: nowrap;
}
</style>
