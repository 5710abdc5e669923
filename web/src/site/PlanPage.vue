<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import AskPanel from './AskPanel.vue';
import PlanSteps from './PlanSteps.vue';
import RunList from './RunList.vue';
import SiteTokens from './SiteTokens.vue';

const route = useRoute();
const router = useRouter();
const workspace = useWorkspace();
const session = useSession();
const site = computed(() => String(route.params.site));
const tile = computed(() => workspace.sites.find((each) => each.path === site.value));
const versions = ref<string[]>();
const version = ref('');
const plan = ref<Schemas['PlanView']>();
const runs = ref<Schemas['RunView'][]>([]);
const problem = ref('');
const busy = ref(false);
let lastAsked = 0;
const halted = computed(() =>
  runs.value[0] && ['interrupted', 'running'].includes(runs.value[0].state) ? runs.value[0] : undefined,
);

/** Of several plans under way only the one that was asked for last is shown, and that one is run. */
async function loadPlan(): Promise<void> {
  const turn = ++lastAsked;
  plan.value = undefined;
  if (version.value) {
    const params = { path: { site: site.value }, query: { version: version.value } };
    const found = await ask(api.GET('/api/sites/{site}/plan', { params }));
    if (turn === lastAsked) {
      plan.value = found;
    }
  }
}

async function load(): Promise<void> {
  problem.value = '';
  try {
    const params = { path: { workspace: String(route.params.workspace) } };
    const [releases, found] = await Promise.all([
      ask(api.GET('/api/workspaces/{workspace}/versions', { params })),
      ask(api.GET('/api/sites/{site}/runs', { params: { path: { site: site.value } } })),
    ]);
    versions.value = releases.map((release) => release.version);
    runs.value = found;
    version.value = versions.value[0] ?? '';
    await loadPlan();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

watch(site, () => void load(), { immediate: true });

async function decide(answer: Schemas['DecisionBody']): Promise<void> {
  problem.value = '';
  try {
    const path = { workspace: String(route.params.workspace), version: version.value };
    await ask(api.PUT('/api/workspaces/{workspace}/releases/{version}/decisions', { params: { path }, body: answer }));
    await loadPlan();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

async function run(): Promise<void> {
  if (!plan.value || busy.value) {
    return;
  }
  problem.value = '';
  busy.value = true;
  try {
    const params = { path: { site: site.value } };
    const started = await ask(api.POST('/api/sites/{site}/runs', { params, body: { version: plan.value.to } }));
    await router.push({ name: 'run', params: { ...route.params, run: started.id } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page stack">
    <div class="row spread">
      <h1>{{ $t('site.plan', { site: tile?.name ?? site }) }}</h1>
      <div v-if="versions?.length" class="row">
        <span class="muted">{{ $t('site.from') }}</span>
        <span class="mono">{{ tile?.version || $t('site.nothingInstalled') }}</span>
        <label class="muted" for="target">{{ $t('site.to') }}</label>
        <select
          id="target"
          v-model="version"
          class="input mono target"
          @change="loadPlan().catch((e) => (problem = sentenceOf(e)))"
        >
          <option v-for="each in versions" :key="each" :value="each">{{ each }}</option>
        </select>
      </div>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="halted" class="panel">
      <RouterLink :to="{ name: 'run', params: { ...route.params, run: halted.id } }"
        >{{ $t(`site.states.${halted.state}`) }}:
        {{
          $t('site.versions', {
            from: halted.fromVersion || $t('site.nothingInstalled'),
            to: halted.toVersion || $t('site.nothingInstalled'),
          })
        }}</RouterLink
      >
    </div>
    <p v-if="versions?.length === 0" class="panel empty flat">{{ $t('site.noReleases') }}</p>
    <template v-if="plan">
      <p v-if="plan.installed" class="panel flat">
        {{ $t('site.isInstalled', { site: plan.site, version: plan.to }) }}
      </p>
      <template v-else>
        <section v-if="plan.asks.length" class="stack">
          <h2>{{ $t('site.asks') }}</h2>
          <AskPanel
            v-for="each in plan.asks"
            :key="each.fieldId + each.about"
            :ask="each"
            :version="plan.to"
            :locked="!session.isArchitect"
            @decide="decide"
          />
        </section>
        <section v-if="plan.findings.length" class="panel">
          <h2>{{ $t('site.notes') }}</h2>
          <Problems :of="plan.findings" />
        </section>
        <div class="row">
          <NButton
            v-if="session.isArchitect"
            type="primary"
            :disabled="!plan.runnable || !!halted"
            :loading="busy"
            @click="run"
            >{{ $t('site.run', { site: plan.site }) }}</NButton
          >
          <span v-if="!session.isArchitect" class="muted">{{ $t('site.architectOnly') }}</span>
          <span v-else-if="!plan.runnable" class="muted">{{ $t('site.notRunnable') }}</span>
        </div>
        <PlanSteps :steps="plan.steps" />
        <section class="panel">
          <h2>{{ $t('site.changes') }}</h2>
          <ul class="changes">
            <li v-for="change in plan.changes" :key="change.sentence">{{ change.sentence }}</li>
          </ul>
        </section>
      </template>
    </template>
    <RunList :runs="runs" />
    <SiteTokens v-if="session.isArchitect" :site="site" />
  </div>
</template>

<style scoped>
.target {
  width: 110px;
}
.flat {
  margin: 0;
}
.changes {
  margin: 4px 0 0;
  padding-left: 20px;
  overflow-wrap: anywhere;
}
</style>
