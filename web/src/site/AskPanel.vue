<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';

/** A question of a plan with its choices; the answer is kept with the release. */
const props = defineProps<{ ask: Schemas['AskView']; version: string; locked: boolean }>();
const emit = defineEmits<{ decide: [Schemas['DecisionBody']] }>();

type Answer = Schemas['DecisionBody']['answer'];
const answer = ref<string>(props.ask.answer ?? props.ask.choices[0] ?? '');
const value = ref(props.ask.value);

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
      <p class="flat">{{ ask.finding.sentence }}</p>
      <Tag :tone="ask.answer ? 'safe' : 'bad'">{{ $t(ask.answer ? 'site.answered' : 'site.open1') }}</Tag>
    </div>
    <fieldset :disabled="locked" class="row choices">
      <label v-for="choice in ask.choices" :key="choice" class="row">
        <input v-model="answer" type="radio" :name="ask.fieldId + ask.about" :value="choice" />{{
          choice === 'leave' && ask.about === 'held_values' ? $t('site.leaveHeld') : $t(`site.answers.${choice}`)
        }}
        <input
          v-if="choice === 'fill'"
          v-model="value"
          class="input fill"
          :required="answer === 'fill'"
          :aria-label="$t('site.fillValue', { label: ask.label })"
          @focus="answer = 'fill'"
        />
      </label>
      <NButton attr-type="submit" size="small" :disabled="locked">{{ $t('site.keep') }}</NButton>
    </fieldset>
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
  border: 0;
  margin: 8px 0 0;
  padding: 0;
  gap: 16px;
  flex-wrap: wrap;
}
.fill {
  width: 120px;
}
</style>
