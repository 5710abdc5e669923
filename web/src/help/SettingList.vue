<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useExplanations } from '@/model/explanations';

/** What each setting of a kind, a sort of definitions or a part of them does. */
const props = defineProps<{ of: string }>();
const explanations = useExplanations();
const settings = computed(() => explanations(props.of));
const route = useRoute();
/** Not by :target, which knows only what is there when a page is opened. */
const isAskedFor = (anchor: string) => route.hash === `#${anchor}`;
</script>

<template>
  <dl v-if="settings.length">
    <template v-for="setting in settings" :key="setting.name">
      <dt :id="setting.anchor" :class="{ asked: isAskedFor(setting.anchor) }">{{ setting.label }}</dt>
      <dd :class="{ asked: isAskedFor(setting.anchor) }">{{ setting.text }}</dd>
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(120px, max-content) minmax(0, 1fr);
  gap: 4px 24px;
  margin: 8px 0 0;
}
dt {
  font-weight: 600;
  scroll-margin-top: 16px;
}
dt.asked,
dd.asked {
  background: var(--petrol-soft);
}
dd {
  margin: 0;
}
</style>
