<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ApiError, ask, formOf, sentenceOf, upload, type FindingView, type Schemas } from '@/shared/api/client';
import { idOf, nameOf, sorts } from '@/shared/definitions';
import SampleModels from './SampleModels.vue';
import { useDraft } from './draft';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import FilePicker from '@/shared/controls/FilePicker.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import WorkbookDrop from '@/workbook/WorkbookDrop.vue';

/** Definitions in, from a package or single files, and out, as a package. */
const { t } = useI18n();
const draft = useDraft();
const session = useSession();
const route = useRoute();
const incoming = ref<Schemas['ImportPreview']>();
const choice = ref<Record<string, 'take' | 'theirs' | 'leave'>>({});
const findings = ref<FindingView[]>([]);
const problem = ref('');
const taken = ref(0);
const only = ref<string[]>([]);
const tones = { new: 'safe', same: 'plain', takes: 'draft', joins: 'draft', ours: 'plain', clashes: 'bad' } as const;
const idle = ['same', 'ours'];
const doing = (state: string) =>
  state === 'clashes'
    ? [
        { value: 'leave', label: t('model.exchange.keepOurs') },
        { value: 'theirs', label: t('model.exchange.takeTheirs') },
      ]
    : [
        { value: 'leave', label: t('model.exchange.leave') },
        { value: 'take', label: t(state === 'joins' ? 'model.exchange.join' : 'model.exchange.take') },
      ];
const chosen = computed(() =>
  (incoming.value?.definitions ?? []).flatMap((each) => {
    const how = choice.value[each.id];
    const definition = how === 'theirs' ? each.theirs : how === 'take' ? each.definition : undefined;
    return definition ? [{ sort: each.sort, revision: each.revision, definition, comments: each.comments }] : [];
  }),
);
const bySort = computed(() =>
  sorts
    .map((sort) => ({ sort, all: draft.definitions.filter((each) => each.sort === sort) }))
    .filter((section) => section.all.length > 0),
);
const link = computed(() => {
  const query = only.value.length ? `?only=${only.value.map(encodeURIComponent).join(',')}` : '';
  return `/api/workspaces/${encodeURIComponent(draft.workspace)}/draft/package${query}`;
});

async function read(files: File[]): Promise<void> {
  if (!files.length) {
    return;
  }
  problem.value = '';
  findings.value = [];
  incoming.value = undefined;
  taken.value = 0;
  await draft.flush();
  try {
    const found = await upload<Schemas['ImportPreview']>(
      `/api/workspaces/${encodeURIComponent(draft.workspace)}/draft/incoming`,
      formOf(files),
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

/** A sample is read as if somebody had dropped its package. */
async function readSample(name: string): Promise<void> {
  problem.value = '';
  try {
    const path = { name };
    const bytes = await ask(api.GET('/api/samples/{name}/package', { params: { path }, parseAs: 'blob' }));
    await read([new File([bytes], `${name}.zip`)]);
    await nextTick();
    heading.value?.scrollIntoView({ block: 'start' });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

const heading = useTemplateRef<HTMLElement>('heading');
watch(
  () => [route.query.sample, draft.loaded] as const,
  ([sample, isLoaded]) => {
    if (typeof sample === 'string' && isLoaded && session.isArchitect) {
      void readSample(sample);
    }
  },
  { immediate: true },
);

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
      <h2 ref="heading">{{ $t('model.exchange.in') }}</h2>
      <FilePicker
        v-if="session.isArchitect"
        area
        multiple
        accept=".zip,.yaml,.yml,.json"
        :disabled="!draft.loaded"
        :label="$t('model.exchange.drop')"
        @files="read"
      />
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <Problems
        :of="
          findings.map((each) => ({
            ...each,
            sentence: each.place ? `${each.place}: ${each.sentence}` : each.sentence,
          }))
        "
      />
      <p v-if="taken" role="status">
        {{ $t('model.exchange.taken', { n: taken }, taken) }}
        <template v-if="route.query.sample">{{ $t('model.samples.taken') }}</template>
      </p>
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
                <Choice
                  v-model:value="choice[each.id]"
                  :disabled="idle.includes(each.state)"
                  :aria-label="$t('model.exchange.doWith', { name: each.name })"
                  :options="doing(each.state)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <NButton type="primary" :disabled="!chosen.length" @click="take">{{
          $t('model.exchange.takeAll', { n: chosen.length }, chosen.length)
        }}</NButton>
      </template>
    </section>
    <section v-if="session.isArchitect" class="panel">
      <h2>{{ $t('model.samples.title') }}</h2>
      <p class="hint">{{ $t('model.samples.hint') }}</p>
      <SampleModels />
    </section>
    <section v-if="session.isArchitect" class="panel">
      <h2>{{ $t('model.exchange.workbook') }}</h2>
      <p class="hint">{{ $t('model.exchange.workbookHint') }}</p>
      <WorkbookDrop />
    </section>
    <section class="panel">
      <h2>{{ $t('model.exchange.out') }}</h2>
      <p class="hint">{{ $t('model.exchange.outHint') }}</p>
      <div class="all">
        <ControlSet
          v-for="section in bySort"
          :key="section.sort"
          class="sort"
          :legend="$t(`model.sorts.${section.sort}`)"
        >
          <Check
            v-for="each in section.all"
            :key="idOf(each)"
            :checked="only.includes(idOf(each))"
            @update:checked="only = $event ? [...only, idOf(each)] : only.filter((id) => id !== idOf(each))"
            >{{ nameOf(each) }}</Check
          >
        </ControlSet>
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
ul {
  margin: 0;
  padding-left: 16px;
}
.all {
  columns: 220px;
  margin: 12px 0 4px;
}
.sort {
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding-bottom: 16px;
  break-inside: avoid;
}
.sort :deep(legend) {
  padding-bottom: 4px;
  font-size: 12px;
  font-weight: 600;
  color: var(--muted);
}
</style>
