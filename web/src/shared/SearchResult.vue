<script setup lang="ts">
import { computed } from 'vue';

/** How a page is likely to look among the results of a search, with how long its texts are. */
const props = defineProps<{ title: string; description: string; hidden: boolean }>();
/** Signs that are usually shown. */
const graphemes = new Intl.Segmenter();
const most = { title: 60, description: 160 };

const lengths = computed(() =>
  (['title', 'description'] as const).map((part) => {
    const signs = [...graphemes.segment(props[part])].map((each) => each.segment);
    return {
      part,
      length: signs.length,
      most: most[part],
      words: `of${part === 'title' ? 'Title' : 'Description'}${signs.length > most[part] ? 'Cut' : ''}`,
      shown: signs.length > most[part] ? `${signs.slice(0, most[part]).join('').trimEnd()}…` : props[part],
    };
  }),
);
const shown = computed(() => Object.fromEntries(lengths.value.map((each) => [each.part, each.shown])));
</script>

<template>
  <section class="result panel" :aria-label="$t('layout.result.title')">
    <p class="small muted head">{{ $t('layout.result.title') }}</p>
    <p v-if="hidden" class="head">{{ $t('layout.result.hidden') }}</p>
    <template v-else>
      <p class="name" dir="auto">{{ shown.title }}</p>
      <p class="head" dir="auto">{{ shown.description || $t('layout.result.none') }}</p>
      <p class="small muted head">
        <span v-for="each in lengths" :key="each.part" class="length" :class="{ long: each.length > each.most }">{{
          $t(`layout.result.${each.words}`, {
            length: each.length,
            most: each.most,
          })
        }}</span>
      </p>
    </template>
  </section>
</template>

<style scoped>
.result {
  padding: 8px 12px;
}
.head {
  margin: 0;
}
.name {
  margin: 0;
  color: var(--petrol);
  font-size: 16px;
}
.length + .length {
  margin-left: 16px;
}
.length.long {
  color: var(--brass);
}
</style>
