<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import type { Schemas } from '@/shared/api/client';
import { usePages, useResource } from '@/shared/api/queries';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import Segments from '@/shared/controls/Segments.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import { importRows, rowChanges } from './queries';
import { OUTCOMES, toneOf } from './outcomes';

/** The rows of a sheet with what becomes of each; cells that are wrong are corrected where they stand. */
const props = defineProps<{
  site: string;
  id: number;
  sheet: Schemas['ImportedSheet'];
  /** Counts what made them others than they were. */
  round: string;
  /** Whether corrections are taken now. */
  isOpen: boolean;
  /** Stores a cell; tells whether that was done. */
  correct: (row: number, column: number, text: string) => Promise<boolean>;
  to: (record: number) => object | undefined;
}>();
const outcome = defineModel<string>('outcome', { required: true });
const { t } = useI18n();

const choices = computed(() => [
  { value: '', label: t('importer.all', { n: props.sheet.rows.toLocaleString('en') }) },
  ...OUTCOMES.filter((each) => props.sheet.outcomes[each]).map((each) => ({
    value: each,
    label: `${t(`importer.outcome.${each}`)} (${(props.sheet.outcomes[each] ?? 0).toLocaleString('en')})`,
  })),
]);
const asked = computed(() => ({
  site: props.site,
  id: props.id,
  sheet: props.sheet.sheet,
  outcome: outcome.value,
  round: props.round,
}));
const { pages, problem, isFetching, hasNext, more } = usePages(() => importRows(asked.value), { keeps: () => true });
const rows = computed(() => pages.value?.flat() ?? []);
const MOST_CHANGES = 100;
const changedRows = computed(() =>
  rows.value.flatMap((each) => (each.outcome === 'changed' ? [each.row] : [])).slice(0, MOST_CHANGES),
);
const changes = useResource(() => rowChanges(asked.value, changedRows.value), {
  enabled: () => changedRows.value.length > 0,
});
const changesOf = (row: number) => changes.data.value?.find((each) => each.number === row)?.fields ?? [];

/** The cell that is corrected, as row and column. */
const editing = ref('');
const typed = ref('');
const storing = ref(false);
/** What was corrected and not tried again yet. */
const corrected = ref<Record<string, string>>({});
watch(
  () => props.round,
  () => (corrected.value = {}),
);
const WHOLE_ROW = -1;
const cellKey = (row: number, column: number) => `${String(row)} ${String(column)}`;
const wrong = (row: Schemas['ImportedRow'], column: number) =>
  row.problems.filter((each) => each.column === column && each.severity !== 'note');
/** A row that is wrong as a whole may be mended in any cell. */
const isMendable = (row: Schemas['ImportedRow'], column: number) =>
  wrong(row, column).length > 0 || wrong(row, WHOLE_ROW).length > 0;
const textOf = (row: Schemas['ImportedRow'], column: number) =>
  corrected.value[cellKey(row.row, column)] ?? row.cells[column] ?? '';

function begin(row: Schemas['ImportedRow'], column: number): void {
  typed.value = textOf(row, column);
  editing.value = cellKey(row.row, column);
}

async function store(row: Schemas['ImportedRow'], column: number): Promise<void> {
  storing.value = true;
  const text = typed.value;
  if (await props.correct(row.row, column, text)) {
    corrected.value = { ...corrected.value, [cellKey(row.row, column)]: text };
    editing.value = '';
  }
  storing.value = false;
}
</script>

<template>
  <div class="stack">
    <Segments v-model:value="outcome" :options="choices" :aria-label="$t('importer.outcomes')" />
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <p v-if="!rows.length && !isFetching" class="muted">{{ $t('importer.noRows') }}</p>
    <div v-else class="scroll" tabindex="0" role="group" :aria-label="$t('importer.rowsTab')" :aria-busy="isFetching">
      <table class="table">
        <thead>
          <tr>
            <th class="num">{{ $t('importer.rowHead') }}</th>
            <th class="becomes">{{ $t('importer.becomes') }}</th>
            <th v-for="column in sheet.columns" :key="column.column" dir="auto">{{ column.name }}</th>
          </tr>
        </thead>
        <tbody v-for="row in rows" :key="row.row">
          <tr>
            <td class="num muted">{{ row.row }}</td>
            <td class="becomes">
              <RouterLink v-if="row.record && to(row.record)" :to="to(row.record)!"
                ><Tag v-if="row.outcome" :tone="toneOf(row.outcome)">{{
                  $t(`importer.outcome.${row.outcome}`)
                }}</Tag></RouterLink
              >
              <Tag v-else-if="row.outcome" :tone="toneOf(row.outcome)">{{ $t(`importer.outcome.${row.outcome}`) }}</Tag>
            </td>
            <td
              v-for="column in sheet.columns"
              :key="column.column"
              class="cell"
              :class="{ wrong: wrong(row, column.column).length > 0 }"
              @dblclick="isOpen && begin(row, column.column)"
            >
              <form
                v-if="editing === cellKey(row.row, column.column)"
                class="row edit"
                @submit.prevent="store(row, column.column)"
                @keydown.esc.stop="editing = ''"
              >
                <TextInput
                  v-model:value="typed"
                  autofocus
                  dir="auto"
                  :aria-label="$t('importer.cell', { column: column.name, row: row.row })"
                />
                <NButton size="small" type="primary" attr-type="submit" :loading="storing">{{
                  $t('importer.correct')
                }}</NButton>
              </form>
              <template v-else>
                <span class="text" dir="auto" :title="textOf(row, column.column)">{{
                  textOf(row, column.column)
                }}</span>
                <NButton
                  v-if="isOpen && isMendable(row, column.column)"
                  text
                  size="small"
                  type="primary"
                  :aria-label="$t('importer.correctCell', { column: column.name, row: row.row })"
                  @click="begin(row, column.column)"
                  >{{ $t('importer.correct') }}</NButton
                >
              </template>
            </td>
          </tr>
          <tr v-if="row.problems.length || changesOf(row.row).length" class="more">
            <td></td>
            <td :colspan="sheet.columns.length + 1">
              <Problems :of="row.problems" />
              <ul v-if="changesOf(row.row).length" class="changes">
                <li v-for="field in changesOf(row.row)" :key="field.label">
                  <span class="muted" dir="auto">{{ field.label }}</span>
                  <s v-if="field.was" dir="auto">{{ field.was }}</s><span v-else class="muted">{{
                    $t('importer.empty')
                  }}</span>
                  <span aria-hidden="true">→</span>
                  <span v-if="field.becomes" dir="auto">{{ field.becomes }}</span><span v-else class="muted">{{
                    $t('importer.empty')
                  }}</span>
                </li>
              </ul>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <NButton v-if="hasNext" class="next" :loading="isFetching" @click="more">{{ $t('importer.moreRows') }}</NButton>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
td {
  vertical-align: top;
}
.becomes {
  white-space: nowrap;
}
.cell {
  max-width: 240px;
}
.cell .text {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.wrong {
  box-shadow: inset 2px 0 var(--rust);
}
.edit {
  flex-wrap: nowrap;
  min-width: 230px;
}
.more td {
  padding-top: 0;
  border-top: 0;
}
.changes {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
  font-size: 14px;
}
.changes li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  overflow-wrap: anywhere;
}
.next {
  align-self: flex-start;
}
</style>
