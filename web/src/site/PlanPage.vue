<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tabs from '@/shared/controls/Tabs.vue';
import { versionList } from '@/release/queries';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import PlanHead from './PlanHead.vue';
import PlanSamples from './PlanSamples.vue';
import PlanSteps from './PlanSteps.vue';
import Rehearsal from './Rehearsal.vue';
import RunList from './RunList.vue';
import RunPanel from './RunPanel.vue';
import SaveStatic from './SaveStatic.vue';
import SiteArchive from './SiteArchive.vue';
import SiteDrift from './SiteDrift.vue';
import SiteSettings from './SiteSettings.vue';
import SiteTokens from './SiteTokens.vue';
import Worksheet from './Worksheet.vue';
import { ofSite, planTo, runList } from './queries';
import { valueByValue } from './setAside';
import { useRehearsal } from './useRehearsal';
import Choice from '@/shared/controls/Choice.vue';

const { t } = useI18n();
const route = useRoute();
const workspace = useWorkspace();
const session = useSession();
const site = computed(() => String(route.params.site));
const tile = computed(() => workspace.site(site.value));
/** The release that somebody picked; the newest until then. */
const picked = ref('');
const released = useResource(() => versionList(String(route.params.workspace)));
const found = useResource(() => runList(site.value));
const versions = computed(() => released.data.value?.map((release) => release.version));
const version = computed({
  get: () => picked.value || (versions.value?.[0] ?? ''),
  set: (next) => (picked.value = next),
});
const runs = computed(() => found.data.value ?? []);
const halted = computed(() =>
  runs.value[0] && ['interrupted', 'running', 'paused'].includes(runs.value[0].state) ? runs.value[0] : undefined,
);
// what a run is changing is planned on when it has ended
const isAsked = computed(() => version.value !== '' && found.data.value !== undefined && !halted.value);
const asked = useResource(() => planTo(site.value, version.value), { enabled: isAsked });
const plan = computed(() => (halted.value ? undefined : asked.data.value));
const isPending = computed(() => isAsked.value && asked.isPending.value && !asked.problem.value);
/** What was picked among the parts of the plan; the first that there is until then. */
const part = ref('');
const failed = ref('');
const { rehearsal, isUnderWay, problem: notRehearsed, ...rehearsals } = useRehearsal(site);
const problem = computed(
  () => failed.value || notRehearsed.value || released.problem.value || found.problem.value || asked.problem.value,
);
const busy = ref(false);

/** The run that is followed here: until another release is picked, even when it has ended. */
const followed = ref<number>();
/** The one that was started here. */
const startedHere = ref<number>();
watch(
  () => halted.value?.id,
  (id) => {
    if (id !== undefined) {
      followed.value = id;
      part.value = 'run';
    }
  },
  { immediate: true },
);

/** The release that this plan is of: the first where the site is taken through several. */
const stage = computed(() => plan.value?.stages[0] ?? version.value);
const through = computed(() => plan.value?.stages.slice(0, -1) ?? []);

/** A plan is on its way, or may be: its parts have their places, so that none moves away from a click. */
const isComing = computed(
  () =>
    !halted.value &&
    !problem.value &&
    (versions.value === undefined || found.data.value === undefined || isPending.value),
);
const parts = computed(() => {
  const now = plan.value && !plan.value.installed ? plan.value : undefined;
  const told = (name: string, of?: readonly unknown[]) => ({
    name,
    label: t(`plan.tabs.${name}`, { n: of?.length ?? '' }).trim(),
  });
  const ofPlan =
    now || isComing.value
      ? [told('questions', now?.asks), told('steps', now?.steps), told('changes', now?.changes)]
      : [];
  // its copy may be there behind the run too
  const tried =
    now !== undefined || isComing.value || rehearsal.value
      ? [{ name: 'rehearsal', label: t('plan.tabs.rehearsal') }]
      : [];
  return [
    ...(followed.value === undefined ? [] : [{ name: 'run', label: t('plan.tabs.run') }]),
    ...ofPlan.slice(0, 2),
    ...tried,
    ...ofPlan.slice(2),
    { name: 'runs', label: t('plan.tabs.runs', { n: runs.value.length }) },
    { name: 'site', label: t('plan.tabs.site') },
  ];
});
const shown = computed(() => {
  const first = isCounting.value || plan.value?.asks.length || plan.value?.findings.length ? 'questions' : 'changes';
  // what comes first is known with the plan
  const wanted = isComing.value ? [part.value] : [part.value, halted.value ? 'run' : first, 'runs'];
  return wanted.find((name) => parts.value.some((each) => each.name === name)) ?? '';
});
/** Records are still looked through: more questions may come. */
const isCounting = computed(() => plan.value !== undefined && plan.value.counted < plan.value.questions);
const open = computed(() => plan.value?.asks.filter((each) => !each.answer).length ?? 0);
const isReady = computed(() => plan.value?.runnable === true);
const why = computed(() => {
  if (isCounting.value) {
    return t('plan.bar.counting');
  }
  if (plan.value?.runnable) {
    return plan.value.asks.length ? t('plan.bar.ready') : '';
  }
  return open.value ? t('plan.bar.open', { n: open.value }, open.value) : t('plan.bar.blocked');
});

watch(site, () => {
  picked.value = '';
  failed.value = '';
});
watch([site, picked], () => {
  part.value = '';
  followed.value = halted.value?.id;
});

/** Says why where it did not come about. */
async function attempt(work: () => Promise<unknown>): Promise<void> {
  failed.value = '';
  try {
    await work();
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

const decide = (answers: Schemas['DecisionBody'][]): Promise<void> =>
  attempt(async () => {
    const path = { workspace: String(route.params.workspace), version: stage.value };
    try {
      for (const given of answers) {
        const body = await valueByValue(site.value, stage.value, given);
        await ask(api.PUT('/api/workspaces/{workspace}/releases/{version}/decisions', { params: { path }, body }));
      }
    } finally {
      // those before one that was refused are kept
      await renew(planTo(site.value, version.value).queryKey);
    }
  });

async function rehearse(): Promise<void> {
  const { to } = plan.value ?? {};
  if (to !== undefined && !busy.value) {
    busy.value = true;
    part.value = 'rehearsal';
    await attempt(() => rehearsals.start(to));
    busy.value = false;
  }
}

/** Goes on with a run on this screen. */
function follow(id: number): void {
  startedHere.value = id;
  followed.value = id;
  part.value = 'run';
}

async function run(): Promise<void> {
  if (!plan.value || busy.value) {
    return;
  }
  failed.value = '';
  busy.value = true;
  try {
    const params = { path: { site: site.value } };
    const started = await ask(api.POST('/api/sites/{site}/runs', { params, body: { version: plan.value.to } }));
    follow(started.id);
    await renew(ofSite(site.value));
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}

/** Of layouts and the like, which do nothing to a database. */
const ofPages = computed(() => (plan.value?.changes ?? []).filter((change) => change.ofPages).length);
</script>

<template>
  <div class="whole">
    <div class="page wide stack">
      <div class="row spread">
        <h1>{{ $t('site.plan', { site: tile?.name ?? site }) }}</h1>
        <div v-if="versions?.length" class="row">
          <span class="muted">{{ $t('site.from') }}</span>
          <span class="mono">{{ tile?.version || $t('site.nothingInstalled') }}</span>
          <template v-for="each in through" :key="each">
            <span class="muted">{{ $t('plan.head.by') }}</span>
            <span class="mono">{{ each }}</span>
          </template>
          <label class="muted" for="target">{{ $t('site.to') }}</label>
          <Choice
            id="target"
            v-model:value="version"
            class="target"
            :options="versions.map((each) => ({ value: each, label: each }))"
          />
        </div>
      </div>
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <p v-if="versions?.length === 0" class="panel empty flat">{{ $t('site.noReleases') }}</p>
      <p v-if="plan?.installed" class="panel flat">
        {{ $t('site.isInstalled', { site: plan.site, version: plan.to }) }}
      </p>
      <p v-else-if="isPending" class="muted flat" role="status">
        {{ $t('plan.counting', { site: tile?.name ?? site }) }}
      </p>
      <PlanHead v-else-if="plan" :plan="plan" :rehearsal="rehearsal" />
      <div v-if="plan && isCounting" class="row counting" role="status">
        <NProgress
          type="line"
          class="line"
          :percentage="Math.round((100 * plan.counted) / plan.questions)"
          :show-indicator="false"
          :aria-label="$t('plan.head.counting')"
        />
        <span class="muted">{{ $t('plan.head.counted', { n: plan.counted, all: plan.questions }) }}</span>
      </div>
      <p v-if="through.length" class="hint flat">
        {{ $t('plan.head.through', { first: stage, last: plan?.to ?? '' }) }}
      </p>
      <Tabs :label="$t('plan.tabs.title')" :value="shown" :tabs="parts" @update:value="part = $event">
        <template #run>
          <RunPanel
            v-if="followed !== undefined"
            :id="String(followed)"
            :site="site"
            :fresh="followed === startedHere"
            heading="h2"
            @started="follow"
          />
        </template>
        <template #questions>
          <div v-if="plan" class="stack">
            <Worksheet
              v-if="plan.asks.length"
              :site="site"
              :version="plan.to"
              :asks="plan.asks"
              :locked="!session.isArchitect"
              @decide="decide"
            />
            <p v-else-if="!isCounting" class="panel flat">{{ $t('plan.table.none') }}</p>
            <section v-if="plan.findings.length" class="panel">
              <h2>{{ $t('site.notes') }}</h2>
              <Problems :of="plan.findings" />
            </section>
          </div>
        </template>
        <template #steps><PlanSteps v-if="plan" :steps="plan.steps" /></template>
        <template #rehearsal>
          <div class="stack">
            <Rehearsal
              :of="rehearsal"
              :version="plan?.to ?? ''"
              :locked="!session.isArchitect"
              @remove="attempt(rehearsals.remove)"
            />
            <PlanSamples
              v-if="plan && !(rehearsal?.report && rehearsal.version === plan.to)"
              :site="site"
              :version="plan.to"
            />
          </div>
        </template>
        <template #changes>
          <section v-if="plan" class="panel">
            <h2>{{ $t('site.changes') }}</h2>
            <p v-if="ofPages" class="hint">
              {{
                $t(ofPages === plan.changes.length ? 'site.allOfPages' : 'site.someOfPages', { n: ofPages }, ofPages)
              }}
            </p>
            <ul class="changes">
              <li v-for="change in plan.changes" :key="change.sentence">{{ change.sentence }}</li>
            </ul>
          </section>
        </template>
        <template #runs><RunList :runs="runs" /></template>
        <template #site>
          <div class="stack">
            <SiteSettings :site="site" :locked="!session.isArchitect" />
            <SiteDrift :site="site" :locked="!session.isArchitect" />
            <SaveStatic :site="site" />
            <SiteArchive v-if="session.isArchitect" :site="site" :busy="halted !== undefined" />
            <SiteTokens v-if="session.isArchitect" :site="site" />
          </div>
        </template>
      </Tabs>
    </div>
    <section v-if="plan && !plan.installed" class="bar row spread" :aria-label="$t('plan.bar.title')">
      <span class="muted">{{ session.isArchitect ? why : $t('site.architectOnly') }}</span>
      <div v-if="session.isArchitect" class="row">
        <NButton v-if="!tile?.copyOf" :disabled="!isReady || busy || isUnderWay" @click="rehearse">{{
          $t('plan.bar.rehearse')
        }}</NButton>
        <NButton type="primary" :disabled="!isReady" :loading="busy" @click="run">{{
          $t('site.run', { site: plan.site })
        }}</NButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
.target {
  width: 110px;
}
.flat {
  margin: 0;
}
.counting {
  gap: 16px;
}
.line {
  max-width: 320px;
}
.whole {
  display: flex;
  flex-direction: column;
  min-height: 100%;
}
.wide {
  flex: 1;
  width: 100%;
  max-width: 1400px;
}
.bar {
  position: sticky;
  bottom: 0;
  z-index: 2;
  padding: 10px 24px;
  border-top: 1px solid var(--line);
  background: var(--surface);
}
.changes {
  margin: 4px 0 0;
  padding-left: 20px;
  overflow-wrap: anywhere;
}
</style>
