<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useWorkspace } from '@/frame/workspace';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { queryClient, renew, useResource } from '@/shared/api/queries';
import { longTime } from '@/shared/time';
import { ofSite, siteDrift } from './queries';

/** Whether the site's tables are what its release says, and what to do where they are not. */
const props = defineProps<{ site: string; locked: boolean }>();
const workspace = useWorkspace();
const found = useResource(() => siteDrift(props.site));
const busy = ref(false);
const taken = ref<{ label: string; definition: string }>();
const failed = ref('');

async function act(request: () => Promise<Schemas['DriftView']>): Promise<void> {
  busy.value = true;
  failed.value = '';
  taken.value = undefined;
  try {
    queryClient.setQueryData(siteDrift(props.site).queryKey, await request());
    await renew([...ofSite(props.site), 'plan']);
    await workspace.loadSites();
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}

const params = () => ({ path: { site: props.site } });
const look = (): Promise<void> => act(() => ask(api.POST('/api/sites/{site}/drift/look', { params: params() })));
const mend = ({ code, definition, field }: Schemas['FindingView']): Promise<void> =>
  act(() => ask(api.POST('/api/sites/{site}/drift/mend', { params: params(), body: { code, definition, field } })));
/** A column that somebody added becomes a field of the draft; its values are held meanwhile. */
const take = ({ definition, field, property }: Schemas['FindingView']): Promise<void> =>
  act(async () => {
    const body = { definition, field, property };
    const made = await ask(api.POST('/api/sites/{site}/drift/take', { params: params(), body }));
    taken.value = { label: made.label, definition };
    return made.drift;
  });
</script>

<template>
  <section class="panel stack" aria-labelledby="drift-title">
    <div class="row spread">
      <h2 id="drift-title">{{ $t('plan.drift.title') }}</h2>
      <NButton v-if="!locked" size="small" :loading="busy" @click="look">{{ $t('plan.drift.look') }}</NButton>
    </div>
    <p class="hint flat">{{ $t('plan.drift.hint') }}</p>
    <Problems
      v-if="failed || found.problem.value"
      :of="[{ sentence: failed || found.problem.value, severity: 'blocker' }]"
    />
    <template v-if="found.data.value">
      <p class="flat" role="status">
        <template v-if="!found.data.value.lookedAt">{{ $t('plan.drift.never') }}</template>
        <template v-else-if="found.data.value.differences.length === 0">{{
          $t('plan.drift.none', { time: longTime(found.data.value.lookedAt) })
        }}</template>
        <template v-else>{{
          $t(
            'plan.drift.found',
            { n: found.data.value.differences.length, time: longTime(found.data.value.lookedAt) },
            found.data.value.differences.length,
          )
        }}</template>
      </p>
      <p v-if="taken" class="flat" role="status">
        {{ $t('plan.drift.taken', { label: taken.label }) }}
        <RouterLink :to="{ name: 'model', params: { workspace: $route.params.workspace, type: taken.definition } }">{{
          $t('plan.drift.toDraft')
        }}</RouterLink>
      </p>
      <div
        v-for="each in found.data.value.differences"
        :key="`${each.finding.code} ${each.finding.definition} ${each.finding.field} ${each.finding.property}`"
        class="row spread difference"
      >
        <Problems :of="[each.finding]" />
        <NButton v-if="each.mendable && !locked" size="small" :disabled="busy" @click="mend(each.finding)">{{
          $t('plan.drift.putBack')
        }}</NButton>
        <NButton v-if="each.takeable && !locked" size="small" :disabled="busy" @click="take(each.finding)">{{
          $t('plan.drift.take')
        }}</NButton>
      </div>
    </template>
  </section>
</template>

<style scoped>
.flat {
  margin: 0;
}
.difference {
  gap: 24px;
  align-items: flex-start;
}
.difference .n-button {
  flex: none;
}
</style>
