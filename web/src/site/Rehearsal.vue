<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import { duration, secondsOf } from '@/shared/duration';
import { longTime } from '@/shared/time';
import SampleTable from './SampleTable.vue';

/** A rehearsal as it goes on, and its report: what became of records on the copy. */
const props = defineProps<{ of: Schemas['RehearsalView'] | undefined; version: string; locked: boolean }>();
defineEmits<{ remove: [] }>();
const route = useRoute();
const isUnderWay = computed(() => ['copying', 'running'].includes(props.of?.state ?? ''));
const tones = { done: 'safe', failed: 'bad', copying: 'draft', running: 'draft', given_up: 'plain' } as const;
const tone = computed(() => tones[props.of?.state as keyof typeof tones]);
const report = computed(() => props.of?.report);
const took = computed(() => secondsOf(report.value?.runs ?? []));
const copied = computed(() =>
  Math.min(99, Math.round((100 * (props.of?.rowsCopied ?? 0)) / Math.max(1, props.of?.rowsExpected ?? 1))),
);
const copy = computed(() => ({ workspace: route.params.workspace, site: props.of?.copy ?? '' }));
</script>

<template>
  <p v-if="!of" class="panel flat">{{ $t('plan.rehearsal.none') }}</p>
  <div v-else class="stack">
    <section class="panel stack">
      <div class="row spread">
        <div class="row">
          <Tag :tone="tone">{{ $t(`plan.rehearsal.states.${of.state}`) }}</Tag>
          <span class="muted">{{ $t('plan.rehearsal.by', { by: of.by, time: longTime(of.startedAt) }) }}</span>
          <span v-if="of.version !== version" class="muted">{{
            $t('plan.rehearsal.other', { version: of.version })
          }}</span>
        </div>
        <NButton v-if="isUnderWay && !locked" size="small" @click="$emit('remove')">{{
          $t('plan.rehearsal.giveUp')
        }}</NButton>
        <NButton v-else-if="of.copy && !locked" size="small" @click="$emit('remove')">{{
          $t('plan.rehearsal.remove')
        }}</NButton>
      </div>
      <template v-if="isUnderWay">
        <NProgress
          type="line"
          :processing="true"
          :percentage="of.state === 'copying' ? copied : 100"
          :show-indicator="of.state === 'copying'"
          :aria-label="$t(`plan.rehearsal.states.${of.state}`)"
        />
        <p v-if="of.state === 'copying'" class="hint flat">
          {{
            $t('plan.rehearsal.copied', {
              n: of.rowsCopied.toLocaleString('en'),
              all: of.rowsExpected.toLocaleString('en'),
            })
          }}
        </p>
      </template>
      <Problems v-if="of.message" :of="[{ sentence: of.message, severity: report ? 'warning' : 'blocker' }]" />
      <template v-if="report">
        <p class="flat">
          {{ $t('plan.rehearsal.took', { copy: duration(report.copyMillis / 1000), run: duration(took) }) }}
        </p>
        <p v-if="of.copy" class="flat row">
          <span>{{ $t('plan.rehearsal.open') }}</span>
          <RouterLink :to="{ name: 'record-list', params: { ...copy, type: '' } }">{{
            $t('plan.rehearsal.records')
          }}</RouterLink>
          <a :href="`/at/${of.copy}/`" target="_blank">{{ $t('plan.rehearsal.pages') }}</a>
          <RouterLink
            v-for="each in report.runs"
            :key="each.id"
            :to="{ name: 'run', params: { ...copy, run: each.id } }"
            >{{ $t('plan.rehearsal.run', { version: each.toVersion }) }}</RouterLink
          >
          <RouterLink v-if="of.message" :to="{ name: 'plan', params: copy }">{{
            $t('plan.rehearsal.plan')
          }}</RouterLink>
          <span class="hint">{{ $t('plan.rehearsal.kept') }}</span>
        </p>
        <p v-else class="hint flat">{{ $t('plan.rehearsal.gone') }}</p>
      </template>
    </section>
    <section v-if="of.differences.length" class="panel" aria-labelledby="differs">
      <h2 id="differs">{{ $t('plan.rehearsal.differs') }}</h2>
      <p class="hint flat">{{ $t('plan.rehearsal.differsHint') }}</p>
      <Problems :of="of.differences.map((sentence) => ({ sentence, severity: 'warning' }))" />
    </section>
    <template v-if="report">
      <section v-if="report.counts.length" class="panel">
        <h2>{{ $t('plan.rehearsal.counts') }}</h2>
        <ul class="row counts">
          <li v-for="count in report.counts" :key="count.name">{{ $t('plan.rehearsal.now', count) }}</li>
        </ul>
      </section>
      <section class="panel samples" aria-labelledby="samples">
        <h2 id="samples">{{ $t('plan.rehearsal.samples') }}</h2>
        <p v-if="!report.samples.length" class="muted flat">{{ $t('plan.rehearsal.nothing') }}</p>
        <SampleTable v-else :of="report.samples" :copy="of.copy ?? ''" />
      </section>
    </template>
  </div>
</template>

<style scoped>
.flat {
  margin: 0;
}
.counts {
  flex-wrap: wrap;
  gap: 4px 28px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
</style>
