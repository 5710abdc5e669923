<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import AskPanel from '@/site/AskPanel.vue';
import { about, keyOf, said, type Ask } from '@/site/answers';

/** What the draft would ask of a site; each question opens to be answered where it stands. */
defineProps<{ site: string; asks: Ask[]; locked: boolean }>();
const emit = defineEmits<{ decide: [Schemas['DecisionBody']] }>();
const shown = ref('');
const isShown = computed(() => (ask: Ask) => keyOf(ask) === shown.value);

function toggle(ask: Ask): void {
  shown.value = isShown.value(ask) ? '' : keyOf(ask);
}
</script>

<template>
  <ul class="asks">
    <li v-for="ask in asks" :key="keyOf(ask)">
      <div class="row spread line">
        <NButton text class="what" :aria-expanded="isShown(ask)" @click="toggle(ask)">{{ about(ask) }}</NButton>
        <span class="muted nowrap">{{ $t('proof.rows', { n: ask.rows.toLocaleString('en') }, ask.rows) }}</span>
        <strong v-if="!ask.answer" class="open">{{ $t('plan.table.open') }}</strong>
        <span v-else-if="!isShown(ask)" class="muted said" dir="auto">{{ said(ask) }}</span>
      </div>
      <AskPanel
        v-if="isShown(ask)"
        :site="site"
        :ask="ask"
        version="draft"
        :locked="locked"
        @decide="emit('decide', $event)"
      />
    </li>
  </ul>
</template>

<style scoped>
.asks {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
.line {
  gap: 12px;
  min-height: 32px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
.what {
  flex: 1;
  justify-content: flex-start;
  white-space: normal;
  text-align: start;
}
.nowrap {
  white-space: nowrap;
}
.said {
  max-width: 40%;
  overflow-wrap: anywhere;
}
.open {
  color: var(--brass);
}
</style>
