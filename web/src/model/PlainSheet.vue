<script setup lang="ts">
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import type { Defined } from '@/shared/definitions';
import type { Field, Group } from '@/shared/kinds';
import FieldTable from './FieldTable.vue';
import ListingSheet from './ListingSheet.vue';
import NamesPanel from './NamesPanel.vue';
import OptionEditor from './OptionEditor.vue';
import QuickLine from './QuickLine.vue';
import SectionsEditor from './SectionsEditor.vue';
import { addressOf } from '@/layout/place';
import { useDraft } from './draft';

/** Shared groups, choice lists, site values, layouts and listings. */
const props = defineProps<{
  of: Exclude<Defined, { sort: 'type' | 'taxonomy' }>;
  names: boolean;
  findings: FindingView[];
  locked: boolean;
}>();
const emit = defineEmits<{ change: [Defined] }>();
const draft = useDraft();
const group = computed<Group>(() => ({
  id: props.of.definition.id,
  title: '',
  fields: props.of.sort === 'group' ? (props.of.definition.fields ?? []) : [],
}));

function set(change: object): void {
  emit('change', { ...props.of, definition: { ...props.of.definition, ...change } } as Defined);
}

function setFields(fields: Field[]): void {
  set({ fields: fields.length ? fields : undefined });
}
</script>

<template>
  <Problems :of="findings.filter((finding) => !finding.field)" />
  <NamesPanel v-if="names" :definition="of.definition" :sort="of.sort" @change="set" />
  <section v-if="of.sort === 'group'" class="panel">
    <FieldTable
      :groups="[group]"
      :group="group"
      :findings="findings"
      :locked="locked"
      @change="setFields($event[0]?.fields ?? [])"
    />
    <QuickLine
      v-if="!locked"
      :into="of.definition.id ?? ''"
      :taken="(of.definition.fields ?? []).map((field) => field.key)"
      @add="setFields([...(of.definition.fields ?? []), ...$event])"
    />
  </section>
  <section v-else-if="of.sort === 'list'" class="panel">
    <OptionEditor :options="of.definition.options ?? []" @change="set({ options: $event })" />
  </section>
  <SectionsEditor
    v-else-if="of.sort === 'values'"
    :id="of.definition.id ?? ''"
    :sections="of.definition.groups ?? []"
    :findings="findings"
    :locked="locked"
    @change="set({ groups: $event })"
  />
  <ListingSheet v-else-if="of.sort === 'listing'" :listing="of.definition" @change="set" />
  <p v-else-if="of.sort === 'look'" class="hint">
    <RouterLink :to="addressOf(draft.workspace, { type: '', use: 'look', definition: of.definition.id ?? '' })">{{
      $t('model.layoutHint')
    }}</RouterLink>
  </p>
  <p v-else class="hint">
    <RouterLink
      :to="
        addressOf(draft.workspace, {
          type: of.definition.type ?? '',
          use: of.sort === 'layout' ? (of.definition.use ?? 'page') : 'page',
          definition: of.definition.id ?? '',
        })
      "
      >{{ $t('model.layoutHint') }}</RouterLink
    >
  </p>
</template>

<style scoped>
.panel {
  padding: 12px;
}
</style>
