<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import type { Taxonomy } from '@/shared/definitions';
import type { Field, Group } from '@/shared/kinds';
import FieldTable from './FieldTable.vue';
import NamesPanel from './NamesPanel.vue';
import QuickLine from './QuickLine.vue';
import TermTree from './TermTree.vue';
import { useDraft } from './draft';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';

/** A taxonomy: its shape, what each term holds, its starter terms, and the types it classifies. */
const props = defineProps<{ taxonomy: Taxonomy; names: boolean; findings: FindingView[]; locked: boolean }>();
const emit = defineEmits<{ change: [Taxonomy] }>();
const draft = useDraft();
const group = computed<Group>(() => ({ id: 'terms', title: '', fields: props.taxonomy.fields ?? [] }));
const used = computed(() =>
  draft.types.filter((type) => type.taxonomies?.some((use) => use.use === props.taxonomy.id)),
);
const unused = computed(() => draft.types.filter((type) => !used.value.includes(type)));

function set(change: Partial<Taxonomy>): void {
  emit('change', { ...props.taxonomy, ...change });
}

function setFields(fields: Field[]): void {
  set({ fields: fields.length ? fields : undefined });
}

/** Composition is said at the type's side; from here it is written there. */
function attach(id: string, on: boolean): void {
  const type = draft.types.find((each) => each.id === id);
  if (type) {
    const others = (type.taxonomies ?? []).filter((use) => use.use !== props.taxonomy.id);
    const next = on ? [...others, { use: props.taxonomy.id ?? '' }] : others;
    draft.edit({ sort: 'type', definition: { ...type, taxonomies: next.length ? next : undefined } });
  }
}
</script>

<template>
  <Problems :of="findings.filter((finding) => !finding.field)" />
  <NamesPanel v-if="names" :definition="taxonomy" sort="taxonomy" @change="set" />
  <div v-if="names" class="row wrap">
    <Check
      data-explain="a_taxonomy.hierarchical"
      :checked="taxonomy.hierarchical ?? false"
      @update:checked="set({ hierarchical: $event || undefined, parents_in_address: undefined })"
      >{{ $t('model.hierarchical') }}</Check
    >
    <Check
      v-if="taxonomy.hierarchical"
      data-explain="a_taxonomy.parents_in_address"
      :checked="taxonomy.parents_in_address ?? false"
      @update:checked="set({ parents_in_address: $event || undefined })"
      >{{ $t('model.parentsInAddress') }}</Check
    >
  </div>
  <section class="panel">
    <h2>{{ $t('model.classifies') }}</h2>
    <div class="row wrap">
      <span v-for="type in used" :key="type.id" class="row used">
        <RouterLink :to="{ name: 'model', params: { workspace: draft.workspace, type: type.id } }">{{
          type.singular
        }}</RouterLink>
        <NButton size="tiny" quaternary @click="attach(type.id ?? '', false)">{{ $t('model.detach') }}</NButton>
      </span>
      <Choice
        v-if="unused.length"
        class="auto"
        :value="''"
        :aria-label="$t('model.attachTo')"
        :options="[
          { value: '', label: $t('model.attachTo') },
          ...unused.map((type) => ({ value: type.id, label: type.singular })),
        ]"
        @update:value="attach($event, true)"
      />
    </div>
  </section>
  <section class="panel">
    <h2>{{ $t('model.termFields') }}</h2>
    <FieldTable
      :groups="[group]"
      :group="group"
      :findings="findings"
      :locked="locked"
      @change="setFields($event[0]?.fields ?? [])"
    />
    <QuickLine
      v-if="!locked"
      into="terms"
      :taken="(taxonomy.fields ?? []).map((field) => field.key)"
      @add="setFields([...(taxonomy.fields ?? []), ...$event])"
    />
  </section>
  <TermTree
    :taxonomy="taxonomy"
    :findings="findings"
    :locked="locked"
    @change="set({ terms: $event })"
    @replace="emit('change', $event)"
  />
</template>

<style scoped>
.panel {
  padding: 12px;
}
.wrap {
  flex-wrap: wrap;
  gap: 4px 16px;
}
.auto {
  width: auto;
}
.used {
  gap: 0;
}
</style>
