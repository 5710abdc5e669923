<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute, useRouter } from 'vue-router';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ApiError, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { renew } from '@/shared/api/queries';
import { useConfirm } from '@/shared/controls/confirming';
import { idOf } from '@/shared/definitions';
import { longTime } from '@/shared/time';
import SheetPanes from './SheetPanes.vue';
import WorkbookDrop from './WorkbookDrop.vue';
import WorkbookSheet from './WorkbookSheet.vue';
import { chooseColumn, chooseSheet, type ColumnChange, type SheetChange } from './choices';
import { workbookList } from './queries';
import { useWorkbook } from './useWorkbook';

/** The model that is proposed for a workbook: looked at, chosen otherwise, and taken into the draft as one step. */
const props = defineProps<{ workspace: string; workbook: number }>();
const route = useRoute();
const router = useRouter();
const draft = useDraft();
const session = useSession();
const isSure = useConfirm();
const { t } = useI18n();
const workbook = useWorkbook(props.workspace, props.workbook);
const { view, choices, busy } = workbook;
const refused = ref('');
const problem = computed(() => refused.value || workbook.problem.value);
/** The sheet that is looked at; at first one that becomes something. */
const at = computed(() => {
  const sheets = view.value?.sheets ?? [];
  const asked = sheets.find((each) => String(each.sheet) === route.query.sheet);
  return (asked ?? sheets.find((each) => each.role !== 'skip') ?? sheets[0])?.sheet ?? 0;
});
const sheet = computed(() => view.value?.sheets.find((each) => each.sheet === at.value));
const isTaking = ref(false);

void workbook.load();
function onSheet(change: SheetChange, soon: boolean): void {
  const sheet = at.value;
  workbook.choose((before) => chooseSheet(before, sheet, change), soon);
}
function onColumn(column: number, change: ColumnChange, soon: boolean): void {
  const sheet = at.value;
  workbook.choose((before) => chooseColumn(before, sheet, column, change), soon);
}

const counted = computed(() => {
  const sorts = new Map<string, number>();
  view.value?.definitions.forEach((each) => sorts.set(each.sort, (sorts.get(each.sort) ?? 0) + 1));
  return [...sorts];
});

async function forget(): Promise<void> {
  if (!(await isSure(t('workbook.forgetHint'), t('workbook.forget')))) {
    return;
  }
  try {
    const path = { workspace: props.workspace, id: props.workbook };
    await ask(api.DELETE('/api/workspaces/{workspace}/workbooks/{id}', { params: { path } }));
    void renew(workbookList(props.workspace).queryKey);
    await router.push({ name: 'exchange', params: { workspace: props.workspace } });
  } catch (thrown) {
    refused.value = sentenceOf(thrown);
  }
}

async function take(): Promise<void> {
  refused.value = '';
  isTaking.value = true;
  try {
    await workbook.settled();
    const shown = view.value;
    if (!shown) {
      return;
    }
    const { workspace } = props;
    const path = { workspace, id: shown.id };
    let taken: Schemas['DraftView'] | undefined;
    await draft.act(async () => {
      const query = { revision: shown.revision, chosen: shown.chosen, ...draft.since() };
      taken = await ask(api.POST('/api/workspaces/{workspace}/workbooks/{id}/take', { params: { path, query } }));
      return taken;
    });
    const first = draft.definitions.find(
      (each) => each.sort === 'type' && shown.definitions.some((made) => made.name === each.definition.singular),
    );
    await router.push({ name: 'model', params: { workspace, ...(first ? { type: idOf(first) } : {}) } });
  } catch (thrown) {
    refused.value = sentenceOf(thrown);
    if (thrown instanceof ApiError && thrown.current) {
      workbook.take(thrown.current as Schemas['WorkbookView']);
    }
  } finally {
    isTaking.value = false;
  }
}
</script>

<template>
  <div class="workbook">
    <header class="top">
      <div>
        <h1 dir="auto">{{ view?.name ?? $t('workbook.title') }}</h1>
        <p v-if="view" class="muted flat">
          {{ $t('workbook.readBy', { by: view.by, at: longTime(view.readAt) }) }}
          <template v-if="view.takenAt">{{ $t('workbook.takenAt', { at: longTime(view.takenAt) }) }}</template>
        </p>
      </div>
      <NButton v-if="view && session.isArchitect" size="small" @click="forget">{{ $t('workbook.forget') }}</NButton>
    </header>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <WorkbookDrop v-if="problem && !view" />
    <SheetPanes v-if="view" :sheets="view.sheets" :at="at">
      <template #about="{ sheet: each }">
        <span class="muted small">{{ $t(`workbook.role.${each.role}`) }}</span>
      </template>
      <template #below>
        <div v-if="view.definitions.length" class="made">
          <p class="label flat">{{ $t('workbook.made') }}</p>
          <ul>
            <li v-for="each in view.definitions" :key="each.sort + each.name" class="made-line">
              <span dir="auto">{{ each.name }}</span>
              <span class="muted small">{{
                $t(each.there ? 'workbook.getsMore' : 'workbook.isNew', { sort: $t(`model.sort.${each.sort}`) })
              }}</span>
            </li>
          </ul>
        </div>
      </template>
      <Problems :of="view.findings" />
      <WorkbookSheet
        v-if="sheet"
        :key="sheet.sheet"
        :sheet="sheet"
        :choices="choices"
        @sheet="onSheet"
        @column="onColumn"
      />
      <p v-else class="muted">{{ $t('workbook.noSheets') }}</p>
    </SheetPanes>
    <footer v-if="view" class="bottom">
      <Problems :of="view.problems.slice(0, 3)" />
      <div class="row">
        <NButton
          type="primary"
          :disabled="!session.isArchitect || !view.definitions.length || isTaking || busy"
          :loading="isTaking"
          @click="take"
          >{{ $t('workbook.take') }}</NButton
        >
        <span class="muted" role="status">
          <template v-if="!view.definitions.length">{{ $t('workbook.nothing') }}</template>
          <template v-else>{{
            $t('workbook.comes', {
              list: counted.map(([sort, n]) => $t(`workbook.count.${sort}`, { n }, n)).join(', '),
            })
          }}</template>
        </span>
      </div>
    </footer>
  </div>
</template>

<style scoped>
.workbook {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 16px 24px 0;
}
.top {
  display: flex;
  gap: 16px;
  align-items: flex-start;
  justify-content: space-between;
}
.top h1 {
  margin: 0;
  overflow-wrap: anywhere;
}
.flat {
  margin: 0;
}
.made ul {
  margin: 4px 0 16px;
  padding: 0;
  list-style: none;
}
.small {
  font-size: 13px;
}
.made-line {
  display: flex;
  flex-direction: column;
  padding: 2px 10px;
}
.bottom {
  position: sticky;
  bottom: 0;
  padding: 10px 0 12px;
  background: var(--ground);
  border-top: 1px solid var(--line);
}
</style>
