<script setup lang="ts">
import { textOf } from '@/shared/text';
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import IconX from '~icons/tabler/x';
import type { Field } from '@/shared/kinds';
import LinkControl from './LinkControl.vue';
import { useForm } from './form';
import { testsOf, type Compared, type Comparison, type Test } from './filters';
import { states } from './states';
import Choice from '@/shared/controls/Choice.vue';
import type { MomentKind } from '@/shared/dates';
import DateInput from '@/shared/controls/DateInput.vue';
import NumberInput from '@/shared/controls/NumberInput.vue';
import TextInput from '@/shared/controls/TextInput.vue';

/** A filter built by picking, shown as a sentence. */
const props = defineProps<{ all: Compared[] }>();
const filter = defineModel<Comparison[]>({ required: true });
const { t } = useI18n();
const form = useForm();
const open = ref(false);
const of = (each: Comparison) => props.all.find((known) => known.id === each.field);

function put(at: number, change: Partial<Comparison>): void {
  filter.value = filter.value.map((each, i) => (i === at ? { ...each, ...change } : each));
}

function pick(at: number, field: string): void {
  const test = testsOf(props.all.find((known) => known.id === field))[0] ?? 'filled';
  put(at, { field, test, value: test === 'filled' ? 'true' : '' });
}

function add(): void {
  const first = props.all[0];
  if (first) {
    const test = testsOf(first)[0] ?? 'filled';
    filter.value = [...filter.value, { field: first.id, test, value: test === 'filled' ? 'true' : '' }];
  }
}

function options(each: Comparison): { key: string; label: string }[] {
  const known = of(each);
  if (each.test === 'filled' || known?.kind === 'yes_no') {
    return [
      { key: 'true', label: t('model.condition.yes') },
      { key: 'false', label: t('model.condition.no') },
    ];
  }
  if (known?.id === 'own_state') {
    return states.map((state) => ({ key: state, label: t(`record.states.${state}`) }));
  }
  return known?.field?.kind === 'choice' ? (known.field.options ?? []) : [];
}

/** Records and terms are found by typing, one of them. */
function linked(each: Comparison): Field | undefined {
  const field = of(each)?.field;
  return field && (field.kind === 'relation' || field.kind === 'term') && each.test !== 'filled'
    ? { ...field, many: false }
    : undefined;
}

function linkValue(each: Comparison): unknown {
  const field = of(each)?.field;
  const id = Number(each.value);
  return each.value === ''
    ? null
    : field?.kind === 'relation'
      ? { type: field.to.find((type) => form.name(field, { type, id })) ?? field.to[0], id }
      : id;
}

function setLink(at: number, picked: unknown): void {
  const id = typeof picked === 'object' && picked !== null ? (picked as { id: number }).id : picked;
  put(at, { value: textOf(id) });
}

function words(each: Comparison): string {
  const field = of(each)?.field;
  const shown =
    options(each).find((option) => option.key === each.value)?.label ??
    (linked(each) && field ? form.name(field, linkValue(each))?.label : undefined) ??
    each.value;
  return t('record.filter.clause', {
    field: of(each)?.label ?? each.field,
    test: t(`model.condition.tests.${each.test}`),
    value: shown,
  });
}

function momentOf(each: Comparison): MomentKind | undefined {
  const kind = of(each)?.kind;
  return kind === 'date' || kind === 'time' || kind === 'date_time' ? kind : undefined;
}
const sentence = computed(() =>
  filter.value
    .filter((each) => each.value !== '')
    .map(words)
    .join(t('record.filter.and')),
);
</script>

<template>
  <div class="filter">
    <div class="row">
      <NButton size="small" :aria-expanded="open" @click="open = !open">{{
        $t('record.filter.title', { n: filter.length }, filter.length)
      }}</NButton>
      <span v-if="sentence" class="sentence">{{ $t('record.filter.sentence', { sentence }) }}</span>
      <NButton v-if="filter.length" size="tiny" quaternary @click="filter = []">{{
        $t('record.filter.clear')
      }}</NButton>
    </div>
    <div v-if="open" class="panel parts">
      <div v-for="(each, at) in filter" :key="at" class="row part">
        <Choice
          :aria-label="$t('model.condition.what')"
          :value="each.field"
          :options="all.map((known) => ({ value: known.id, label: known.label }))"
          @update:value="pick(at, $event)"
        />
        <Choice
          :aria-label="$t('model.condition.test')"
          :value="each.test"
          :options="testsOf(of(each)).map((test) => ({ value: test, label: $t(`model.condition.tests.${test}`) }))"
          @update:value="put(at, { test: $event as Test, value: $event === 'filled' ? 'true' : '' })"
        />
        <Choice
          v-if="options(each).length"
          :aria-label="$t('model.condition.value')"
          :value="each.value"
          :options="options(each).map((option) => ({ value: option.key, label: option.label }))"
          @update:value="put(at, { value: $event })"
        />
        <template v-else-if="linked(each)">
          <span :id="`filter-${at}-label`" class="hidden">{{ $t('model.condition.value') }}</span>
          <LinkControl
            :id="`filter-${at}`"
            class="link"
            :field="linked(each) as never"
            :value="linkValue(each)"
            :invalid="false"
            @change="setLink(at, $event)"
          />
        </template>
        <DateInput
          v-else-if="momentOf(each)"
          :kind="momentOf(each)!"
          :label="of(each)?.label ?? ''"
          :aria-label="$t('model.condition.value')"
          :value="each.value"
          @update:value="put(at, { value: $event })"
        />
        <NumberInput
          v-else-if="of(each)?.kind === 'number'"
          class="value"
          :aria-label="$t('model.condition.value')"
          :value="each.value"
          @update:value="put(at, { value: $event })"
        />
        <TextInput
          v-else
          class="value"
          :aria-label="$t('model.condition.value')"
          :value="each.value"
          @update:value="put(at, { value: $event })"
        />
        <NButton
          size="tiny"
          quaternary
          :aria-label="$t('model.condition.remove')"
          @click="filter = filter.filter((_, i) => i !== at)"
          ><IconX
        /></NButton>
      </div>
      <NButton size="small" @click="add">{{ $t('model.condition.add') }}</NButton>
    </div>
  </div>
</template>

<style scoped>
.sentence {
  overflow-wrap: anywhere;
}
.parts {
  margin-top: 8px;
}
.part {
  margin-bottom: 6px;
  align-items: flex-start;
}
.part .choice,
.part .value,
.link {
  width: 220px;
}
</style>
