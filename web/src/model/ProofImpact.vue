<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import type { Defined } from '@/shared/definitions';
import { impactOn } from '@/site/queries';
import { valueByValue } from '@/site/setAside';
import ImpactAsks from './ImpactAsks.vue';
import { useDraft } from './draft';
import Choice from '@/shared/controls/Choice.vue';

/** What the draft would do to the records of a site, in numbers counted there: first what is about this definition. */
const props = defineProps<{ of: Defined }>();
const workspace = useWorkspace();
const draft = useDraft();
const session = useSession();
const route = useRoute();
const failed = ref('');
const site = ref(workspace.sites[0]?.path ?? '');
const {
  data: plan,
  problem,
  isFetching: busy,
} = useResource(() => impactOn(site.value, draft.revision), {
  keepsLast: true,
  enabled: () => site.value !== '' && draft.state === 'saved',
});
const mine = computed(() => (plan.value?.changes ?? []).filter((change) => change.typeId === props.of.definition.id));
const others = computed(() => (plan.value?.changes.length ?? 0) - mine.value.length);
const asks = computed(() => {
  const all = plan.value?.asks ?? [];
  const isMine = (each: Schemas['AskView']) => each.definition === props.of.definition.id;
  return { mine: all.filter(isMine), others: all.filter((each) => !isMine(each)) };
});
const slow = computed(() => plan.value?.steps.filter((step) => !step.instant) ?? []);
const isCounting = computed(() => plan.value !== undefined && plan.value.counted < plan.value.questions);

/** Kept with the draft until it is released. */
async function decide(given: Schemas['DecisionBody']): Promise<void> {
  failed.value = '';
  try {
    const params = { path: { workspace: String(route.params.workspace) } };
    const body = await valueByValue(site.value, 'draft', given);
    await ask(api.PUT('/api/workspaces/{workspace}/draft/decisions', { params, body }));
    await renew(impactOn(site.value, draft.revision).queryKey);
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <p v-if="!workspace.sites.length" class="hint">{{ $t('proof.noSites') }}</p>
  <template v-else>
    <label class="label" for="impact-site">{{ $t('proof.site') }}</label>
    <Choice
      id="impact-site"
      v-model:value="site"
      :options="workspace.sites.map((each) => ({ value: each.path, label: each.name }))"
    />
    <Problems v-if="problem || failed" :of="[{ sentence: problem || failed, severity: 'blocker' }]" />
    <p v-if="busy && !plan" class="hint">{{ $t('proof.counting') }}</p>
    <template v-if="plan">
      <p class="hint">
        {{ $t('proof.installed', { site: plan.site, version: plan.from || $t('frame.nothing') }) }}
      </p>
      <p v-if="isCounting" class="hint" role="status">
        {{ $t('plan.head.counted', { n: plan.counted, all: plan.questions }) }}
      </p>
      <template v-if="asks.mine.length">
        <h3>{{ $t('proof.asks', { n: asks.mine.length }, asks.mine.length) }}</h3>
        <ImpactAsks :site="site" :asks="asks.mine" :locked="!session.isArchitect" @decide="decide" />
      </template>
      <h3>{{ $t('proof.mine', { n: mine.length }, mine.length) }}</h3>
      <ul>
        <li v-for="change in mine" :key="change.sentence">{{ change.sentence }}</li>
      </ul>
      <Problems :of="plan.findings" />
      <p v-if="others" class="hint">{{ $t('proof.others', { n: others }, others) }}</p>
      <template v-if="asks.others.length">
        <h3>{{ $t('proof.otherAsks', { n: asks.others.length }, asks.others.length) }}</h3>
        <ImpactAsks :site="site" :asks="asks.others" :locked="!session.isArchitect" @decide="decide" />
      </template>
      <h3>{{ $t('proof.steps', { n: plan.steps.length }, plan.steps.length) }}</h3>
      <ul>
        <li v-for="(step, at) in slow" :key="at">
          {{ step.sentence }}
          <span v-if="step.rows" class="muted nowrap"
            >· {{ $t('proof.rows', { n: step.rows.toLocaleString('en') }, step.rows) }}</span
          >
        </li>
      </ul>
      <p v-if="plan.steps.length > slow.length" class="hint">
        {{ $t('plan.steps.instant', { n: plan.steps.length - slow.length }, plan.steps.length - slow.length) }}
      </p>
    </template>
  </template>
</template>

<style scoped>
h3 {
  margin-top: 12px;
}
.nowrap {
  white-space: nowrap;
}
ul {
  margin: 4px 0;
  padding-left: 20px;
}
</style>
