<script setup lang="ts">
import { NButton } from 'naive-ui';
import { onMounted, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { siteCounts } from '@/frame/queries';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import TextInput from '@/shared/controls/TextInput.vue';
import RestoreSite from './RestoreSite.vue';

const workspace = useWorkspace();
const session = useSession();
const router = useRouter();
const name = ref('');
const problem = ref('');
const input = useTemplateRef<InstanceType<typeof TextInput>>('input');

onMounted(async () => {
  await workspace.loadSites().catch((thrown: unknown) => (problem.value = sentenceOf(thrown)));
  if (workspace.known && !workspace.sites.length) {
    input.value?.focus();
  }
});

const counted = useResource(() => siteCounts(workspace.path), { keepsLast: true });
const records = (path: string) =>
  counted.data.value?.find((site) => site.path === path)?.records?.toLocaleString('en') ?? '…';

/** A double click makes one. */
const busy = ref(false);

async function add(): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problem.value = '';
  try {
    const params = { path: { workspace: workspace.path } };
    const made = await ask(api.POST('/api/workspaces/{workspace}/sites', { params, body: { name: name.value } }));
    name.value = '';
    await workspace.loadSites();
    await router.push({ name: 'plan', params: { workspace: workspace.path, site: made.path } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page stack">
    <h1>{{ $t('frame.sites') }}</h1>
    <div v-if="workspace.sites.length" class="panel">
      <table class="table">
        <thead>
          <tr>
            <th>{{ $t('site.name') }}</th>
            <th>{{ $t('site.installed') }}</th>
            <th class="num">{{ $t('site.records') }}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="site in workspace.sites" :key="site.path">
            <td>
              <strong>{{ site.name }}</strong>
            </td>
            <td class="mono">{{ site.version || $t('frame.nothing') }}</td>
            <td class="num">{{ records(site.path) }}</td>
            <td>
              <div class="row links">
                <RouterLink :to="{ name: 'plan', params: { workspace: workspace.path, site: site.path } }">{{
                  $t('site.open')
                }}</RouterLink>
                <RouterLink :to="{ name: 'record-list', params: { workspace: workspace.path, site: site.path } }">{{
                  $t('site.seeRecords')
                }}</RouterLink>
                <a :href="`/at/${site.path}/`" target="_blank">{{ $t('site.publicPages') }}</a>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-else-if="workspace.known" class="muted">{{ $t('site.none') }}</p>
    <form v-if="session.isArchitect" class="panel stack" @submit.prevent="add">
      <h2>{{ $t('site.add') }}</h2>
      <div class="row end">
        <div class="name">
          <label class="label" for="site-name">{{ $t('site.name') }}</label>
          <TextInput id="site-name" ref="input" v-model:value="name" required maxlength="100" />
        </div>
        <NButton attr-type="submit" :type="workspace.sites.length ? 'default' : 'primary'">{{
          $t('site.add')
        }}</NButton>
      </div>
      <p class="hint">{{ $t('site.addHint') }}</p>
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    </form>
    <RestoreSite v-if="session.isArchitect" />
  </div>
</template>

<style scoped>
.links {
  justify-content: flex-end;
  gap: 16px;
}
.end {
  align-items: flex-end;
}
.name {
  width: 280px;
}
</style>
