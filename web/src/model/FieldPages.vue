<script setup lang="ts">
import { computed } from 'vue';
import type { RouteLocationRaw } from 'vue-router';
import { addressOf } from '@/layout/place';
import { nameOf, type Defined } from '@/shared/definitions';
import { useDraft } from './draft';

/** On which pages a field stands that somebody laid out. */
const props = defineProps<{ field: string }>();
const draft = useDraft();
const pages = computed(() => (draft.onPages[props.field] ?? []).flatMap((id) => draft.find(id) ?? []));

function placeOf(each: Defined): RouteLocationRaw {
  const definition = each.definition.id ?? '';
  switch (each.sort) {
    case 'layout':
      return addressOf(draft.workspace, {
        type: each.definition.type ?? '',
        use: each.definition.use ?? 'page',
        definition,
      });
    case 'part':
      return addressOf(draft.workspace, { type: each.definition.type ?? '', use: 'page', definition });
    case 'look':
      return addressOf(draft.workspace, { type: '', use: 'look', definition });
    default:
      return { name: 'model', params: { workspace: draft.workspace, type: definition } };
  }
}
</script>

<template>
  <p v-if="pages.length" class="hint on-pages">
    {{ $t('model.onPages', { n: pages.length }, pages.length) }}
    <template v-for="(each, at) in pages" :key="each.definition.id"
      ><template v-if="at">, </template><RouterLink :to="placeOf(each)">{{ nameOf(each) }}</RouterLink></template
    >
  </p>
</template>

<style scoped>
.on-pages {
  margin: 0;
}
</style>
