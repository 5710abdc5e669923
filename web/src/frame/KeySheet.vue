<script setup lang="ts">
import Dialog from '@/shared/controls/Dialog.vue';

/** All keys of the interface. */
const open = defineModel<boolean>({ required: true });
const keys: Record<string, string[]> = {
  anywhere: ['Ctrl+K', 'Ctrl+Z', 'Ctrl+Shift+Z', '?'],
  fields: [
    '↑ ↓',
    'Enter',
    'Ctrl+Enter',
    'Tab',
    'Alt+↑ ↓',
    'Alt+→',
    'Alt+←',
    'Ctrl+D',
    'Ctrl+Delete',
    'Shift+↑ ↓',
    'Escape',
    'F1',
  ],
  terms: ['↑ ↓', 'Enter', 'Alt+↑ ↓', 'Alt+→', 'Alt+←', 'Ctrl+Delete'],
  list: ['↑ ↓', '← →', 'F2', 'Enter', 'Space', 'Ctrl+A'],
  code: ['Ctrl+Space', 'Ctrl+Enter'],
};
</script>

<template>
  <Dialog v-model="open" :width="820" :title="$t('keys.title')">
    <div class="columns">
      <section v-for="(list, part) in keys" :key="part">
        <h3>{{ $t(`keys.${part}.title`) }}</h3>
        <dl>
          <div v-for="(key, i) in list" :key="key">
            <dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ $t(`keys.${part}.k${i}`) }}</dd>
          </div>
        </dl>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.columns {
  columns: 2;
  column-gap: 32px;
}
section {
  break-inside: avoid;
  padding-top: 12px;
}
dl {
  margin: 4px 0 0;
}
dl div {
  display: grid;
  grid-template-columns: 118px 1fr;
  padding: 2px 0;
}
dd {
  margin: 0;
}
kbd {
  padding: 1px 6px;
  font: inherit;
  font-size: 12px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--ground);
}
</style>
