<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui';
import { computed, nextTick, ref, toRef, useTemplateRef, watch, type ComponentPublicInstance } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { askAgain, renew, useResource } from '@/shared/api/queries';
import { duration } from '@/shared/duration';
import { longTime, secondsBetween } from '@/shared/time';
import { usePace } from '@/shared/usePace';
import PlanSteps from './PlanSteps.vue';
import RunSteps from './RunSteps.vue';
import { newTypes, ofSite, undoPlan } from './queries';
import { toneOf } from './tone';
import { useRun } from './useRun';

/** A run as it goes on, what can be done with it, and what came of it. */
const props = defineProps<{
  site: string;
  /** Number of the run. */
  id: string;
  /** Whether whoever looks has just started it, and goes on where it leads. */
  fresh: boolean;
  /** The sort of heading it stands under. */
  heading: 'h1' | 'h2';
}>();
/** Another run came of it, an undo for example. */
const emit = defineEmits<{ started: [run: number] }>();
const { t } = useI18n();
const route = useRoute();
const workspace = useWorkspace();
const session = useSession();
const site = toRef(props, 'site');
const id = toRef(props, 'id');
const name = computed(() => workspace.site(site.value)?.name ?? site.value);
const undoing = ref<Schemas['PlanView']>();
const acting = ref(false);
const failed = ref('');
const { run, problem, load } = useRun(site, id, () => {
  void renew(ofSite(site.value));
  void workspace.loadSites().catch(() => undefined);
});
const summary = computed(() => {
  const now = run.value;
  if (!now) {
    return '';
  }
  const began = `${t('site.who')} ${now.by}, ${longTime(now.startedAt)}`;
  return now.finishedAt
    ? `${began}, ${t('site.took', { seconds: secondsBetween(now.startedAt, now.finishedAt) })}`
    : began;
});
const records = useTemplateRef<ComponentPublicInstance>('records');
const made = useResource(() => newTypes(site.value, Number(id.value)), {
  enabled: () => run.value?.state === 'done',
});
/** Where work goes on: the records of the type that this run has made, or of any. */
const type = computed(() => made.data.value?.[0]);

watch(
  () => props.fresh && run.value?.state === 'done' && made.data.value !== undefined,
  async (isDone) => {
    if (isDone) {
      await nextTick();
      (records.value?.$el as HTMLElement | undefined)?.focus();
    }
  },
  { immediate: true },
);

/** Undoing an undo brings the release back. */
const again = computed(() => run.value?.kind === 'undo');
const pace = usePace(() => {
  const steps = run.value?.steps.filter((step) => step.rowsExpected > 0) ?? [];
  return {
    key: run.value?.id,
    isOn: run.value?.state === 'running',
    done: steps.reduce((sum, step) => sum + Math.min(step.rowsDone, step.rowsExpected), 0),
    all: steps.reduce((sum, step) => sum + step.rowsExpected, 0),
  };
});
const doneSteps = computed(() => run.value?.steps.filter((step) => step.state === 'done').length ?? 0);
/** By records, where there are any to walk through. */
const percentage = computed(() => {
  const [done, all] = pace.value.all
    ? [pace.value.done, pace.value.all]
    : [doneSteps.value, run.value?.steps.length ?? 0];
  return Math.min(100, Math.round((100 * done) / Math.max(1, all)));
});

async function preview(): Promise<void> {
  failed.value = '';
  try {
    undoing.value = await askAgain(undoPlan(site.value, Number(id.value)));
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

type Act = 'undo' | 'continue' | 'pause' | 'give-up';

async function act(what: Act): Promise<void> {
  failed.value = '';
  acting.value = true;
  const params = { path: { site: site.value, id: Number(id.value) } };
  try {
    if (what === 'undo' || what === 'give-up') {
      const started = await ask(
        what === 'undo'
          ? api.POST('/api/sites/{site}/runs/{id}/undo', { params })
          : api.POST('/api/sites/{site}/runs/{id}/give-up', { params }),
      );
      undoing.value = undefined;
      emit('started', started.id);
    } else {
      await ask(
        what === 'continue'
          ? api.POST('/api/sites/{site}/runs/{id}/continue', { params })
          : api.POST('/api/sites/{site}/runs/{id}/pause', { params }),
      );
      await load();
    }
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  } finally {
    acting.value = false;
  }
}
</script>

<template>
  <div class="stack">
    <Problems v-if="problem || failed" :of="[{ sentence: problem || failed, severity: 'blocker' }]" />
    <template v-if="run">
      <div class="row">
        <component :is="heading">
          {{ $t(`site.kinds.${run.kind}`) }}
          {{
            $t('site.versions', {
              from: run.fromVersion || $t('site.nothingInstalled'),
              to: run.toVersion || $t('site.nothingInstalled'),
            })
          }}
        </component>
        <span role="status"
          ><Tag :tone="toneOf(run.state)">{{ $t(`site.states.${run.state}`) }}</Tag></span
        >
      </div>
      <p class="muted flat">{{ summary }}</p>
      <p v-if="run.journey" class="hint flat">{{ $t('plan.run.journey') }}</p>
      <section v-if="run.state === 'running'" class="panel stack">
        <NProgress type="line" :percentage="percentage" :aria-label="$t('site.steps')" />
        <div class="row spread">
          <span class="muted">
            <template v-if="pace.all">{{
              $t('plan.run.doneOf', { done: pace.done.toLocaleString('en'), all: pace.all.toLocaleString('en') })
            }}</template>
            <template v-if="pace.rate">
              · {{ $t('plan.run.rate', { n: Math.round(pace.rate).toLocaleString('en') }) }} ·
              {{ $t('plan.run.left', { time: duration(pace.left) }) }}</template
            >
            <template v-if="run.pausedBy"> {{ $t('plan.run.pausing') }}</template>
          </span>
          <div v-if="session.isArchitect" class="row">
            <NButton :disabled="acting || !!run.pausedBy" @click="act('pause')">{{ $t('plan.run.pause') }}</NButton>
            <NButton v-if="run.kind === 'forward'" :disabled="acting" @click="act('give-up')">{{
              $t('plan.run.giveUp')
            }}</NButton>
          </div>
        </div>
      </section>
      <section v-if="run.state === 'paused'" class="panel stack">
        <p class="flat">{{ $t('plan.run.paused', { by: run.pausedBy ?? '' }) }}</p>
        <div v-if="session.isArchitect" class="row">
          <NButton type="primary" :loading="acting" @click="act('continue')">{{ $t('site.continue') }}</NButton>
          <NButton v-if="run.kind === 'forward'" :disabled="acting" @click="act('give-up')">{{
            $t('plan.run.giveUp')
          }}</NButton>
        </div>
      </section>
      <section v-if="run.state === 'interrupted'" class="panel stack">
        <p class="flat">{{ $t('site.interrupted') }}</p>
        <Problems v-if="run.message" :of="[{ sentence: run.message, severity: 'blocker' }]" />
        <div v-if="session.isArchitect" class="row">
          <NButton type="primary" :loading="acting" @click="act('continue')">{{ $t('site.continue') }}</NButton>
          <NButton v-if="run.kind === 'forward'" :disabled="acting" @click="act('undo')">{{
            $t('site.goBack')
          }}</NButton>
        </div>
      </section>
      <div class="row">
        <RouterLink
          ref="records"
          :to="{ name: 'record-list', params: { workspace: route.params.workspace, site, type } }"
          >{{ $t('site.recordsOf', { site: name }) }}</RouterLink
        >
        <RouterLink
          :to="{ name: 'held', params: { workspace: route.params.workspace, site }, query: { run: run.id } }"
          >{{ $t('held.ofRun') }}</RouterLink
        >
        <NButton v-if="session.isArchitect && run.canUndo && !undoing" @click="preview">{{
          $t(again ? 'site.redo' : 'site.undo')
        }}</NButton>
      </div>
      <section v-if="undoing" class="stack">
        <h2>{{ $t(again ? 'site.redoTitle' : 'site.undoTitle') }}</h2>
        <Problems v-if="undoing.findings.length" :of="undoing.findings" />
        <p v-else class="flat">{{ $t('site.undoNothing') }}</p>
        <PlanSteps :steps="undoing.steps" />
        <div class="row">
          <NButton type="primary" :loading="acting" @click="act('undo')">{{
            $t(again ? 'site.redoNow' : 'site.undoNow')
          }}</NButton>
          <NButton @click="undoing = undefined">{{ $t('common.cancel') }}</NButton>
        </div>
      </section>
      <RunSteps :run="run" />
      <section v-if="run.findings.length" class="panel">
        <h2>{{ $t('site.notes') }}</h2>
        <ul>
          <li v-for="finding in run.findings" :key="finding">{{ finding }}</li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.flat {
  margin: 0;
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
</style>
