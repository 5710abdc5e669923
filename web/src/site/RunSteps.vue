<script setup lang="ts">
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import { secondsBetween } from '@/shared/time';

defineProps<{ run: Schemas['RunView'] }>();
const tones = { done: 'safe', acting: 'draft', pending: 'plain' } as const;

function tone(state: string) {
  return tones[state as keyof typeof tones];
}
</script>

<template>
  <section class="panel">
    <h2>{{ $t('site.report') }}</h2>
    <table class="table">
      <thead>
        <tr>
          <th class="num">{{ $t('site.step') }}</th>
          <th />
          <th class="num">{{ $t('site.rows') }}</th>
          <th>{{ $t('record.state') }}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="step in run.steps" :key="step.seq">
          <td class="num">{{ step.seq + 1 }}</td>
          <td>{{ step.sentence }}</td>
          <td class="num nowrap">
            {{
              step.rowsExpected || step.rowsDone
                ? $t('site.progress', { done: step.rowsDone, all: step.rowsExpected })
                : ''
            }}
          </td>
          <td>
            <Tag :tone="tone(step.state)">{{ $t(`site.stepStates.${step.state}`) }}</Tag>
          </td>
          <td class="muted nowrap">
            <template v-if="step.startedAt && step.finishedAt">{{
              $t('site.seconds', { n: secondsBetween(step.startedAt, step.finishedAt) })
            }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.nowrap {
  white-space: nowrap;
}
</style>
