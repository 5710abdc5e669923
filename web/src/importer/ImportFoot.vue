<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui';
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { duration } from '@/shared/duration';
import { usePace } from '@/shared/usePace';
import { OUTCOMES } from './outcomes';
import type { Details, Work } from './useImport';

/** How far an import is, and the next step of it. */
const props = defineProps<{ details: Details; busy: boolean; isWorking: boolean; isKnown: boolean }>();
const emit = defineEmits<{ work: [Work]; undo: [] }>();
const { t } = useI18n();
const session = useSession();
const progress = computed(() => props.details.progress);
const state = computed(() => progress.value.state);
/** A trial goes through the rows twice. */
const rounds = computed(() => (state.value === 'trying' ? 2 : 1));
const pace = usePace(() => ({
  key: `${String(progress.value.id)} ${state.value} ${progress.value.phase}`,
  isOn: props.isWorking,
  done: progress.value.done / rounds.value,
  all: progress.value.total / rounds.value,
}));
const percentage = computed(() => Math.min(100, Math.round((100 * pace.value.done) / Math.max(1, pace.value.all))));
const counts = computed(() => {
  const all: Record<string, number> = {};
  for (const { outcomes } of props.details.sheets) {
    Object.entries(outcomes).forEach(([outcome, n]) => (all[outcome] = (all[outcome] ?? 0) + n));
  }
  return all;
});
const told = computed(() =>
  OUTCOMES.flatMap((each) => {
    const n = counts.value[each] ?? 0;
    return n
      ? [t(`importer.count.${state.value === 'done' ? 'was' : 'is'}.${each}`, { n: n.toLocaleString('en') }, n)]
      : [];
  }).join(', '),
);
const brought = computed(() => (counts.value.new ?? 0) + (counts.value.changed ?? 0));
const isTried = computed(() => progress.value.tried && state.value === 'tried');
const isUnfit = computed(() => props.details.findings.some((each) => each.severity === 'blocker'));
const isUndo = computed(() => ['mark', 'restore', 'remove'].includes(progress.value.phase));
</script>

<template>
  <footer class="bottom stack">
    <Problems
      v-if="progress.message"
      :of="[{ sentence: progress.message, severity: state === 'paused' ? 'blocker' : 'note' }]"
    />
    <template v-if="isWorking">
      <NProgress type="line" :percentage="percentage" :aria-label="$t(`importer.state.${state}`)" />
      <div class="row">
        <span class="muted" role="status">
          {{ $t(`importer.state.${state}`) }}
          <template v-if="pace.all"
            >·
            {{
              $t('importer.doneOf', {
                done: Math.round(pace.done).toLocaleString('en'),
                all: Math.round(pace.all).toLocaleString('en'),
              })
            }}</template
          >
          <template v-if="pace.rate"
            >· {{ $t('importer.rate', { n: Math.round(pace.rate).toLocaleString('en') }) }} ·
            {{ $t('plan.run.left', { time: duration(pace.left) }) }}</template
          >
          <template v-if="progress.interrupted"> · {{ $t('importer.interrupted') }}</template>
        </span>
        <NButton
          v-if="session.mayWrite && ['trying', 'running'].includes(state)"
          size="small"
          :disabled="busy"
          @click="emit('work', 'pause')"
          >{{ $t(state === 'trying' ? 'importer.stop' : 'importer.pause') }}</NButton
        >
        <span class="muted">{{ $t('importer.mayLeave') }}</span>
      </div>
    </template>
    <div v-else class="row">
      <template v-if="session.mayWrite">
        <template v-if="state === 'paused'">
          <NButton v-if="!isUndo" type="primary" :loading="busy" @click="emit('work', 'run')">{{
            $t('importer.goOn')
          }}</NButton>
          <NButton :disabled="busy" @click="emit('undo')">{{ $t('importer.undo') }}</NButton>
        </template>
        <NButton v-else-if="state === 'done'" :disabled="busy" @click="emit('undo')">{{ $t('importer.undo') }}</NButton>
        <template v-else>
          <NButton
            v-if="isTried && brought"
            type="primary"
            :loading="busy"
            :disabled="isUnfit"
            @click="emit('work', 'run')"
            >{{ $t('importer.run', { n: brought.toLocaleString('en') }, brought) }}</NButton
          >
          <NButton
            :type="isTried && brought ? 'default' : 'primary'"
            :loading="busy && !isTried"
            :disabled="busy || isUnfit"
            @click="emit('work', 'try')"
            >{{ $t(isTried ? 'importer.tryAgain' : 'importer.try') }}</NButton
          >
        </template>
      </template>
      <span class="muted" role="status">
        <template v-if="isUnfit">{{ $t('importer.unfit') }}</template>
        <template v-else-if="isTried || state === 'done' || state === 'paused'">{{ told }}</template>
        <template v-else-if="state === 'undone'">{{ $t('importer.undone') }}</template>
        <template v-else-if="isKnown">{{ $t('importer.changedSince') }}</template>
        <template v-else>{{ $t('importer.nothingYet') }}</template>
      </span>
      <slot />
    </div>
  </footer>
</template>

<style scoped>
.bottom {
  position: sticky;
  bottom: 0;
  gap: 6px;
  padding: 10px 0 12px;
  background: var(--ground);
  border-top: 1px solid var(--line);
}
</style>
