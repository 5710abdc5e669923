<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, type Component } from 'vue';
import { useI18n } from 'vue-i18n';
import IconNumber from '~icons/tabler/hash';
import IconAddress from '~icons/tabler/world';
import IconParent from '~icons/tabler/sitemap';
import IconTime from '~icons/tabler/calendar-time';
import IconSkip from '~icons/tabler/minus';
import IconState from '~icons/tabler/circle-check';
import IconRecord from '~icons/tabler/file-text';
import { useRecordTypes, type RecordType } from '@/record/recordTypes';
import type { Schemas } from '@/shared/api/client';
import { kinds } from '@/shared/kinds';
import Choice from '@/shared/controls/Choice.vue';
import NumberInput from '@/shared/controls/NumberInput.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import {
  choiceOf,
  fieldWord,
  isMany,
  isNaming,
  isUnclear,
  namedBy,
  PARTS,
  readingsOf,
  repeaterOf,
  targetOf,
  tellingFields,
  wordOf,
  type ColumnChange,
  type MappedColumn,
  type Target,
} from './mapping';

/** A column of a sheet: what it holds, where its cells go, and how they are read. */
const props = defineProps<{
  column: Schemas['ImportedColumn'];
  mapped: MappedColumn;
  recordType: RecordType;
  targets: Target[];
  /** Whether rows are values of records rather than records. */
  isOfRows: boolean;
}>();
const emit = defineEmits<{ choose: [ColumnChange, boolean] }>();
const { t } = useI18n();
const recordTypes = useRecordTypes();
const isOpen = ref(false);

const target = computed(() => targetOf(props.targets, props.mapped));
const icons: Record<string, Component | undefined> = {
  number: IconNumber,
  address: IconAddress,
  parent: IconParent,
  owner: IconRecord,
  state: IconState,
  publish_at: IconTime,
  retire_at: IconTime,
};
const icon = computed(() =>
  target.value ? kinds[target.value.field.kind].icon : (icons[props.mapped.goal ?? ''] ?? IconSkip),
);

const parts = computed(() => [
  ...(props.isOfRows ? (['owner'] as const) : PARTS),
  ...(!props.isOfRows && props.recordType.under.length ? (['parent'] as const) : []),
]);
const options = computed(() => [
  { value: 'skip', label: t('importer.goal.skip') },
  {
    label: t('importer.fields'),
    options: props.targets.map((each) => ({
      value: fieldWord(each),
      label: [...each.way.map(({ label }) => label), ...(each.part ? [t(`importer.part.${each.part}`)] : [])].join(
        ' › ',
      ),
    })),
  },
  {
    label: t('importer.parts'),
    options: parts.value.map((goal) => ({ value: goal, label: t(`importer.goal.${goal}`) })),
  },
]);

const isRow = computed(
  () => !!target.value && !props.isOfRows && (!!repeaterOf(target.value) || isMany(target.value.field)),
);
const mayBeSeveral = computed(() => !!target.value && isMany(target.value.field) && !props.mapped.row);
const naming = computed(() => isNaming(props.mapped, target.value));
const named = computed(() =>
  namedBy(props.recordType, props.mapped, target.value).flatMap((id) => recordTypes.byId(id) ?? []),
);
const ways = computed(() => {
  const isTerms = named.value.length > 0 && named.value.every((each) => each.sort === 'taxonomies');
  const fields = named.value.map((each) => tellingFields(each));
  const common = (fields[0] ?? []).filter((field) => fields.every((all) => all.some(({ key }) => key === field.key)));
  return [
    ...['title', ...(isTerms ? ['path'] : []), 'address', 'number'].map((by) => ({
      value: by,
      label: t(`importer.ways.${by}`),
    })),
    ...common.map((field) => ({ value: field.key, label: field.label })),
  ];
});
const missing = computed(() =>
  (props.mapped.goal === 'owner' ? ['problem'] : ['problem', 'make', 'leave']).map((value) => ({
    value,
    label: t(`importer.missing.${value}`),
  })),
);
const readings = computed(() =>
  props.mapped.reading || isUnclear(props.column.samples) ? readingsOf(target.value?.field) : [],
);
const replaced = computed(() => Object.entries(props.mapped.replace ?? {}));

function forget(text: string): void {
  const rest = Object.fromEntries(replaced.value.filter(([each]) => each !== text));
  emit('choose', { replace: rest }, false);
}
</script>

<template>
  <tr class="column-line" :class="{ skipped: mapped.goal === 'skip' }">
    <td class="what">
      <div class="row head">
        <span class="letters muted">{{ column.letters }}</span>
        <strong class="header" :title="column.name" dir="auto">{{ column.name }}</strong>
      </div>
      <div class="samples muted" :title="column.samples.join(' · ')" dir="auto">{{ column.samples.join(' · ') }}</div>
    </td>
    <td class="goal">
      <div class="row">
        <component :is="icon" class="icon" aria-hidden="true" />
        <Choice
          :value="wordOf(mapped, target)"
          filterable
          :aria-label="$t('importer.goalOf', { column: column.name })"
          :placeholder="$t('importer.noSuchField')"
          :options="options"
          @update:value="emit('choose', choiceOf($event, targets, isOfRows), false)"
        />
      </div>
    </td>
    <td class="how">
      <div class="row ways">
        <label v-if="naming" class="row way">
          <span class="muted">{{ $t('importer.named') }}</span>
          <Choice
            small
            class="by"
            :value="mapped.by || 'title'"
            :aria-label="$t('importer.namedOf', { column: column.name })"
            :options="ways"
            @update:value="emit('choose', { by: $event }, false)"
          />
        </label>
        <label v-if="naming" class="row way">
          <span class="muted">{{ $t('importer.ifMissing') }}</span>
          <Choice
            small
            class="missing"
            :value="mapped.missing || 'problem'"
            :aria-label="$t('importer.missingOf', { column: column.name })"
            :options="missing"
            @update:value="emit('choose', { missing: $event }, false)"
          />
        </label>
        <label v-if="mayBeSeveral" class="row way">
          <span class="muted">{{ $t('importer.separator') }}</span>
          <TextInput
            :value="mapped.separator ?? ''"
            class="separator"
            maxlength="20"
            :aria-label="$t('importer.separatorOf', { column: column.name })"
            @update:value="emit('choose', { separator: $event }, true)"
          />
        </label>
        <label v-if="isRow" class="row way">
          <span class="muted">{{ $t('importer.row') }}</span>
          <NumberInput
            :value="mapped.row || ''"
            whole
            class="number"
            :aria-label="$t('importer.rowOf', { column: column.name })"
            @update:value="emit('choose', { row: Number.parseInt($event, 10) || 0 }, true)"
          />
        </label>
        <label v-if="readings.length" class="row way">
          <span class="muted">{{ $t('importer.reading') }}</span>
          <Choice
            small
            class="missing"
            :value="mapped.reading ?? ''"
            :aria-label="$t('importer.readingOf', { column: column.name })"
            :options="['', ...readings].map((value) => ({ value, label: $t(`importer.readings.${value || 'plain'}`) }))"
            @update:value="emit('choose', { reading: $event }, false)"
          />
        </label>
        <NButton
          v-if="replaced.length"
          text
          size="small"
          type="primary"
          :aria-expanded="isOpen"
          @click="isOpen = !isOpen"
          >{{ $t('importer.answers', { n: replaced.length }, replaced.length) }}</NButton
        >
      </div>
      <ul v-if="isOpen && replaced.length" class="answers">
        <li v-for="[text, as] in replaced" :key="text" class="row">
          <span dir="auto">{{
            as ? $t('importer.readAs', { text, as }) : $t('importer.readAsNothing', { text })
          }}</span>
          <NButton text size="small" type="primary" @click="forget(text)">{{ $t('importer.asItStands') }}</NButton>
        </li>
      </ul>
    </td>
  </tr>
</template>

<style scoped>
.column-line td {
  vertical-align: top;
  padding-block: 6px;
}
.skipped .header {
  font-weight: 400;
  color: var(--muted);
}
.what {
  width: 250px;
  max-width: 250px;
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
.samples {
  font-size: 13px;
}
.goal {
  width: 270px;
}
.goal .row {
  flex-wrap: nowrap;
  gap: 6px;
}
.goal :deep(.choice) {
  flex: 1;
  min-width: 0;
}
.icon {
  flex: none;
  color: var(--petrol);
}
.skipped .icon {
  color: var(--muted);
}
.ways {
  gap: 4px 16px;
  min-height: 34px;
}
.way {
  gap: 6px;
  font-size: 14px;
}
.by {
  width: 120px;
}
.missing {
  width: 190px;
}
.separator,
.number {
  width: 64px;
}
.answers {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  font-size: 14px;
}
</style>
