<script setup lang="ts">
import { NButton, NTable } from 'naive-ui';
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import { usePages } from '@/shared/api/queries';
import { trailPages } from './queries';
import { longTime } from '@/shared/time';

/** Who did what that matters for safety, the newest first. */
const { pages, problem, isFetching, hasNext, more } = usePages(trailPages);
const entries = computed(() => pages.value?.flat() ?? []);
</script>

<template>
  <div class="stack">
    <p class="muted flat">{{ $t('session.trailHint') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <NTable :bordered="false" size="small">
      <thead>
        <tr>
          <th>{{ $t('session.when') }}</th>
          <th>{{ $t('session.who') }}</th>
          <th>{{ $t('session.what') }}</th>
          <th>{{ $t('session.from') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in entries" :key="entry.id">
          <td class="time">{{ longTime(entry.at) }}</td>
          <td>{{ entry.who || $t('session.nobody') }}</td>
          <td>
            {{ $t(`session.acted.${entry.act}`) }} <span class="muted">{{ entry.about }}</span>
          </td>
          <td class="mono">{{ entry.address }}</td>
        </tr>
      </tbody>
    </NTable>
    <div v-if="hasNext">
      <NButton :loading="isFetching" @click="more">{{ $t('session.older') }}</NButton>
    </div>
  </div>
</template>

<style scoped>
.flat {
  margin: 0;
}
.time {
  white-space: nowrap;
}
</style>
