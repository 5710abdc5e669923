<script setup lang="ts">
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import type { Schemas } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import { useDraft } from './draft';
import { sampleList } from './queries';

/** Models to start from, each with a picture, what it is, and what it holds; a link leads to its comparison with the draft. */
const draft = useDraft();
const { t } = useI18n();
const samples = useResource(() => sampleList());
const SORTS = ['type', 'taxonomy', 'layout', 'listing', 'look'] as const;

function holds({ definitions, records, pictures }: Schemas['SampleView']): string {
  const counts = SORTS.map((sort) => [sort, definitions.filter((each) => each.sort === sort).length] as const);
  return [
    ...counts.filter(([, n]) => n > 0).map(([sort, n]) => t(`model.samples.count.${sort}`, { n }, n)),
    t('model.samples.count.records', { n: records }, records),
    t('model.samples.count.pictures', { n: pictures }, pictures),
  ].join(', ');
}
</script>

<template>
  <Problems v-if="samples.problem.value" :of="[{ sentence: samples.problem.value, severity: 'blocker' }]" />
  <ul class="samples">
    <li v-for="each in samples.data.value" :key="each.name" class="sample">
      <img :src="each.picture" alt="" width="120" height="80" />
      <div class="about">
        <h3>
          <RouterLink
            :to="{ name: 'exchange', params: { workspace: draft.workspace }, query: { sample: each.name } }"
            >{{ each.title }}</RouterLink
          >
        </h3>
        <p class="flat">{{ each.description }}</p>
        <p class="muted flat small">{{ holds(each) }}</p>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.samples {
  display: flex;
  flex-direction: column;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.sample {
  display: flex;
  gap: 16px;
  align-items: flex-start;
}
.sample img {
  flex: none;
  border-radius: 4px;
  object-fit: cover;
}
.about {
  display: flex;
  flex-direction: column;
  gap: 2px;
  max-width: 72ch;
}
.flat {
  margin: 0;
}
.small {
  font-size: 13px;
}
</style>
