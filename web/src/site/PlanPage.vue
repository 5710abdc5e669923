<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { versionList } from '@/release/queries';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import AskPanel from './AskPanel.vue';
import PlanSteps from './PlanSteps.vue';
import RunList from './RunList.vue';
import SaveStatic from './SaveStatic.vue';
import SiteSettings from './SiteSettings.vue';
import SiteTokens from './SiteTokens.vue';
import { ofSite, planTo, runList } from './queries';
import Choice from '@/shared/controls/Choice.vue';

const route = useRoute();
const router = useRouter();
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
const asked = useResource(() => planTo(site.value, version.value), { enabled: () => version.value !== '' });
const plan = asked.data;
const runs = computed(() => found.data.value ?? []);
const failed = ref('');
const problem = computed(() => failed.value || released.problem.value || found.problem.value || asked.problem.value);
const busy = ref(false);
const halted = computed(() =>
  runs.value[0] && ['interrupted', 'running'].includes(runs.value[0].state) ? runs.value[0] : undefined,
);

watch(site, () => {
  picked.value = '';
  failed.value = '';
});

async function decide(answer: Schemas['DecisionBody']): Promise<void> {
  failed.value = '';
  try {
    const path = { workspace: String(route.params.workspace), version: version.value };
    await ask(api.PUT('/api/workspaces/{workspace}/releases/{version}/decisions', { params: { path }, body: answer }));
    await renew(planTo(site.value, version.value).queryKey);
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
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
    await renew(ofSite(site.value));
    await router.push({ name: 'run', params: { ...route.params, run: started.id }, state: { started: started.id } });
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
  <div class="page stack">
    <div class="row spread">
      <h1>{{ $t('site.plan', { site: tile?.name ?? site }) }}</h1>
      <div v-if="versions?.length" class="row">
        <span class="muted">{{ $t('site.from') }}</span>
        <span class="mono">{{ tile?.version || $t('site.nothingInstalled') }}</span>
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
            :site="site"
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
          <p v-if="ofPages" class="hint">
            {{ $t(ofPages === plan.changes.length ? 'site.allOfPages' : 'site.someOfPages', { n: ofPages }, ofPages) }}
          </p>
          <ul class="changes">
            <li v-for="change in plan.changes" :key="change.sentence">{{ change.sentence }}</li>
          </ul>
        </section>
      </template>
    </template>
    <RunList :runs="runs" />
    <SiteSettings :site="site" :locked="!session.isArchitect" />
    <SaveStatic :site="site" />
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
