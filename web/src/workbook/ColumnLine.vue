<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, type Component } from 'vue';
import { useI18n } from 'vue-i18n';
import IconTitle from '~icons/tabler/heading';
import IconSkip from '~icons/tabler/minus';
import IconRow from '~icons/tabler/stack';
import IconTree from '~icons/tabler/sitemap';
import IconTag from '~icons/tabler/tag';
import IconRecord from '~icons/tabler/file-text';
import type { Schemas } from '@/shared/api/client';
import { kinds, type KindCode } from '@/shared/kinds';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import { becomes, choiceOf, fieldWord, isOtherwise, USES, type ColumnChange } from './choices';
import ColumnWords from './ColumnWords.vue';

/** A column of a sheet: what it holds, what it becomes and why; each can be chosen otherwise. */
const props = defineProps<{ column: Schemas['WorkbookColumn']; role: string; chosen: Schemas['ColumnChoice'] }>();
const emit = defineEmits<{ choose: [ColumnChange, boolean] }>();
const { t } = useI18n();
const isOpen = ref(false);
const header = computed(() => props.column.header || t('workbook.noHeader', { letters: props.column.letters }));
const isField = computed(() => props.column.use === 'field');
const icons: Record<string, Component | undefined> = {
  title: IconTitle,
  terms: IconTag,
  parent: IconTree,
  row: IconRow,
  owner: IconRecord,
  skip: IconSkip,
};
const icon = computed(() =>
  props.column.kind && props.column.use !== 'terms'
    ? kinds[props.column.kind as KindCode].icon
    : (icons[props.column.use] ?? IconRecord),
);

const misfit = (kind: string) => props.column.fits.find((each) => each.kind === kind)?.misfits ?? 0;
function kindOption(kind: string): { value: string; label: string } {
  const name = t(`model.kinds.${kind}`);
  const n = misfit(kind);
  return { value: fieldWord(kind), label: n ? t('workbook.misfitting', { kind: name, n }, n) : name };
}

/** What it is now stands in the list too, though nobody could choose it by hand: a relation, a value of rows. */
const options = computed(() => {
  const now = becomes(props.column);
  const fields = props.column.fits.filter((each) => each.kind !== 'term').map((each) => kindOption(each.kind));
  const known = [...fields.map((each) => each.value), ...USES];
  const own = known.includes(now)
    ? []
    : [{ value: now, label: isField.value ? t(`model.kinds.${props.column.kind}`) : t(`workbook.use.${now}`) }];
  const uses = USES.filter((use) => props.role === 'type' || ['title', 'parent', 'skip'].includes(use));
  return [
    ...own,
    { label: t('workbook.records'), options: uses.map((use) => ({ value: use, label: t(`workbook.use.${use}`) })) },
    { label: t('workbook.fields'), options: fields },
  ];
});
const misfits = computed(() =>
  isField.value ? props.column.fits.find((each) => each.kind === props.column.kind && each.misfits > 0) : undefined,
);
const hasSpellings = computed(() => props.column.words.some((each) => each.others.length || each.perhaps.length));
const canBeSeveral = computed(
  () => ['choice', 'term'].includes(props.column.kind) && ['field', 'terms'].includes(props.column.use),
);
const isChanged = computed(() => isOtherwise(props.chosen));
const UNDONE: ColumnChange = {
  use: undefined,
  kind: undefined,
  many: undefined,
  label: undefined,
  required: undefined,
  alone: undefined,
  change: undefined,
  joins: undefined,
};
</script>

<template>
  <tr class="column-line" :class="{ skipped: column.use === 'skip' }">
    <td class="what">
      <div class="row head">
        <span class="letters muted">{{ column.letters }}</span>
        <strong class="header" :title="header" dir="auto">{{ header }}</strong>
      </div>
      <div class="samples muted" :title="column.samples.join(' · ')" dir="auto">{{ column.samples.join(' · ') }}</div>
      <div class="counts muted">
        {{ $t('workbook.filled', { n: column.filled, all: column.filled + column.empty }) }}
        <template v-if="column.distinct >= 0 && column.filled">{{
          $t('workbook.distinct', { n: column.distinct }, column.distinct)
        }}</template>
        <template v-if="column.nothing">{{
          $t('workbook.saysNothing', { n: column.nothing }, column.nothing)
        }}</template>
      </div>
    </td>
    <td class="becomes">
      <div class="row">
        <component :is="icon" class="icon" aria-hidden="true" />
        <Choice
          :value="becomes(column)"
          filterable
          :aria-label="$t('workbook.becomes', { header })"
          :options="options"
          @update:value="emit('choose', choiceOf($event), false)"
        />
      </div>
      <div v-if="column.target" class="muted target">{{ $t('workbook.to', { name: column.target }) }}</div>
      <div v-if="column.rowsOf" class="muted target">{{ $t('workbook.rowsOf', { name: column.rowsOf }) }}</div>
    </td>
    <td class="naming">
      <TextInput
        v-if="isField && column.state === 'new'"
        :value="chosen.label ?? column.label"
        :aria-label="$t('workbook.labelOf', { header })"
        maxlength="200"
        dir="auto"
        @update:value="emit('choose', { label: String($event) || undefined }, true)"
      />
      <span v-else-if="column.use !== 'skip'" dir="auto">{{ column.label }}</span>
    </td>
    <td class="check">
      <Check
        v-if="canBeSeveral"
        :checked="column.several"
        :aria-label="$t('workbook.severalOf', { header })"
        @update:checked="emit('choose', { many: $event }, false)"
      />
    </td>
    <td class="check">
      <Check
        v-if="(isField && column.state === 'new') || column.use === 'terms'"
        :checked="column.required"
        :aria-label="$t('workbook.requiredOf', { header })"
        @update:checked="emit('choose', { required: $event }, false)"
      />
    </td>
    <td class="why">
      <span class="muted">{{ column.why }}</span>
      <span v-if="column.state !== 'new'" class="state">{{ $t(`workbook.state.${column.state}`) }}</span>
      <p v-if="misfits" class="problem">
        {{
          $t(
            'workbook.wouldNotFit',
            {
              n: misfits.misfits,
              kind: $t(`model.kinds.${column.kind}`),
              samples: misfits.samples.map((each) => `“${each.text}”`).join(', '),
            },
            misfits.misfits,
          )
        }}
      </p>
      <div class="row acts">
        <NButton
          v-if="column.wordCount"
          text
          size="small"
          type="primary"
          :aria-expanded="isOpen"
          @click="isOpen = !isOpen"
          >{{
            $t(hasSpellings ? 'workbook.spellings' : 'workbook.words', { n: column.wordCount }, column.wordCount)
          }}</NButton
        >
        <NButton
          v-if="column.state === 'differs' && isField && column.kind !== 'choice'"
          text
          size="small"
          type="primary"
          @click="emit('choose', { change: chosen.change ? undefined : true }, false)"
          >{{ $t(chosen.change ? 'workbook.leaveField' : 'workbook.changeField') }}</NButton
        >
        <NButton
          v-if="column.use === 'row' && column.rowsOf && !chosen.alone"
          text
          size="small"
          type="primary"
          @click="emit('choose', { alone: true }, false)"
          >{{ $t('workbook.alone') }}</NButton
        >
        <NButton v-if="isChanged" text size="small" type="primary" @click="emit('choose', UNDONE, false)">{{
          $t('workbook.asProposed')
        }}</NButton>
      </div>
    </td>
  </tr>
  <tr v-if="isOpen && column.wordCount" class="words">
    <td colspan="6">
      <ColumnWords :column="column" :joins="chosen.joins ?? {}" @join="emit('choose', { joins: $event }, false)" />
    </td>
  </tr>
</template>

<style scoped>
.column-line td {
  vertical-align: top;
  padding-block: 8px;
}
.skipped .what {
  opacity: 0.7;
}
.what {
  width: 236px;
  max-width: 236px;
}
.head {
  gap: 6px;
  flex-wrap: nowrap;
}
.letters {
  flex: none;
  min-width: 18px;
  font-size: 13px;
}
.header,
.samples {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.samples,
.counts,
.target {
  font-size: 13px;
}
.becomes {
  width: 214px;
}
.becomes .row {
  flex-wrap: nowrap;
  gap: 6px;
}
.becomes :deep(.choice) {
  flex: 1;
  min-width: 0;
}
.icon {
  flex: none;
  color: var(--petrol);
}
.target {
  padding-inline-start: 24px;
}
.naming {
  width: 170px;
}
.check {
  width: 64px;
  text-align: center;
}
.why {
  font-size: 14px;
}
.why .problem {
  margin: 4px 0 0;
}
.state {
  display: block;
  font-weight: 500;
}
.acts {
  gap: 12px;
  margin-top: 2px;
}
</style>
