<script setup lang="ts">
import { useRoute } from 'vue-router';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import { longTime } from '@/shared/time';
import { toneOf } from './tone';

defineProps<{ runs: Schemas['RunView'][] }>();
const route = useRoute();
</script>

<template>
  <section class="panel">
    <div class="row spread">
      <h2>{{ $t('site.runs') }}</h2>
      <RouterLink :to="{ name: 'held', params: { ...route.params } }">{{ $t('held.link') }}</RouterLink>
    </div>
    <p v-if="runs.length === 0" class="muted">{{ $t('site.noRuns') }}</p>
    <table v-else class="table">
      <tbody>
        <tr v-for="run in runs" :key="run.id">
          <td>
            <RouterLink :to="{ name: 'run', params: { ...route.params, run: run.id } }"
              >{{ $t(`site.kinds.${run.kind}`) }}
              {{
                $t('site.versions', {
                  from: run.fromVersion || $t('site.nothingInstalled'),
                  to: run.toVersion || $t('site.nothingInstalled'),
                })
              }}</RouterLink
            >
          </td>
          <td>
            <Tag :tone="toneOf(run.state)">{{ $t(`site.states.${run.state}`) }}</Tag>
          </td>
          <td>{{ run.by }}</td>
          <td class="muted">{{ longTime(run.startedAt) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
