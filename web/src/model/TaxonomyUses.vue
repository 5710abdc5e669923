<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import IconX from '~icons/tabler/x';
import TypedInput from '@/shared/controls/TypedInput.vue';
import type { TaxonomyUse } from '@/shared/definitions';
import type { ContentType } from '@/shared/kinds';
import { useDraft } from './draft';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';

/** The taxonomies that classify the records of a type. */
const props = defineProps<{ type: ContentType }>();
const emit = defineEmits<{ change: [TaxonomyUse[] | undefined] }>();
const draft = useDraft();
const uses = computed(() => props.type.taxonomies ?? []);
const unused = computed(() =>
  draft.ofSort('taxonomy').filter((each) => !uses.value.some((use) => use.use === each.id)),
);

function put(next: TaxonomyUse[]): void {
  emit('change', next.length ? next : undefined);
}

function set(id: string, change: Partial<TaxonomyUse>): void {
  put(uses.value.map((use) => (use.use === id ? { ...use, ...change } : use)));
}

function nameOf(id: string): string {
  return draft.ofSort('taxonomy').find((each) => each.id === id)?.singular ?? id;
}
</script>

<template>
  <section class="panel">
    <h2>{{ $t('model.taxonomies.title') }}</h2>
    <p v-if="!uses.length" class="hint">{{ $t('model.taxonomies.none') }}</p>
    <div v-for="use in uses" :key="use.use" class="row line">
      <RouterLink class="name" :to="{ name: 'model', params: { workspace: draft.workspace, type: use.use } }">{{
        nameOf(use.use)
      }}</RouterLink>
      <Check
        data-explain="taxonomy_use.required"
        :checked="use.required ?? false"
        @update:checked="set(use.use, { required: $event || undefined })"
        >{{ $t('model.taxonomies.required') }}</Check
      >
      <label class="row" data-explain="taxonomy_use.max"
        >{{ $t('model.taxonomies.max') }}
        <TypedInput
          class="max"
          inputmode="numeric"
          :value="String(use.max ?? '')"
          @typed="set(use.use, { max: $event ? Number($event) : undefined })"
      /></label>
      <Check
        data-explain="taxonomy_use.add_terms"
        :checked="use.add_terms ?? false"
        @update:checked="set(use.use, { add_terms: $event || undefined })"
        >{{ $t('model.taxonomies.add') }}</Check
      >
      <NButton
        quaternary
        size="tiny"
        :aria-label="$t('model.taxonomies.remove', { name: nameOf(use.use) })"
        @click="put(uses.filter((each) => each.use !== use.use))"
        ><IconX
      /></NButton>
    </div>
    <Choice
      v-if="unused.length"
      class="pick"
      :value="undefined"
      :placeholder="$t('model.taxonomies.attach')"
      :aria-label="$t('model.taxonomies.attach')"
      :options="[...unused.map((taxonomy) => ({ value: taxonomy.id, label: taxonomy.singular }))]"
      @update:value="put([...uses, { use: $event }])"
    />
  </section>
</template>

<style scoped>
.panel {
  padding: 12px;
}
.line {
  flex-wrap: wrap;
  gap: 4px 12px;
  padding: 4px 0;
}
.name {
  min-width: 96px;
  font-weight: 600;
}
.max {
  width: 56px;
}
.pick {
  width: 220px;
  margin-top: 8px;
}
</style>
