<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { NButton } from 'naive-ui';
import { computed, onUnmounted, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute, useRouter } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { addressOf, useRecordTypes } from '@/record/recordTypes';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';
import { renew } from '@/shared/api/queries';
import FilePicker from '@/shared/controls/FilePicker.vue';
import Tabs from '@/shared/controls/Tabs.vue';
import { useConfirm } from '@/shared/controls/confirming';
import { longTime } from '@/shared/time';
import { ofSite } from '@/site/queries';
import SheetPanes from '@/workbook/SheetPanes.vue';
import ImportColumns from './ImportColumns.vue';
import ImportFoot from './ImportFoot.vue';
import ImportProblems from './ImportProblems.vue';
import ImportRows from './ImportRows.vue';
import MappingTools from './MappingTools.vue';
import UndoImport from './UndoImport.vue';
import { refused, sendBeside } from './beside';
import { columnOf, recordTypeOf, sheetAt, withColumn, withSheet } from './mapping';
import { stateTone } from './outcomes';
import { IMPORTS, importList } from './queries';
import { useImport, type Mapping, type Work } from './useImport';

/** Rows of workbooks on their way to a site: where they go, what would become of them, and what became. */
const props = defineProps<{ workspace: string; site: string; import: number }>();
const { t } = useI18n();
const route = useRoute();
const router = useRouter();
const session = useSession();
const workspaces = useWorkspace();
const recordTypes = useRecordTypes();
const isSure = useConfirm();
const opened = useImport(props.site, props.import);
const { view, choices, busy, progress, isWorking, isActing } = opened;
const isOpen = computed(() => opened.isOpen.value && session.mayWrite);
const failure = ref('');
const problem = computed(() => failure.value || opened.refused.value || opened.problem.value);
const siteName = computed(() => workspaces.site(props.site)?.name ?? props.site);
const undoing = ref(false);
/** Pictures and files that were sent now. */
const kept = ref(0);
onUnmounted(() => (refused.value = []));
/** Rows are asked for anew when somebody has worked on them, not where something is said that no trial has read yet. */
const round = computed(() => `${String(isWorking.value)} ${progress.value?.endedAt ?? ''}`);
const isKnown = computed(() => view.value?.sheets.some((each) => Object.keys(each.outcomes).length > 0) ?? false);

void opened.load();
// somebody may have worked on it elsewhere
useEventListener(window, 'focus', () => {
  if (!isActing.value && !isWorking.value) {
    void opened.load();
  }
});
recordTypes.load(props.site).catch((thrown: unknown) => {
  failure.value = sentenceOf(thrown);
});

/** The sheet that is looked at; at first one that is brought. */
const at = computed(() => {
  const sheets = view.value?.sheets ?? [];
  const asked = sheets.find((each) => String(each.sheet) === route.query.sheet);
  const brought = sheets.find((each) => sheetAt(choices.value, sheets, each.sheet).use !== 'skip');
  return (asked ?? brought ?? sheets[0])?.sheet ?? 0;
});
const sheet = computed(() => view.value?.sheets[at.value]);
const problemCount = (sheet: number) => view.value?.problems.filter((each) => each.sheet === sheet).length ?? 0;
const tabs = computed(() => [
  { name: 'columns', label: t('importer.columnsTab') },
  { name: 'problems', label: t('importer.problemsTab', { n: problemCount(at.value) }) },
  { name: 'rows', label: t('importer.rowsTab') },
]);
const tab = computed(() => {
  const asked = tabs.value.find((each) => each.name === route.query.show)?.name;
  return asked ?? (!isKnown.value ? 'columns' : problemCount(at.value) ? 'problems' : 'rows');
});
const outcome = computed(() => (typeof route.query.rows === 'string' ? route.query.rows : ''));
const show = (query: Record<string, string | undefined>) => router.replace({ query: { ...route.query, ...query } });

function usedFor(sheet: number): string {
  const mapped = sheetAt(choices.value, view.value?.sheets ?? [], sheet);
  const type = recordTypeOf(recordTypes.all, mapped);
  return mapped.use === 'skip' || !type
    ? t('importer.use.skip')
    : t(mapped.use === 'rows' ? 'importer.rowsOf' : 'importer.recordsOf', { name: type.plural });
}

const path = { site: props.site, id: props.import };

const answer = (column: number, text: string, as: string) => {
  const params = { path: { ...path, sheet: at.value } };
  return opened.act(() =>
    ask(api.PUT('/api/sites/{site}/imports/{id}/sheets/{sheet}/replacements', { params, body: { column, text, as } })),
  );
};

/** Texts of a column that are not clear are all read in one way. */
function read(name: string, reading: string): void {
  const sheets = view.value?.sheets ?? [];
  const sheet = at.value;
  opened.choose((mapping) => {
    const before = sheetAt(mapping, sheets, sheet);
    return withSheet(mapping, before, withColumn(before, columnOf(before, name).column, { reading }));
  });
}

/** Pictures that rows name. */
async function sendFiles(files: File[]): Promise<void> {
  kept.value = 0;
  refused.value = [];
  await opened.act(async () => {
    const sent = await sendBeside(props.site, props.import, files);
    kept.value = sent.kept;
    refused.value = sent.refused;
    return sent.details;
  });
}

const correct = (row: number, column: number, text: string) => {
  const params = { path: { ...path, sheet: at.value } };
  return opened.act(() =>
    ask(api.PUT('/api/sites/{site}/imports/{id}/sheets/{sheet}/cells', { params, body: { row, column, text } })),
  );
};

async function work(what: Work): Promise<void> {
  if ((await opened.work(what)) && what !== 'pause') {
    await show({ show: undefined, rows: undefined });
  }
}

async function undo(): Promise<void> {
  await work('undo');
  undoing.value = false;
  void renew(ofSite(props.site));
}

/** Where a record is, once there is one. */
function recordAt(record: number): object | undefined {
  const mapped = sheetAt(choices.value, view.value?.sheets ?? [], at.value);
  const type = recordTypeOf(recordTypes.all, mapped);
  const isThere = progress.value?.state === 'done' && mapped.use !== 'rows' && type?.sort === 'types';
  const { workspace, site } = props;
  return isThere ? { name: 'record', params: { workspace, site, type: addressOf(type), id: record } } : undefined;
}

async function forget(): Promise<void> {
  if (!(await isSure(t('importer.forgetHint'), t('importer.forget')))) {
    return;
  }
  try {
    await ask(api.DELETE('/api/sites/{site}/imports/{id}', { params: { path } }));
    void renew(importList(props.site).queryKey);
    await router.push(back.value);
  } catch (thrown) {
    failure.value = sentenceOf(thrown);
  }
}

const back = computed(() => ({
  name: 'record-list',
  params: { workspace: props.workspace, site: props.site, type: IMPORTS },
}));
const failedFile = computed(
  () => `/api/sites/${encodeURIComponent(props.site)}/imports/${String(props.import)}/failed.xlsx`,
);
const hasFailed = computed(() => view.value?.sheets.some((each) => (each.outcomes.failed ?? 0) > 0) ?? false);
</script>

<template>
  <div class="import">
    <header class="top">
      <div>
        <RouterLink :to="back">{{ $t('importer.back', { site: siteName }) }}</RouterLink>
        <div class="row">
          <h1 dir="auto">{{ progress?.name ?? $t('importer.title') }}</h1>
          <Tag v-if="progress" :tone="stateTone(progress.state)">{{ $t(`importer.state.${progress.state}`) }}</Tag>
        </div>
        <p v-if="progress" class="muted flat">
          {{ $t('importer.sentBy', { by: progress.by, at: longTime(progress.madeAt) }) }}
        </p>
      </div>
      <div v-if="view && session.mayWrite" class="row">
        <FilePicker
          v-if="isOpen"
          multiple
          :disabled="isActing"
          :label="$t('importer.beside')"
          :button="$t('importer.beside')"
          @files="sendFiles"
        />
        <MappingTools
          :site="site"
          :mapping="choices"
          :is-open="isOpen"
          @use="(mapping: Mapping) => opened.choose(() => mapping)"
        />
        <NButton size="small" :disabled="isWorking" @click="forget">{{ $t('importer.forget') }}</NButton>
      </div>
    </header>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <SheetPanes v-if="view" :sheets="view.sheets" :at="at">
      <template #about="{ sheet: each }">
        <span class="muted small">{{ usedFor(each.sheet) }}</span>
        <span class="muted small">{{ $t('workbook.rowCount', { n: each.rows }, each.rows) }}</span>
        <span v-if="each.outcomes.failed" class="small bad">{{
          $t('importer.count.is.failed', { n: each.outcomes.failed }, each.outcomes.failed)
        }}</span>
      </template>
      <p v-if="kept" class="muted flat" role="status">{{ $t('importer.besideKept', { n: kept }, kept) }}</p>
      <Problems :of="refused" />
      <Problems :of="view.files" />
      <Problems :of="view.findings" />
      <Tabs
        v-if="sheet"
        :label="sheet.name"
        :value="tab"
        :tabs="tabs"
        @update:value="show({ show: $event, rows: undefined })"
      >
        <template #columns>
          <ImportColumns
            :id="props.import"
            :key="sheet.sheet"
            :is-open="isOpen"
            :site="site"
            :sheets="view.sheets"
            :at="at"
            :mapping="choices"
            @choose="opened.choose"
          />
        </template>
        <template #problems>
          <ImportProblems
            :key="`${sheet.sheet} ${round}`"
            :sheet="sheet"
            :problems="view.problems"
            :mapped="sheetAt(choices, view.sheets, at)"
            :is-open="isOpen"
            :busy="isActing"
            :store="answer"
            @read="read"
            @rows="show({ show: 'rows', rows: $event })"
          />
        </template>
        <template #rows>
          <ImportRows
            :id="props.import"
            :key="`rows ${sheet.sheet}`"
            :outcome="outcome"
            :site="site"
            :sheet="sheet"
            :round="round"
            :is-open="isOpen"
            :correct="correct"
            :to="recordAt"
            @update:outcome="show({ show: 'rows', rows: $event || undefined })"
          />
        </template>
      </Tabs>
      <p v-else class="muted">{{ $t('workbook.noSheets') }}</p>
    </SheetPanes>
    <ImportFoot
      v-if="view"
      :details="view"
      :busy="isActing || busy"
      :is-working="isWorking"
      :is-known="isKnown"
      @work="work"
      @undo="undoing = true"
    >
      <a v-if="hasFailed && !isWorking" :href="failedFile" download>{{ $t('importer.failedFile') }}</a>
    </ImportFoot>
    <UndoImport :id="props.import" v-model="undoing" :site="site" :busy="isActing" @undo="undo" />
  </div>
</template>

<style scoped>
.import {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-height: 100%;
  padding: 12px 24px 0;
}
.top {
  display: flex;
  gap: 16px;
  align-items: flex-start;
  justify-content: space-between;
}
.top h1 {
  overflow-wrap: anywhere;
}
.flat {
  margin: 0;
}
.small {
  font-size: 13px;
}
.bad {
  color: var(--rust);
}
</style>
