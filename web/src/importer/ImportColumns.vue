<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRecordTypes } from '@/record/recordTypes';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import Problems from '@/shared/Problems.vue';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import { provideDisabled } from '@/shared/controls/disabled';
import ImportColumnLine from './ImportColumnLine.vue';
import {
  columnOf,
  keyColumns,
  recordTypeOf,
  sheetAt,
  targetsOf,
  withColumn,
  withSheet,
  type ColumnChange,
  type MappedSheet,
  type SheetChange,
} from './mapping';
import type { Mapping } from './useImport';

/** Where the rows of one sheet go, and the cells of each of its columns. */
const props = defineProps<{
  site: string;
  id: number;
  sheets: Schemas['ImportedSheet'][];
  at: number;
  mapping: Mapping;
  /** Whether anything can be said now. */
  isOpen: boolean;
}>();
const emit = defineEmits<{ choose: [change: (before: Mapping) => Mapping, soon: boolean] }>();
const { t } = useI18n();
provideDisabled(() => !props.isOpen);
const recordTypes = useRecordTypes();
const problem = ref('');
/** Columns that are shown at first, and more of them: each has several controls. */
const STEP = 100;
const most = ref(STEP);

const sheet = computed(() => props.sheets[props.at]);
const mapped = computed(() => sheetAt(props.mapping, props.sheets, props.at));
const use = computed(() => mapped.value.use || 'records');
const isOfRows = computed(() => use.value === 'rows');
const recordType = computed(() => recordTypeOf(recordTypes.all, mapped.value));
const targets = computed(() => (recordType.value ? targetsOf(recordType.value) : []));
const types = computed(() => (recordTypes.all ?? []).filter((each) => each.sort !== 'values'));
const typeOptions = computed(() =>
  (['types', 'taxonomies'] as const).map((sort) => ({
    label: t(`record.sorts.${sort}`),
    options: types.value.filter((each) => each.sort === sort).map((each) => ({ value: each.id, label: each.plural })),
  })),
);
const uses = computed(() =>
  (['records', 'rows', 'skip'] as const).map((value) => ({ value, label: t(`importer.use.${value}`) })),
);
const keys = computed(() => [
  { value: '', label: t('importer.noKey') },
  ...(recordType.value ? keyColumns(recordType.value, mapped.value) : []).map((name) => ({ value: name, label: name })),
]);
const modes = computed(() =>
  (['all', 'new', 'changed'] as const).map((value) => ({ value, label: t(`importer.mode.${value}`) })),
);
const states = computed(() =>
  (['draft', 'published'] as const).map((value) => ({ value, label: t(`record.states.${value}`) })),
);

function change(changing: (before: MappedSheet) => MappedSheet, soon: boolean): void {
  const { sheets, at } = props;
  emit(
    'choose',
    (mapping) => {
      const before = sheetAt(mapping, sheets, at);
      return withSheet(mapping, before, changing(before));
    },
    soon,
  );
}

const onSheet = (part: SheetChange) => {
  change((before) => ({ ...before, ...part }), false);
};
const onColumn = (name: string, part: ColumnChange, soon: boolean) => {
  change((before) => withColumn(before, name, part), soon);
};

/** Where rows are to become something else, what fits that is proposed anew. */
async function propose(use: string, to: string): Promise<void> {
  problem.value = '';
  const { site, id, at } = props;
  try {
    const params = { path: { site, id, sheet: at }, query: { use, to } };
    const proposed = await ask(api.GET('/api/sites/{site}/imports/{id}/sheets/{sheet}/proposal', { params }));
    change((before) => ({ ...proposed, sheet: before.sheet }), false);
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

const first = () => mapped.value.to || types.value[0]?.id || '';
</script>

<template>
  <div v-if="sheet" class="stack">
    <div class="row settings">
      <label class="field">
        <span class="label">{{ $t('importer.rowsAre') }}</span>
        <Choice
          :value="use"
          class="use"
          :options="uses"
          :aria-label="$t('importer.rowsAre')"
          @update:value="propose($event, $event === 'skip' ? '' : first())"
        />
      </label>
      <template v-if="use !== 'skip'">
        <label class="field">
          <span class="label">{{ $t(isOfRows ? 'importer.ofType' : 'importer.toType') }}</span>
          <Choice
            :value="recordType?.id"
            class="type"
            filterable
            :options="typeOptions"
            :aria-label="$t(isOfRows ? 'importer.ofType' : 'importer.toType')"
            @update:value="propose(use, $event)"
          />
        </label>
        <template v-if="!isOfRows">
          <label class="field">
            <span class="label">{{ $t('importer.key') }}</span>
            <Choice
              :value="mapped.key ?? ''"
              class="key"
              :options="keys"
              :aria-label="$t('importer.key')"
              @update:value="onSheet({ key: $event })"
            />
          </label>
          <label v-if="mapped.key" class="field">
            <span class="label">{{ $t('importer.modeLabel') }}</span>
            <Choice
              :value="mapped.mode || 'all'"
              class="mode"
              :options="modes"
              :aria-label="$t('importer.modeLabel')"
              @update:value="onSheet({ mode: $event })"
            />
          </label>
          <label v-if="recordType?.sort === 'types'" class="field">
            <span class="label">{{ $t('importer.newState') }}</span>
            <Choice
              :value="mapped.state || 'draft'"
              class="state"
              :options="states"
              :aria-label="$t('importer.newState')"
              @update:value="onSheet({ state: $event })"
            />
          </label>
        </template>
      </template>
    </div>
    <Check v-if="use !== 'skip'" :checked="mapped.clears" @update:checked="onSheet({ clears: $event })">{{
      $t('importer.clears')
    }}</Check>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <p v-if="use === 'skip'" class="muted">{{ $t('importer.skipped') }}</p>
    <table v-else-if="recordType" class="table columns">
      <thead>
        <tr>
          <th>{{ $t('importer.column') }}</th>
          <th>{{ $t('importer.goes') }}</th>
          <th>{{ $t('importer.how') }}</th>
        </tr>
      </thead>
      <tbody>
        <ImportColumnLine
          v-for="column in sheet.columns.slice(0, most)"
          :key="column.column"
          :column="column"
          :mapped="columnOf(mapped, column.name)"
          :record-type="recordType"
          :targets="targets"
          :is-of-rows="isOfRows"
          @choose="(part, soon) => onColumn(column.name, part, soon)"
        />
      </tbody>
    </table>
    <NButton v-if="use !== 'skip' && sheet.columns.length > most" class="more" @click="most += STEP">{{
      $t('importer.moreColumns', { n: sheet.columns.length - most }, sheet.columns.length - most)
    }}</NButton>
  </div>
</template>

<style scoped>
.settings {
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 12px;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.use,
.type,
.key {
  width: 190px;
}
.mode {
  width: 210px;
}
.state {
  width: 130px;
}
.columns {
  width: 100%;
}
.more {
  align-self: flex-start;
}
</style>
