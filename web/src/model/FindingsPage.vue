<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useSession } from '@/session/session';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf, type FindingView } from '@/shared/api/client';
import { nameOf } from '@/shared/definitions';
import { useDraft } from './draft';

/** Everything that checking has to say of the draft, worst first. */
const draft = useDraft();
const session = useSession();
const problem = ref('');
const tones = { blocker: 'bad', warning: 'draft', note: 'plain' } as const;
const counts = computed(() =>
  (['blocker', 'warning', 'note'] as const).map((severity) => ({
    severity,
    n: draft.findings.filter((finding) => finding.severity === severity).length,
  })),
);

async function fix(finding: FindingView): Promise<void> {
  const offered = finding.fix;
  if (!offered) {
    return;
  }
  problem.value = '';
  try {
    const { element, property, value, items, with: meant, word } = offered;
    const params = { path: draft.path, query: draft.since() };
    const body = { element, property, value, items, with: meant, word };
    await draft.act(() => ask(api.POST('/api/workspaces/{workspace}/draft/fix', { params, body })));
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

function nameOfId(id: string): string {
  const found = draft.find(id);
  return found ? nameOf(found) : id;
}
</script>

<template>
  <div class="stack">
    <h1>{{ $t('model.views.findings') }}</h1>
    <p v-if="!draft.findings.length" class="empty">{{ $t('model.noFindings') }}</p>
    <p v-else class="row">
      <Tag v-for="count in counts" :key="count.severity" :tone="tones[count.severity]">{{
        $t(`model.severity.${count.severity}`, { n: count.n }, count.n)
      }}</Tag>
    </p>
    <p v-if="problem" class="problem">{{ problem }}</p>
    <table v-if="draft.findings.length" class="table">
      <thead>
        <tr>
          <th>{{ $t('model.finding.how') }}</th>
          <th>{{ $t('model.finding.where') }}</th>
          <th>{{ $t('model.finding.what') }}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="(finding, at) in draft.findings" :key="at">
          <td>
            <Tag :tone="tones[finding.severity as 'note']">{{ $t(`model.severityWord.${finding.severity}`) }}</Tag>
          </td>
          <td>
            <RouterLink
              :to="{
                name: 'model',
                params: { workspace: draft.workspace, type: finding.definition },
                hash: finding.field ? `#${finding.field}` : '',
              }"
              >{{ nameOfId(finding.definition) }}</RouterLink
            >
          </td>
          <td>
            {{ finding.sentence }} <span class="muted mono code">{{ finding.code }}</span>
          </td>
          <td>
            <NButton v-if="finding.fix && session.isArchitect" size="small" @click="fix(finding)">{{
              $t('model.finding.fix', { sentence: finding.fix.sentence })
            }}</NButton>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.code {
  font-size: 12px;
}
</style>
