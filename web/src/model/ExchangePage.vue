<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ApiError, ask, sentenceOf, upload, type FindingView, type Schemas } from '@/shared/api/client';
import { idOf, nameOf } from '@/shared/definitions';
import { useDraft } from './draft';

/** Definitions in, from a package or single files, and out, as a package. */
const draft = useDraft();
const session = useSession();
const incoming = ref<Schemas['Incoming']>();
const choice = ref<Record<string, 'take' | 'theirs' | 'leave'>>({});
const findings = ref<FindingView[]>([]);
const problem = ref('');
const taken = ref(0);
const over = ref(false);
const only = ref<string[]>([]);
const tones = { new: 'safe', same: 'plain', takes: 'draft', joins: 'draft', ours: 'plain', clashes: 'bad' } as const;
const idle = ['same', 'ours'];
const chosen = computed(() =>
  (incoming.value?.definitions ?? []).flatMap((each) => {
    const how = choice.value[each.id];
    const definition = how === 'theirs' ? each.theirs : how === 'take' ? each.definition : undefined;
    return definition ? [{ sort: each.sort, revision: each.revision, definition, comments: each.comments }] : [];
  }),
);
const link = computed(() => {
  const query = only.value.length ? `?only=${only.value.map(encodeURIComponent).join(',')}` : '';
  return `/api/workspaces/${encodeURIComponent(draft.workspace)}/draft/package${query}`;
});

async function read(files: FileList | null | undefined): Promise<void> {
  over.value = false;
  if (!files?.length) {
    return;
  }
  problem.value = '';
  findings.value = [];
  incoming.value = undefined;
  taken.value = 0;
  await draft.flush();
  const form = new FormData();
  [...files].forEach((file) => {
    form.append('file', file);
  });
  try {
    const found = await upload<Schemas['Incoming']>(
      `/api/workspaces/${encodeURIComponent(draft.workspace)}/draft/incoming`,
      form,
    );
    incoming.value = found;
    findings.value = found.findings;
    choice.value = Object.fromEntries(
      found.definitions.map((each) => [
        each.id,
        idle.includes(each.state) || each.state === 'clashes' ? 'leave' : 'take',
      ]),
    );
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
    findings.value = thrown instanceof ApiError ? thrown.findings : [];
  }
}

async function take(): Promise<void> {
  problem.value = '';
  try {
    const params = { path: draft.path, query: draft.since() };
    const body = { definitions: chosen.value };
    await draft.act(() => ask(api.POST('/api/workspaces/{workspace}/draft/take', { params, body })));
    taken.value = body.definitions.length;
    incoming.value = undefined;
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <div class="stack">
    <h1>{{ $t('model.views.exchange') }}</h1>
    <section class="panel">
      <h2>{{ $t('model.exchange.in') }}</h2>
      <label
        v-if="session.isArchitect"
        class="drop"
        :class="{ over }"
        @dragover.prevent="over = true"
        @dragleave="over = false"
        @drop.prevent="read($event.dataTransfer?.files)"
      >
        <span>{{ $t('model.exchange.drop') }}</span>
        <input
          type="file"
          multiple
          accept=".zip,.yaml,.yml,.json"
          class="input"
          @change="read(($event.target as HTMLInputElement).files)"
        />
      </label>
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <Problems
        :of="
          findings.map((each) => ({
            ...each,
            sentence: each.place ? `${each.place}: ${each.sentence}` : each.sentence,
          }))
        "
      />
      <p v-if="taken" role="status">{{ $t('model.exchange.taken', { n: taken }, taken) }}</p>
      <template v-if="incoming">
        <table class="table">
          <thead>
            <tr>
              <th>{{ $t('model.exchange.definition') }}</th>
              <th>{{ $t('model.exchange.state') }}</th>
              <th>{{ $t('model.exchange.changes') }}</th>
              <th>{{ $t('model.exchange.do') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="each in incoming.definitions" :key="each.id">
              <td>
                {{ each.name }}<br /><span class="muted">{{ $t(`model.sort.${each.sort}`) }}</span>
              </td>
              <td>
                <Tag :tone="tones[each.state as 'new']">{{ $t(`model.exchange.states.${each.state}`) }}</Tag>
              </td>
              <td>
                <ul>
                  <li v-for="change in each.changes" :key="change.sentence">{{ change.sentence }}</li>
                </ul>
                <p v-for="clash in each.clashes" :key="clash" class="problem">{{ clash }}</p>
              </td>
              <td>
                <select
                  v-model="choice[each.id]"
                  class="input"
                  :disabled="idle.includes(each.state)"
                  :aria-label="$t('model.exchange.doWith', { name: each.name })"
                >
                  <option value="leave">
                    {{ $t(each.state === 'clashes' ? 'model.exchange.keepOurs' : 'model.exchange.leave') }}
                  </option>
                  <option v-if="each.state !== 'clashes'" value="take">
                    {{ $t(each.state === 'joins' ? 'model.exchange.join' : 'model.exchange.take') }}
                  </option>
                  <option v-else value="theirs">{{ $t('model.exchange.takeTheirs') }}</option>
                </select>
              </td>
            </tr>
          </tbody>
        </table>
        <NButton type="primary" :disabled="!chosen.length" @click="take">{{
          $t('model.exchange.takeAll', { n: chosen.length }, chosen.length)
        }}</NButton>
      </template>
    </section>
    <section class="panel">
      <h2>{{ $t('model.exchange.out') }}</h2>
      <p class="hint">{{ $t('model.exchange.outHint') }}</p>
      <div class="row wrap">
        <label v-for="each in draft.definitions" :key="idOf(each)" class="row"
          ><input v-model="only" type="checkbox" :value="idOf(each)" />{{ nameOf(each) }}</label
        >
      </div>
      <p>
        <a :href="link" download>{{
          only.length ? $t('model.exchange.some', { n: only.length }, only.length) : $t('model.exchange.whole')
        }}</a>
      </p>
    </section>
  </div>
</template>

<style scoped>
.table {
  margin-bottom: 12px;
}
.drop {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
  margin: 8px 0;
  padding: 16px;
  border: 1px dashed var(--muted);
  border-radius: 4px;
}
.drop.over {
  background: var(--petrol-soft);
}
ul {
  margin: 0;
  padding-left: 16px;
}
.wrap {
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
