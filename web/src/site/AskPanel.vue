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

/** A question of a plan with its choices; the answer is kept with the release. */
const props = defineProps<{ site: string; ask: Schemas['AskView']; version: string; locked: boolean }>();
const emit = defineEmits<{ decide: [Schemas['DecisionBody']] }>();

const { t } = useI18n();
type Answer = Schemas['DecisionBody']['answer'];
const isOfValues = computed(() => props.ask.about === 'unconverted');
const looking = ref(false);
const corrections = ref<Record<string, string>>(
  Object.fromEntries(props.ask.corrections.map((each) => [each.from, each.to])),
);
const first = isOfValues.value && !props.ask.corrections.length ? 'set_aside' : props.ask.choices[0];
const answer = ref<string>(props.ask.answer ?? first ?? '');
/** What an answer needs besides itself; each has its own. */
const VALUED = {
  fill: 'site.fillValue',
  join: 'site.joinValue',
  gather: 'site.gatherValue',
  split: 'site.splitValue',
} as const;
/** What to leave something is called where it is not to mark records incomplete. */
const LEAVES = { held_values: 'site.leaveHeld', sources: 'site.leaveSources', split_texts: 'site.leaveWhole' } as const;
type Valued = keyof typeof VALUED;
const valued = computed(() => (Object.keys(VALUED) as Valued[]).find((each) => props.ask.choices.includes(each)));
const value = ref(props.ask.value || props.ask.proposed || (valued.value === 'join' ? ', ' : ''));
/** Whoever begins to correct wants that to count; what becomes of the rest is asked when something is left. */
watch(corrections, (_, before) => {
  if (!Object.keys(before).length) {
    answer.value = 'correct';
  }
});

const choices = computed(() =>
  props.ask.choices.map((choice) => ({
    value: choice,
    label: labelOf(choice),
  })),
);

function labelOf(choice: string): string {
  if (choice === 'leave' && props.ask.about in LEAVES) {
    return t(LEAVES[props.ask.about as keyof typeof LEAVES]);
  }
  const some = Object.keys(corrections.value).length > 0;
  return choice === 'set_aside' && some ? t('site.rest') : t(`site.answers.${choice}`);
}

function keep(): void {
  emit('decide', {
    field: props.ask.fieldId,
    about: props.ask.about.toUpperCase() as Schemas['DecisionBody']['about'],
    answer: answer.value.toUpperCase() as Answer,
    value: answer.value === valued.value ? value.value : '',
    corrections: Object.entries(corrections.value).map(([from, to]) => ({ from, to })),
  });
}
</script>

<template>
  <form class="panel ask" @submit.prevent="keep">
    <div class="row spread top">
      <p :id="`ask-${ask.fieldId}-${ask.about}`" class="flat">{{ ask.finding.sentence }}</p>
      <Tag :tone="ask.answer ? 'safe' : 'bad'">{{ $t(ask.answer ? 'site.answered' : 'site.open1') }}</Tag>
    </div>
    <ControlSet :disabled="locked">
      <div class="row choices">
        <Radios v-model:value="answer" :aria-labelledby="`ask-${ask.fieldId}-${ask.about}`" :options="choices" />
        <TextInput
          v-if="valued"
          v-model:value="value"
          :class="valued === 'gather' ? 'keys' : 'fill'"
          :required="answer === valued"
          :aria-label="$t(VALUED[valued], { label: ask.label })"
          @focus="answer = valued"
        />
        <NButton attr-type="submit" size="small" :disabled="locked">{{ $t('site.keep') }}</NButton>
        <NButton v-if="isOfValues" quaternary size="small" :aria-expanded="looking" @click="looking = !looking">{{
          $t(looking ? 'site.hideValues' : 'site.showValues')
        }}</NButton>
      </div>
      <AskValues
        v-if="looking"
        v-model="corrections"
        :site="site"
        :version="version"
        :field="ask.fieldId"
        :label="ask.label"
        :locked="locked"
      />
    </ControlSet>
    <p v-if="ask.answer" class="hint">{{ $t('site.kept', { version }) }}</p>
  </form>
</template>

<style scoped>
.flat {
  margin: 0;
  overflow-wrap: anywhere;
}
.top {
  align-items: flex-start;
  gap: 24px;
}
.choices {
  margin-top: 8px;
  gap: 16px;
  flex-wrap: wrap;
}
.fill {
  width: 220px;
}
.keys {
  width: 320px;
}
</style>
