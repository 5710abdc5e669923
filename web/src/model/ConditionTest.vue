<script setup lang="ts">
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import type { Field } from '@/shared/kinds';
import { useComparisons } from './comparisons';
import { states, type Comparison, type Test } from './conditions';
import TextInput from '@/shared/controls/TextInput.vue';
import Choice from '@/shared/controls/Choice.vue';
import Choices from '@/shared/controls/Choices.vue';

/** One comparison: what is compared, how, and with what. */
const props = defineProps<{ of: Comparison; fields: Field[]; ofRecord?: boolean; ofPage?: boolean }>();
const emit = defineEmits<{ change: [Comparison] }>();
const { t } = useI18n();
const { taxonomies, fieldOf, choicesOf, tests, fresh, tested } = useComparisons(() => props.fields);

const subjects = computed(() => [
  ...props.fields.map((field) => ({ value: `field:${field.id ?? ''}`, label: field.label })),
  ...(props.ofRecord
    ? [
        ...taxonomies.value.map((each) => ({ value: `taxonomy:${each.id ?? ''}`, label: each.singular })),
        { value: 'parent:', label: t('model.condition.parent') },
        { value: 'state:', label: t('model.condition.state') },
      ]
    : []),
  ...(props.ofPage ? [{ value: 'address:', label: t('model.condition.address') }] : []),
]);

function pick(picked: string): void {
  const [what = 'field', of = ''] = picked.split(':');
  emit('change', fresh(what as Comparison['what'], of));
}

function put(values: string[]): void {
  emit('change', { ...props.of, values });
}

function lines(text: string): string[] {
  const all = text.split('\n');
  const filled = all.map((each) => each.trim()).filter((each) => each !== '');
  return filled.length ? filled : [''];
}
</script>

<template>
  <Choice
    :value="`${of.what}:${of.of}`"
    :options="subjects"
    :aria-label="$t('model.condition.what')"
    @update:value="pick"
  />
  <Choice
    v-if="of.what === 'field' || of.what === 'taxonomy'"
    :value="of.test"
    :aria-label="$t('model.condition.test')"
    :options="tests(of).map((test) => ({ value: test, label: $t(`model.condition.tests.${test}`) }))"
    @update:value="emit('change', tested(of, $event as Test))"
  />
  <Choice
    v-if="of.test === 'filled' || fieldOf(of)?.kind === 'yes_no'"
    :value="of.values[0]"
    :aria-label="$t('model.condition.value')"
    :options="[
      { value: 'true', label: $t('model.condition.yes') },
      { value: 'false', label: $t('model.condition.no') },
    ]"
    @update:value="put([$event])"
  />
  <Choice
    v-else-if="of.what === 'state'"
    :value="of.values[0]"
    :aria-label="$t('model.condition.value')"
    :options="states.map((state) => ({ value: state, label: $t(`model.words.${state}`) }))"
    @update:value="put([$event])"
  />
  <Choices
    v-else-if="choicesOf(of).length"
    :values="of.values.filter((each) => each !== '')"
    :aria-label="$t('model.condition.value')"
    :options="choicesOf(of).map((choice) => ({ value: choice.id, label: choice.label }))"
    @update:values="put"
  />
  <TextInput
    v-else
    multiline
    :rows="Math.max(1, of.values.length)"
    :value="of.values.join('\n')"
    :aria-label="$t('model.condition.value')"
    :title="$t('model.condition.lines')"
    @change="put(lines($event))"
  />
</template>

<style scoped>
.choice,
.text-input {
  width: 160px;
}
</style>
