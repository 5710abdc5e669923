<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, reactive, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import type { Schemas } from '@/shared/api/client';
import Choice from '@/shared/controls/Choice.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import { useRecordTypes } from '@/record/recordTypes';
import { columnOf, readingsOf, recordTypeOf, targetOf, targetsOf, type MappedSheet } from './mapping';
import IconAlert from '~icons/tabler/alert-triangle';
import IconInfo from '~icons/tabler/info-circle';

/** What is wrong with the rows of a sheet, the same problem of many rows once; answered for all of them together. */
const props = defineProps<{
  sheet: Schemas['ImportedSheet'];
  problems: Schemas['ProblemGroup'][];
  mapped: MappedSheet;
  /** Whether answers are taken now. */
  isOpen: boolean;
  busy: boolean;
  /** Stores how a text is read; tells whether that was done. */
  store: (column: number, text: string, as: string) => Promise<boolean>;
}>();
const emit = defineEmits<{
  read: [column: string, reading: string];
  rows: [outcome: string];
}>();
const { t } = useI18n();
const words = ref('');
const column = ref('');
/** What is typed as the answer, by the problem. */
const typed = reactive<Record<string, string>>({});
const answered = reactive<Record<string, string>>({});

const all = computed(() => props.problems.filter((each) => each.sheet === props.sheet.sheet));
const nameOf = (at: number) => props.sheet.columns.find((each) => each.column === at)?.name ?? t('importer.wholeRow');
const columns = computed(() => [
  { value: '', label: t('importer.allColumns') },
  ...[...new Set(all.value.map((each) => each.column))].map((at) => ({ value: String(at), label: nameOf(at) })),
]);
const shown = computed(() =>
  all.value.filter(
    (each) =>
      (!column.value || String(each.column) === column.value) &&
      `${each.text} ${each.sentence}`.toLowerCase().includes(words.value.trim().toLowerCase()),
  ),
);
const recordTypes = useRecordTypes();
const targets = computed(() => {
  const type = recordTypeOf(recordTypes.all, props.mapped);
  return type ? targetsOf(type) : [];
});
const fieldAt = (at: number) => targetOf(targets.value, columnOf(props.mapped, nameOf(at)))?.field;
/** What the cell could say instead, where the field takes nothing else. */
function optionsAt(at: number): { value: string; label: string }[] {
  const field = fieldAt(at);
  const options = field?.kind === 'choice' ? (field.options ?? []) : [];
  return options.map(({ label }) => ({ value: label, label }));
}
/** As many as the server tells at most. */
const MOST_TOLD = 500;
const TWO_WAYS = 'IMPORT_TWO_WAYS';
const readingsAt = (each: Schemas['ProblemGroup']) => (each.code === TWO_WAYS ? readingsOf(fieldAt(each.column)) : []);

function read(each: Schemas['ProblemGroup'], reading: string): void {
  all.value
    .filter((other) => other.code === TWO_WAYS && other.column === each.column)
    .forEach((other) => (answered[keyOf(other)] = t(`importer.readings.${reading}`)));
  emit('read', nameOf(each.column), reading);
}

const keyOf = (each: Schemas['ProblemGroup']) => `${String(each.column)} ${each.code} ${each.text}`;

async function answer(each: Schemas['ProblemGroup'], as: string): Promise<void> {
  if (await props.store(each.column, each.text, as)) {
    answered[keyOf(each)] = as;
  }
}
</script>

<template>
  <div class="stack">
    <div v-if="all.length > 1" class="row">
      <TextInput
        v-model:value="words"
        class="words"
        :placeholder="$t('importer.filter')"
        :aria-label="$t('importer.filter')"
      />
      <Choice v-model:value="column" class="columns" :options="columns" :aria-label="$t('importer.column')" />
      <span class="muted" role="status">{{ $t('importer.problemCount', { n: shown.length }, shown.length) }}</span>
    </div>
    <p v-if="problems.length >= MOST_TOLD" class="muted flat">
      {{ $t('importer.mostProblems', { n: problems.length.toLocaleString('en') }) }}
    </p>
    <p v-if="!all.length" class="muted">{{ $t('importer.noProblems') }}</p>
    <table v-else class="table">
      <thead>
        <tr>
          <th>{{ $t('importer.column') }}</th>
          <th>{{ $t('importer.says') }}</th>
          <th>{{ $t('importer.problem') }}</th>
          <th class="num">{{ $t('importer.rows') }}</th>
          <th v-if="isOpen">{{ $t('importer.readAsHead') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in shown" :key="keyOf(each)">
          <td class="column" dir="auto">{{ nameOf(each.column) }}</td>
          <td class="text" dir="auto">
            <template v-if="each.text">{{ each.text }}</template><span v-else class="muted">{{
              $t('importer.empty')
            }}</span>
          </td>
          <td>
            <div class="row sentence">
              <IconInfo v-if="each.severity === 'note'" class="muted" aria-hidden="true" />
              <IconAlert v-else class="bad" aria-hidden="true" />
              <span>{{ each.sentence }}</span>
            </div>
          </td>
          <td class="num">
            <NButton text type="primary" @click="emit('rows', each.severity === 'note' ? '' : 'failed')">{{
              each.rows === 1 ? $t('importer.rowAt', { n: each.row }) : each.rows.toLocaleString('en')
            }}</NButton>
          </td>
          <td v-if="isOpen" class="answer">
            <template v-if="each.column >= 0 && each.text">
              <span v-if="keyOf(each) in answered" class="muted" role="status">{{
                answered[keyOf(each)]
                  ? $t('importer.willBe', { as: answered[keyOf(each)] })
                  : $t('importer.willBeNothing')
              }}</span>
              <div v-else-if="readingsAt(each).length" class="row">
                <NButton
                  v-for="reading in readingsAt(each)"
                  :key="reading"
                  size="small"
                  :disabled="busy"
                  @click="read(each, reading)"
                  >{{ $t(`importer.readings.${reading}`) }}</NButton
                >
              </div>
              <form v-else class="row" @submit.prevent="answer(each, typed[keyOf(each)] ?? '')">
                <Choice
                  v-if="optionsAt(each.column).length"
                  v-model:value="typed[keyOf(each)]"
                  class="as"
                  :options="optionsAt(each.column)"
                  :placeholder="$t('importer.chooseHint')"
                  :aria-label="$t('importer.readAsLabel', { text: each.text })"
                />
                <TextInput
                  v-else
                  v-model:value="typed[keyOf(each)]"
                  class="as"
                  dir="auto"
                  :placeholder="$t('importer.readAsHint')"
                  :aria-label="$t('importer.readAsLabel', { text: each.text })"
                />
                <NButton size="small" attr-type="submit" :disabled="busy || !typed[keyOf(each)]?.trim()">{{
                  $t('importer.answer')
                }}</NButton>
                <NButton size="small" quaternary :disabled="busy" @click="answer(each, '')">{{
                  $t('importer.asEmpty')
                }}</NButton>
              </form>
            </template>
            <NButton v-else text type="primary" @click="emit('rows', 'failed')">{{ $t('importer.inRows') }}</NButton>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.words {
  width: 220px;
}
.columns {
  width: 200px;
}
.flat {
  margin: 0;
}
td {
  vertical-align: top;
}
.column,
.text {
  max-width: 150px;
  overflow-wrap: anywhere;
}
.text {
  font-weight: 500;
}
.sentence {
  flex-wrap: nowrap;
  align-items: flex-start;
  gap: 6px;
}
.sentence svg {
  flex: none;
  margin-top: 3px;
}
.bad {
  color: var(--rust);
}
.answer {
  width: 320px;
}
.answer .row {
  flex-wrap: nowrap;
  gap: 4px;
}
.as {
  flex: 1;
  min-width: 110px;
}
</style>
