<script setup lang="ts">
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import type { ContentType } from '@/shared/kinds';
import NamesPanel from './NamesPanel.vue';
import PartsPanel from './PartsPanel.vue';
import SectionsEditor from './SectionsEditor.vue';
import TaxonomyUses from './TaxonomyUses.vue';
import TypeSettings from './TypeSettings.vue';

/** A content type: fields and taxonomies in sight; names, parts and rare settings unfolded where they are wanted. */
const props = defineProps<{ type: ContentType; names: boolean; findings: FindingView[]; locked: boolean }>();
const emit = defineEmits<{ change: [ContentType] }>();
const ofType = computed(() => props.findings.filter((finding) => !finding.field));

function set(change: Partial<ContentType>): void {
  emit('change', { ...props.type, ...change });
}
</script>

<template>
  <Problems :of="ofType" />
  <template v-if="names">
    <NamesPanel :definition="type" sort="type" @change="set" />
    <PartsPanel :type="type" @change="set" />
    <TypeSettings :type="type" @change="set" />
  </template>
  <SectionsEditor
    :id="type.id ?? ''"
    :sections="type.groups ?? []"
    :findings="findings"
    :locked="locked"
    of-record
    @change="set({ groups: $event })"
  />
  <TaxonomyUses :type="type" @change="set({ taxonomies: $event })" />
</template>
