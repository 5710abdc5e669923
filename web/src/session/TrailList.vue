<script setup lang="ts">
import { NButton, NTable } from 'naive-ui';
import { onMounted, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { longTime } from '@/shared/time';
import { useTrying } from '@/shared/trying';

/** Who did what that matters for safety, the newest first. */
const PAGE = 100;
const entries = ref<Schemas['TrailView'][]>([]);
const more = ref(false);
const { problem, busy, trying } = useTrying();

const load = () =>
  trying(async () => {
    const before = entries.value.at(-1)?.id;
    const page = await ask(api.GET('/api/trail', { params: { query: { before } } }));
    entries.value = [...entries.value, ...page];
    more.value = page.length === PAGE;
  });

onMounted(load);
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
    <div v-if="more">
      <NButton :loading="busy" @click="load">{{ $t('session.older') }}</NButton>
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
