<script setup lang="ts">
import type { Field } from '@/shared/kinds';
import { useComparisons } from './comparisons';
import { states, type Comparison, type Test } from './conditions';

/** One comparison: what is compared, how, and with what. */
const props = defineProps<{ of: Comparison; fields: Field[]; ofRecord?: boolean }>();
const emit = defineEmits<{ change: [Comparison] }>();
const { taxonomies, fieldOf, choicesOf, tests, fresh, tested } = useComparisons(() => props.fields);

const value = (event: Event) => (event.target as HTMLSelectElement).value;

function pick(picked: string): void {
  const [what = 'field', of = ''] = picked.split(':');
  emit('change', fresh(what as Comparison['what'], of));
}

function put(values: string[]): void {
  emit('change', { ...props.of, values });
}

function chosen(event: Event): string[] {
  return [...(event.target as HTMLSelectElement).selectedOptions].map((each) => each.value);
}

function lines(event: Event): string[] {
  const all = value(event).split('\n');
  const filled = all.map((each) => each.trim()).filter((each) => each !== '');
  return filled.length ? filled : [''];
}
</script>

<template>
  <select
    class="input"
    :value="`${of.what}:${of.of}`"
    :aria-label="$t('model.condition.what')"
    @change="pick(value($event))"
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
    v-if="of.what === 'field' || of.what === 'taxonomy'"
    class="input"
    :value="of.test"
    :aria-label="$t('model.condition.test')"
    @change="emit('change', tested(of, value($event) as Test))"
  >
    <option v-for="test in tests(of)" :key="test" :value="test">{{ $t(`model.condition.tests.${test}`) }}</option>
  </select>
  <select
    v-if="of.test === 'filled' || fieldOf(of)?.kind === 'yes_no'"
    class="input"
    :value="of.values[0]"
    :aria-label="$t('model.condition.value')"
    @change="put([value($event)])"
  >
    <option value="true">{{ $t('model.condition.yes') }}</option>
    <option value="false">{{ $t('model.condition.no') }}</option>
  </select>
  <select
    v-else-if="of.what === 'state'"
    class="input"
    :value="of.values[0]"
    :aria-label="$t('model.condition.value')"
    @change="put([value($event)])"
  >
    <option v-for="state in states" :key="state" :value="state">{{ $t(`model.words.${state}`) }}</option>
  </select>
  <select
    v-else-if="choicesOf(of).length"
    class="input"
    multiple
    size="3"
    :aria-label="$t('model.condition.value')"
    @change="put(chosen($event))"
  >
    <option
      v-for="choice in choicesOf(of)"
      :key="choice.id"
      :value="choice.id"
      :selected="of.values.includes(choice.id)"
    >
      {{ choice.label }}
    </option>
  </select>
  <textarea
    v-else
    class="input"
    :rows="Math.max(1, of.values.length)"
    :value="of.values.join('\n')"
    :aria-label="$t('model.condition.value')"
    :title="$t('model.condition.lines')"
    @change="put(lines($event))"
  />
</template>

<style scoped>
.input {
  width: auto;
  min-width: 96px;
  max-width: 220px;
}
</style>
