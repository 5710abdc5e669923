<script setup lang="ts">
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import { addressOf, noun, type RecordType } from './recordTypes';
import { childList, childrenFilter, MOST_CHILDREN } from './queries';
import { toneOf } from './states';

/** The records of one type that stand under a record, and ways to all of them and to a new one. */
const props = defineProps<{
  site: string;
  workspace: string;
  recordType: RecordType;
  parent: Schemas['RecordView'];
  parentType: string;
  readonly: boolean;
}>();
const { data, problem } = useResource(() => childList(props.site, props.recordType, props.parent.id));
const children = computed(() => data.value?.records ?? []);
const list = computed(() => ({
  name: 'record-list',
  params: { workspace: props.workspace, site: props.site, type: addressOf(props.recordType) },
  query: { filter: JSON.stringify([childrenFilter(props.parent.id)]) },
}));
const at = (id: number | 'new') => ({
  name: 'record',
  params: { workspace: props.workspace, site: props.site, type: addressOf(props.recordType), id },
});
</script>

<template>
  <div>
    <span class="label">{{ $t('record.children', { plural: recordType.plural }) }}</span>
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
        recordType.wordings.add ?? $t('record.add', { name: noun(recordType.singular) })
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
