<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';

defineProps<{ steps: Schemas['PlanStepView'][] }>();
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
      <tbody>
        <tr v-for="(step, index) in steps" :key="index">
          <td class="num">{{ index + 1 }}</td>
          <td>{{ step.sentence }}</td>
          <td class="muted">{{ $t(`site.phases.${step.phase}`) }}</td>
          <td class="num">{{ step.rows || '' }}</td>
          <td class="muted">{{ $t(step.instant ? 'site.instant' : 'site.byRecords') }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
td:first-child,
th:first-child {
  width: 48px;
}
.muted {
  white-space: nowrap;
}
</style>
