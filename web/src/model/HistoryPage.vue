<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useSession } from '@/session/session';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { shortTime } from '@/shared/time';
import { useResource } from '@/shared/api/queries';
import { useDraft } from './draft';
import { draftChanges, draftEdits } from './queries';

/** What changed since the last release, definition by definition, and the list of edits to step back to. */
const draft = useDraft();
const session = useSession();
const KEPT = { keepsLast: true };
const changed = useResource(() => draftChanges(draft.workspace, draft.revision), KEPT);
const made = useResource(() => draftEdits(draft.workspace, draft.revision), KEPT);
const changes = computed(() => changed.data.value ?? []);
const edits = computed(() => made.data.value ?? []);
const failed = ref('');
const problem = computed(() => failed.value || changed.problem.value || made.problem.value);

async function act(request: () => Promise<Schemas['DraftView']>): Promise<void> {
  failed.value = '';
  try {
    await draft.act(request);
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

function discard(id: string): Promise<void> {
  const params = { path: { ...draft.path, id }, query: draft.since() };
  return act(() => ask(api.POST('/api/workspaces/{workspace}/draft/definitions/{id}/discard', { params })));
}

function stepTo(seq: number): Promise<void> {
  const params = { path: { ...draft.path, seq }, query: draft.since() };
  return act(() => ask(api.POST('/api/workspaces/{workspace}/draft/edits/{seq}', { params })));
}
</script>

<template>
  <div class="stack">
    <h1>{{ $t('model.views.history') }}</h1>
    <p v-if="problem" class="problem">{{ problem }}</p>
    <div class="two">
      <section class="panel">
        <h2>{{ $t('model.history.since') }}</h2>
        <p v-if="!changes.length" class="hint">{{ $t('model.history.nothing') }}</p>
        <article v-for="change in changes" :key="change.id">
          <div class="row spread">
            <h3>
              <RouterLink :to="{ name: 'model', params: { workspace: draft.workspace, type: change.id } }">{{
                change.name
              }}</RouterLink>&nbsp;<span class="muted normal">{{ $t(`model.sort.${change.sort}`) }}</span>
            </h3>
            <NButton v-if="session.isArchitect" size="small" @click="discard(change.id)">{{
              $t('model.history.discard', { n: change.changes.length }, change.changes.length)
            }}</NButton>
          </div>
          <ul>
            <li v-for="each in change.changes" :key="each.sentence">{{ each.sentence }}</li>
          </ul>
        </article>
      </section>
      <section class="panel">
        <h2>{{ $t('model.history.edits') }}</h2>
        <p v-if="!edits.length" class="hint">{{ $t('model.history.noEdits') }}</p>
        <ol reversed>
          <li v-for="edit in edits" :key="edit.seq" :class="{ undone: edit.undone }">
            <div class="row spread">
              <span
                >{{ edit.title }} <Tag v-if="edit.undone" tone="plain">{{ $t('model.history.undone') }}</Tag></span
              >
              <NButton v-if="session.isArchitect" size="tiny" @click="stepTo(edit.seq)">{{
                $t('model.history.stepTo')
              }}</NButton>
            </div>
            <span class="hint">{{ edit.by }}, {{ shortTime(edit.at) }}</span>
          </li>
        </ol>
        <NButton v-if="edits.length && session.isArchitect" size="small" @click="stepTo(0)">{{
          $t('model.history.before')
        }}</NButton>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(380px, 1fr));
  gap: 16px;
  align-items: start;
}
article {
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
ol {
  margin: 8px 0;
  padding-left: 32px;
}
li {
  padding: 2px 0;
  overflow-wrap: anywhere;
}
.undone {
  color: var(--muted);
}
.normal {
  font-weight: 400;
}
</style>
