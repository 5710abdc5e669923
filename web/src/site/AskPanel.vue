<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import TextInput from '@/shared/controls/TextInput.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import Radios from '@/shared/controls/Radios.vue';

/** A question of a plan with its choices; the answer is kept with the release. */
const props = defineProps<{ ask: Schemas['AskView']; version: string; locked: boolean }>();
const emit = defineEmits<{ decide: [Schemas['DecisionBody']] }>();

const { t } = useI18n();
type Answer = Schemas['DecisionBody']['answer'];
const answer = ref<string>(props.ask.answer ?? props.ask.choices[0] ?? '');
const value = ref(props.ask.value);

const choices = computed(() =>
  props.ask.choices.map((choice) => ({
    value: choice,
    label: choice === 'leave' && props.ask.about === 'held_values' ? t('site.leaveHeld') : t(`site.answers.${choice}`),
  })),
);

function keep(): void {
  emit('decide', {
    field: props.ask.fieldId,
    about: props.ask.about.toUpperCase() as Schemas['DecisionBody']['about'],
    answer: answer.value.toUpperCase() as Answer,
    value: answer.value === 'fill' ? value.value : '',
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
          v-if="ask.choices.includes('fill')"
          v-model:value="value"
          class="fill"
          :required="answer === 'fill'"
          :aria-label="$t('site.fillValue', { label: ask.label })"
          @focus="answer = 'fill'"
        />
        <NButton attr-type="submit" size="small" :disabled="locked">{{ $t('site.keep') }}</NButton>
      </div>
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
  width: 120px;
}
</style>
