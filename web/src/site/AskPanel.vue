<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import AskValues from './AskValues.vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import TextInput from '@/shared/controls/TextInput.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import Radios from '@/shared/controls/Radios.vue';
import { about, decision, LEAVES, type Ask } from './answers';

/** A question of a plan with its choices and its values; the answer is kept with the release. */
const props = defineProps<{ site: string; ask: Ask; version: string; locked: boolean }>();
const emit = defineEmits<{ decide: [Schemas['DecisionBody']] }>();

const { t } = useI18n();
const isOfValues = computed(() => props.ask.about === 'unconverted');
const corrections = ref<Record<string, string>>(
  Object.fromEntries(props.ask.corrections.filter(({ to }) => to).map((each) => [each.from, each.to])),
);
/** Values that were set aside one by one. */
const aside = computed(() => props.ask.corrections.filter(({ to }) => !to).map(({ from }) => from));
const first = isOfValues.value && !props.ask.corrections.length ? 'set_aside' : props.ask.choices[0];
const answer = ref<string>(
  props.ask.answer === 'correct' && aside.value.length ? 'set_aside' : (props.ask.answer ?? first ?? ''),
);
/** What an answer needs besides itself; each has its own. */
const VALUED = {
  fill: 'site.fillValue',
  join: 'site.joinValue',
  gather: 'site.gatherValue',
  unite: 'site.gatherValue',
  split: 'site.splitValue',
  match: 'site.matchValue',
  move: 'site.moveValue',
  nest: 'site.nestValue',
} as const;
/** A new type takes records of another; one that goes gives them. */
const takesPart = computed(() => props.ask.finding.code === 'PLAN_TYPE_PART');
const isOfRecords = computed(() => props.ask.about === 'records');
const valueLabel = computed(() => {
  const [first] = valued.value;
  const key = isOfRecords.value ? 'site.recordsValue' : takesPart.value ? 'site.moveFromValue' : first && VALUED[first];
  return key ? t(key, { label: props.ask.label }) : '';
});
const hint = computed(() => {
  if (isOfRecords.value) {
    return t('site.recordsHint', { brace: '{name}' });
  }
  if (props.ask.choices.includes('nest')) {
    return t('site.nestHint');
  }
  const isOfTypes = props.ask.about === 'record_type';
  return isOfTypes ? t(takesPart.value ? 'site.moveFromHint' : 'site.moveHint') : '';
});
type Valued = keyof typeof VALUED;
const valued = computed(() => (Object.keys(VALUED) as Valued[]).filter((each) => props.ask.choices.includes(each)));
const value = ref(props.ask.value || props.ask.proposed || (valued.value.includes('join') ? ', ' : ''));
const isValued = computed(() => valued.value.includes(answer.value as Valued));
/** Whoever begins to say what it needs wants an answer that needs it. */
function needValue(): void {
  if (!isValued.value) {
    answer.value = props.ask.choices.find((each) => valued.value.includes(each as Valued)) ?? answer.value;
  }
}
/** Whoever begins to correct wants that to count; what becomes of the rest is asked when something is left. */
watch(corrections, (_, before) => {
  if (!Object.keys(before).length) {
    answer.value = 'correct';
  }
});

const kept = computed(() => {
  if (!props.ask.answer) {
    return '';
  }
  return props.version === 'draft' ? t('site.keptInDraft') : t('site.kept', { version: props.version });
});

const choices = computed(() =>
  props.ask.choices.map((choice) => ({
    value: choice,
    label: labelOf(choice),
  })),
);

function labelOf(choice: string): string {
  if (takesPart.value) {
    return t(choice === 'leave' ? 'site.leavePart' : 'site.answers.move_from');
  }
  const left = LEAVES[props.ask.about];
  if (choice === 'leave' && left !== undefined) {
    return t(left);
  }
  if (choice === 'gather' && isOfRecords.value) {
    return t(props.ask.choices.includes('unite') ? 'site.answers.gather_each' : 'site.answers.gather_records');
  }
  const some = Object.keys(corrections.value).length > 0;
  return choice === 'set_aside' && some ? t('site.rest') : t(`site.answers.${choice}`);
}

function keep(): void {
  const given = isValued.value ? value.value : '';
  const corrected = Object.entries(corrections.value).map(([from, to]) => ({ from, to }));
  // whoever wants the rest asked again takes back what was set aside
  const still = answer.value === 'correct' ? [] : aside.value.filter((from) => corrections.value[from] === undefined);
  emit('decide', decision(props.ask, answer.value, given, [...corrected, ...still.map((from) => ({ from, to: '' }))]));
}
</script>

<template>
  <form class="panel ask" @submit.prevent="keep">
    <div class="row spread top">
      <h2 :id="`ask-${ask.fieldId}-${ask.about}`" class="flat">{{ about(ask) }}</h2>
      <Tag :tone="ask.answer ? 'safe' : 'bad'">{{ $t(ask.answer ? 'site.answered' : 'site.open1') }}</Tag>
    </div>
    <p class="sentence">{{ ask.finding.sentence }}</p>
    <ControlSet :disabled="locked">
      <Radios v-model:value="answer" :aria-labelledby="`ask-${ask.fieldId}-${ask.about}`" :options="choices" />
      <TextInput
        v-if="valued.length"
        v-model:value="value"
        class="given"
        :required="isValued"
        :aria-label="valueLabel"
        @focus="needValue"
      />
      <p v-if="hint" class="hint given">{{ hint }}</p>
      <AskValues
        v-if="isOfValues"
        v-model="corrections"
        class="values"
        :site="site"
        :version="version"
        :field="ask.fieldId"
        :label="ask.label"
        :aside="aside"
        :locked="locked"
      />
      <div class="row spread foot">
        <span class="hint">{{ kept }}</span>
        <NButton attr-type="submit" type="primary" :disabled="locked">{{ $t('site.keep') }}</NButton>
      </div>
    </ControlSet>
  </form>
</template>

<style scoped>
.ask {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.flat {
  margin: 0;
}
.sentence {
  margin: 4px 0 8px;
  overflow-wrap: anywhere;
}
.top {
  align-items: flex-start;
  gap: 16px;
}
.given {
  margin-top: 8px;
}
.values {
  min-height: 0;
  margin-top: 12px;
}
.foot {
  gap: 16px;
  margin-top: 12px;
}
</style>
