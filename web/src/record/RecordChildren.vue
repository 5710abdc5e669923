<script setup lang="ts">
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import { addressOf, noun, type Holder } from './holders';
import { childList, childrenFilter, MOST_CHILDREN } from './queries';
import { toneOf } from './states';

/** The records of one type that stand under a record, and ways to all of them and to a new one. */
const props = defineProps<{
  site: string;
  workspace: string;
  holder: Holder;
  parent: Schemas['RecordView'];
  parentType: string;
  readonly: boolean;
}>();
const { data, problem } = useResource(() => childList(props.site, props.holder, props.parent.id));
const children = computed(() => data.value?.records ?? []);
const list = computed(() => ({
  name: 'record-list',
  params: { workspace: props.workspace, site: props.site, type: addressOf(props.holder) },
  query: { filter: JSON.stringify([childrenFilter(props.parent.id)]) },
}));
const at = (id: number | 'new') => ({
  name: 'record',
  params: { workspace: props.workspace, site: props.site, type: addressOf(props.holder), id },
});
</script>

<template>
  <div>
    <span class="label">{{ $t('record.children', { plural: holder.plural }) }}</span>
    <ul v-if="children.length">
      <li v-for="child in children.slice(0, MOST_CHILDREN)" :key="child.id">
        <RouterLink :to="at(child.id)">{{ child.title }}</RouterLink>
        <Tag v-if="child.state !== 'published'" class="state" :tone="toneOf(child.state)">{{
          $t(`record.states.${child.state}`)
        }}</Tag>
      </li>
    </ul>
    <p v-else-if="data" class="hint">{{ $t('record.noChildren') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div class="row ways">
      <RouterLink v-if="children.length > MOST_CHILDREN" :to="list">{{ $t('record.allChildren') }}</RouterLink>
      <RouterLink v-if="!readonly" :to="{ ...at('new'), query: { under: `${parentType}/${parent.id}` } }">{{
        holder.wordings.add ?? $t('record.add', { name: noun(holder.singular) })
      }}</RouterLink>
    </div>
  </div>
</template>

<style scoped>
ul {
  margin: 0 0 4px;
  padding-left: 16px;
}
li {
  overflow-wrap: anywhere;
}
.state {
  margin-inline-start: 6px;
  font-size: 13px;
}
.ways {
  gap: 12px;
}
</style>
