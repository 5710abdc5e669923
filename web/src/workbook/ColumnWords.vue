<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';
import Check from '@/shared/controls/Check.vue';

/** The words that options or terms are made of, with their spellings: which of them are one and the same. */
const props = defineProps<{ column: Schemas['WorkbookColumn']; joins: Record<string, string> }>();
const emit = defineEmits<{ join: [Record<string, string>] }>();

function join(word: string, into: string, same: boolean): void {
  const others = Object.fromEntries(Object.entries(props.joins).filter(([each]) => each !== word));
  emit('join', same ? { ...others, [word]: into } : others);
}
const times = (each: { text: string; times: number }) => `${each.text} (${each.times})`;
</script>

<template>
  <ul class="words">
    <li v-for="word in column.words" :key="word.label" class="word">
      <span dir="auto">{{ word.label }}</span> <span class="muted">{{ word.times }}</span>
      <div v-if="word.others.length" class="muted">
        {{ $t('workbook.alsoSpelled', { words: word.others.map(times).join(', ') }) }}
      </div>
      <div v-for="other in word.perhaps" :key="other.text">
        <Check :checked="joins[other.text] === word.label" @update:checked="join(other.text, word.label, $event)">{{
          $t('workbook.same', { word: times(other), as: word.label })
        }}</Check>
      </div>
      <div v-for="[from] in Object.entries(joins).filter(([, to]) => to === word.label)" :key="`joined ${from}`">
        <Check :checked="true" @update:checked="join(from, word.label, $event)">{{
          $t('workbook.same', { word: from, as: word.label })
        }}</Check>
      </div>
    </li>
    <li v-if="column.wordCount > column.words.length" class="muted">
      {{ $t('workbook.moreWords', { n: column.wordCount - column.words.length }) }}
    </li>
  </ul>
</template>

<style scoped>
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin: 0;
  padding: 0 0 8px 24px;
  list-style: none;
  font-size: 14px;
}
</style>
