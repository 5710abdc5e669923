<script setup lang="ts">
import { computed, ref } from 'vue';
import { useWorkspace } from '@/frame/workspace';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import type { Defined } from '@/shared/definitions';
import { impactOn } from '@/site/queries';
import { useDraft } from './draft';
import Choice from '@/shared/controls/Choice.vue';

/** What the draft would do to the records of a site, in numbers counted there. */
const props = defineProps<{ of: Defined }>();
const workspace = useWorkspace();
const draft = useDraft();
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
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <p v-if="busy && !plan" class="hint">{{ $t('proof.counting') }}</p>
    <template v-if="plan">
      <p class="hint">
        {{ $t('proof.installed', { site: plan.site, version: plan.from || $t('frame.nothing') }) }}
      </p>
      <Problems :of="plan.findings" />
      <h3>{{ $t('proof.mine', { n: mine.length }, mine.length) }}</h3>
      <ul>
        <li v-for="change in mine" :key="change.sentence">{{ change.sentence }}</li>
      </ul>
      <p v-if="others" class="hint">{{ $t('proof.others', { n: others }, others) }}</p>
      <h3>{{ $t('proof.steps', { n: plan.steps.length }, plan.steps.length) }}</h3>
      <ul>
        <li v-for="(step, at) in plan.steps" :key="at">
          {{ step.sentence }}<strong v-if="step.rows"> · {{ $t('proof.rows', { n: step.rows }, step.rows) }}</strong>
        </li>
      </ul>
      <h3 v-if="plan.asks.length">{{ $t('proof.asks', { n: plan.asks.length }, plan.asks.length) }}</h3>
    </template>
  </template>
</template>

<style scoped>
h3 {
  margin-top: 12px;
}
ul {
  margin: 4px 0;
  padding-left: 20px;
}
</style>
