<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useI18n } from 'vue-i18n';
import IconX from '~icons/tabler/x';
import type { Field } from '@/shared/kinds';
import ConditionTest from './ConditionTest.vue';
import { useComparisons } from './comparisons';
import { isJoined, type Joined, type Part } from './conditions';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';

/** Comparisons that go together, and lists of such within. */
const props = defineProps<{
  of: Joined;
  fields: Field[];
  ofRecord?: boolean;
  ofPage?: boolean;
  title: string;
  /** How deep this list stands; the outermost, at 0, cannot be negated as a whole. */
  depth: number;
  not?: boolean;
}>();
const emit = defineEmits<{ change: [Joined, boolean] }>();
const DEEPEST = 3;
const { fresh } = useComparisons(() => props.fields);
const { t } = useI18n();

const hows = props.depth > 0 ? (['all', 'any', 'notAll', 'none'] as const) : (['all', 'any'] as const);
const howOf = () => (props.not ? (props.of.how === 'all' ? 'notAll' : 'none') : props.of.how);

function setHow(how: string): void {
  const not = how === 'notAll' || how === 'none';
  emit('change', { ...props.of, how: how === 'all' || how === 'notAll' ? 'all' : 'any' }, not);
}

function put(parts: Part[]): void {
  emit('change', { ...props.of, parts }, props.not);
}

function set(at: number, part: Part): void {
  put(props.of.parts.map((each, i) => (i === at ? part : each)));
}

function first(): Part {
  const field = props.fields[0];
  return { not: false, of: field ? fresh('field', field.id ?? '') : fresh('state', '') };
}

const within = (): Part => ({ not: false, of: { how: props.of.how === 'all' ? 'any' : 'all', parts: [first()] } });
</script>

<template>
  <div class="parts" role="group" :aria-label="title">
    <div class="row wrap">
      <span v-if="depth === 0" class="small">{{ title }}</span>
      <Choice
        v-if="of.parts.length > 1 || depth > 0"
        class="how"
        :value="howOf()"
        :aria-label="t('model.condition.how')"
        :options="hows.map((how) => ({ value: how, label: t(`model.condition.${how}`) }))"
        @update:value="setHow($event)"
      />
      <template v-if="fields.length || ofRecord">
        <NButton size="tiny" @click="put([...of.parts, first()])">{{ t('model.condition.add') }}</NButton>
        <NButton v-if="of.parts.length && depth < DEEPEST" size="tiny" @click="put([...of.parts, within()])">{{
          t('model.condition.addWithin')
        }}</NButton>
      </template>
      <span v-else class="hint">{{ t('model.condition.nothing') }}</span>
    </div>
    <div v-for="(part, at) in of.parts" :key="at" class="row part" :class="{ within: isJoined(part.of) }">
      <ConditionParts
        v-if="isJoined(part.of)"
        class="grow"
        :of="part.of"
        :not="part.not"
        :fields="fields"
        :of-record="ofRecord"
        :of-page="ofPage"
        :title="t('model.condition.within')"
        :depth="depth + 1"
        @change="(joined, not) => set(at, { not, of: joined })"
      />
      <template v-else-if="'what' in part.of">
        <Check class="not" :checked="part.not" @update:checked="set(at, { ...part, not: $event })">{{
          t('model.condition.not')
        }}</Check>
        <ConditionTest
          :of="part.of"
          :fields="fields"
          :of-record="ofRecord"
          :of-page="ofPage"
          @change="set(at, { ...part, of: $event })"
        />
      </template>
      <span v-else class="muted">{{ t('model.condition.kept') }}</span>
      <NButton
        quaternary
        size="tiny"
        :aria-label="t('model.condition.remove')"
        @click="put(of.parts.filter((_, i) => i !== at))"
        ><IconX
      /></NButton>
    </div>
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.how {
  width: auto;
}
.wrap {
  flex-wrap: wrap;
}
.not {
  flex: none;
  white-space: nowrap;
}
.within {
  align-items: start;
  padding-left: 12px;
  border-left: 2px solid var(--line);
}
</style>
