<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import IconX from '~icons/tabler/x';
import type { Field, Group } from '@/shared/kinds';
import {
  conditionOf,
  fieldsInSight,
  joined,
  states,
  testsOf,
  type Comparison,
  type Condition,
  type Joined,
  type Test,
} from './conditions';
import { useDraft } from './draft';
import { useProof } from './proof';

/** A condition, built by picking and shown as a sentence. */
const props = defineProps<{
  condition: Condition | undefined;
  groups: Group[];
  /** Id of the field or group it decides about. */
  own: string | undefined;
  title: string;
  /** Whether a record's terms, parent and state can be compared. */
  ofRecord?: boolean;
}>();
const emit = defineEmits<{ change: [Condition | undefined] }>();

const draft = useDraft();
const proof = useProof();
const list = computed(() => joined(props.condition));
const fields = computed(() => fieldsInSight(props.groups, props.own));
const taxonomies = computed(() => draft.ofSort('taxonomy'));
const sentence = computed(() => proof.conditions[props.own ?? '']);

function put(next: Joined): void {
  emit('change', conditionOf(next));
}

function comparisonOf(part: Joined['of'][number]): Comparison | undefined {
  return 'kept' in part ? undefined : 'not' in part ? part.not : part;
}

function set(at: number, change: Partial<Comparison>): void {
  const of = list.value.of.map((part, i) => {
    const before = comparisonOf(part);
    if (i !== at || !before) {
      return part;
    }
    const after = { ...before, ...change };
    return 'not' in part ? { not: after } : after;
  });
  put({ ...list.value, of });
}

function fieldOf(each: Comparison): Field | undefined {
  return fields.value.find((field) => field.id === each.of);
}

/** What can be compared, as one list: fields, then the record's terms, parent and state. */
function pickWhat(at: number, picked: string): void {
  const [what = 'field', of = ''] = picked.split(':');
  const first: Partial<Comparison> =
    what === 'state'
      ? { what, of: '', test: 'is', values: ['published'] }
      : what === 'parent'
        ? { what, of: '', test: 'is', values: [] }
        : what === 'taxonomy'
          ? { what, of, test: 'filled', values: ['true'] }
          : { what: 'field', of, ...firstTest(fields.value.find((field) => field.id === of)) };
  set(at, first);
}

function firstTest(field: Field | undefined): { test: Test; values: string[] } {
  const test = testsOf(field)[0] ?? 'filled';
  return { test, values: [firstValue(field, test)] };
}

function firstValue(field: Field | undefined, test: Test): string {
  if (test === 'filled' || field?.kind === 'yes_no') {
    return 'true';
  }
  return field?.kind === 'choice' ? (optionsOf(field)[0]?.id ?? '') : '';
}

function optionsOf(field: Field | undefined): { id: string; label: string }[] {
  if (field?.kind === 'choice') {
    const own = field.list ? draft.ofSort('list').find((each) => each.id === field.list)?.options : field.options;
    return (own ?? []).map((option) => ({ id: option.id ?? '', label: option.label }));
  }
  return field?.kind === 'term' ? termsOf(field.taxonomy) : [];
}

function termsOf(taxonomy: string): { id: string; label: string }[] {
  const all = taxonomies.value.find((each) => each.id === taxonomy)?.terms ?? [];
  const flat = (terms: typeof all): typeof all => terms.flatMap((term) => [term, ...flat(term.children ?? [])]);
  return flat(all).map((term) => ({ id: term.id ?? '', label: term.label }));
}

function choicesOf(each: Comparison): { id: string; label: string }[] {
  return each.what === 'taxonomy' ? termsOf(each.of) : optionsOf(fieldOf(each));
}

function tests(each: Comparison): Test[] {
  return each.what === 'taxonomy' ? ['is', 'is_not', 'under', 'filled'] : testsOf(fieldOf(each));
}

function setTest(at: number, each: Comparison, test: Test): void {
  const keeps = (each.test === 'filled') === (test === 'filled');
  const first =
    each.what === 'taxonomy' && test !== 'filled' ? (termsOf(each.of)[0]?.id ?? '') : firstValue(fieldOf(each), test);
  set(at, { test, values: keeps ? each.values : [first] });
}

function add(): void {
  const field = fields.value[0];
  const made: Comparison = field
    ? { what: 'field', of: field.id ?? '', ...firstTest(field) }
    : { what: 'state', of: '', test: 'is', values: ['published'] };
  put({ ...list.value, of: [...list.value.of, made] });
}

const value = (event: Event) => (event.target as HTMLSelectElement).value;
</script>

<template>
  <div class="condition" role="group" :aria-label="title">
    <div class="row">
      <span class="small">{{ title }}</span>
      <select
        v-if="list.of.length > 1"
        class="input how"
        :value="list.how"
        :aria-label="$t('model.condition.how')"
        @change="put({ ...list, how: value($event) === 'any' ? 'any' : 'all' })"
      >
        <option value="all">{{ $t('model.condition.all') }}</option>
        <option value="any">{{ $t('model.condition.any') }}</option>
      </select>
      <NButton v-if="fields.length || ofRecord" size="tiny" @click="add">{{ $t('model.condition.add') }}</NButton>
      <span v-else class="hint">{{ $t('model.condition.nothing') }}</span>
    </div>
    <div v-for="(part, at) in list.of" :key="at" class="row part">
      <template v-if="comparisonOf(part)">
        <select
          class="input"
          :value="`${comparisonOf(part)!.what}:${comparisonOf(part)!.of}`"
          :aria-label="$t('model.condition.what')"
          @change="pickWhat(at, value($event))"
        >
          <option v-for="field in fields" :key="field.id" :value="`field:${field.id}`">{{ field.label }}</option>
          <template v-if="ofRecord">
            <option v-for="taxonomy in taxonomies" :key="taxonomy.id" :value="`taxonomy:${taxonomy.id}`">
              {{ taxonomy.singular }}
            </option>
            <option value="parent:">{{ $t('model.condition.parent') }}</option>
            <option value="state:">{{ $t('model.condition.state') }}</option>
          </template>
        </select>
        <select
          v-if="['field', 'taxonomy'].includes(comparisonOf(part)!.what)"
          class="input"
          :value="comparisonOf(part)!.test"
          :aria-label="$t('model.condition.test')"
          @change="setTest(at, comparisonOf(part)!, value($event) as Test)"
        >
          <option v-for="test in tests(comparisonOf(part)!)" :key="test" :value="test">
            {{ $t(`model.condition.tests.${test}`) }}
          </option>
        </select>
        <select
          v-if="comparisonOf(part)!.test === 'filled' || fieldOf(comparisonOf(part)!)?.kind === 'yes_no'"
          class="input"
          :value="comparisonOf(part)!.values[0]"
          :aria-label="$t('model.condition.value')"
          @change="set(at, { values: [value($event)] })"
        >
          <option value="true">{{ $t('model.condition.yes') }}</option>
          <option value="false">{{ $t('model.condition.no') }}</option>
        </select>
        <select
          v-else-if="comparisonOf(part)!.what === 'state'"
          class="input"
          :value="comparisonOf(part)!.values[0]"
          :aria-label="$t('model.condition.value')"
          @change="set(at, { values: [value($event)] })"
        >
          <option v-for="state in states" :key="state" :value="state">{{ $t(`model.words.${state}`) }}</option>
        </select>
        <select
          v-else-if="comparisonOf(part)!.what === 'parent'"
          class="input"
          multiple
          :aria-label="$t('model.condition.value')"
          @change="
            set(at, { values: [...($event.target as HTMLSelectElement).selectedOptions].map((each) => each.value) })
          "
        >
          <option
            v-for="type in draft.types"
            :key="type.id"
            :value="type.id"
            :selected="comparisonOf(part)!.values.includes(type.id ?? '')"
          >
            {{ type.singular }}
          </option>
        </select>
        <select
          v-else-if="choicesOf(comparisonOf(part)!).length"
          class="input"
          multiple
          size="3"
          :aria-label="$t('model.condition.value')"
          @change="
            set(at, { values: [...($event.target as HTMLSelectElement).selectedOptions].map((each) => each.value) })
          "
        >
          <option
            v-for="choice in choicesOf(comparisonOf(part)!)"
            :key="choice.id"
            :value="choice.id"
            :selected="comparisonOf(part)!.values.includes(choice.id)"
          >
            {{ choice.label }}
          </option>
        </select>
        <input
          v-else
          class="input"
          :value="comparisonOf(part)!.values.join(', ')"
          :aria-label="$t('model.condition.value')"
          @change="set(at, { values: [value($event).trim()] })"
        />
      </template>
      <span v-else class="muted">{{ $t('model.condition.kept') }}</span>
      <NButton
        quaternary
        size="tiny"
        :aria-label="$t('model.condition.remove')"
        @click="put({ ...list, of: list.of.filter((_, i) => i !== at) })"
        ><IconX
      /></NButton>
    </div>
    <p v-if="sentence && list.of.length" class="hint">{{ $t('model.condition.sentence', { sentence }) }}</p>
  </div>
</template>

<style scoped>
.condition {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.part .input {
  width: auto;
  min-width: 96px;
  max-width: 220px;
}
.how {
  width: auto;
}
</style>
