<script setup lang="ts">
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import type { Schemas } from '@/shared/api/client';
import Problems from '@/shared/Problems.vue';
import Choice from '@/shared/controls/Choice.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import ColumnLine from './ColumnLine.vue';
import { chosenOf, type Choices, type ColumnChange, type SheetChange } from './choices';

/** One sheet: what its rows become, and what becomes of each column. */
const props = defineProps<{ sheet: Schemas['SheetView']; choices: Choices }>();
const emit = defineEmits<{ sheet: [SheetChange, boolean]; column: [number, ColumnChange, boolean] }>();
const { t } = useI18n();
const ROLES = ['type', 'taxonomy', 'list', 'values', 'relation', 'rows', 'skip'] as const;
const roles = computed(() =>
  ROLES.filter((role) => role === props.sheet.role || !['relation', 'rows'].includes(role)).map((role) => ({
    value: role,
    label: t(`workbook.role.${role}`),
  })),
);
const isNamed = computed(() => props.sheet.role !== 'skip' && props.sheet.role !== 'relation');
const notes = computed(() => props.sheet.notes.map((sentence) => ({ sentence, severity: 'note' })));
</script>

<template>
  <section class="stack" :aria-label="sheet.name">
    <div class="head">
      <h2 dir="auto">{{ sheet.name }}</h2>
      <span class="muted">{{ $t('workbook.rowCount', { n: sheet.rows }, sheet.rows) }}</span>
    </div>
    <div class="row role">
      <label class="field">
        <span class="label">{{ $t('workbook.sheetBecomes') }}</span>
        <Choice
          :value="sheet.role"
          class="role-choice"
          :options="roles"
          :aria-label="$t('workbook.sheetBecomes')"
          @update:value="emit('sheet', { role: $event }, false)"
        />
      </label>
      <label v-if="isNamed" class="field">
        <span class="label">{{ $t(`workbook.nounOf.${sheet.role}`) }}</span>
        <TextInput
          :value="choices.sheets?.find((each) => each.sheet === sheet.sheet)?.name ?? sheet.noun"
          class="noun"
          maxlength="200"
          dir="auto"
          :aria-label="$t(`workbook.nounOf.${sheet.role}`)"
          @update:value="emit('sheet', { name: String($event) || undefined }, true)"
        />
      </label>
      <p class="muted why">
        {{ sheet.why }}<template v-if="sheet.there">{{ $t('workbook.there', { name: sheet.definition }) }}</template>
      </p>
    </div>
    <Problems :of="notes" />
    <table class="table columns">
      <thead>
        <tr>
          <th>{{ $t('workbook.column') }}</th>
          <th>{{ $t('workbook.becomesHead') }}</th>
          <th>{{ $t('model.table.label') }}</th>
          <th class="check">{{ $t('workbook.several') }}</th>
          <th class="check">{{ $t('workbook.required') }}</th>
          <th>{{ $t('workbook.why') }}</th>
        </tr>
      </thead>
      <tbody>
        <ColumnLine
          v-for="column in sheet.columns"
          :key="column.column"
          :column="column"
          :role="sheet.role"
          :chosen="chosenOf(choices, sheet.sheet, column.column)"
          @choose="(change, soon) => emit('column', column.column, change, soon)"
        />
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.head h2 {
  margin: 0;
}
.role {
  align-items: flex-end;
  gap: 12px;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.role-choice {
  width: 190px;
}
.noun {
  width: 200px;
}
.why {
  flex: 1;
  margin: 0 0 6px;
  min-width: 160px;
}
.columns {
  width: 100%;
}
th.check {
  text-align: center;
}
</style>
