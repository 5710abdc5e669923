<script setup lang="ts">
import { computed } from 'vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { ownGroupsOf, recordOptionsOf, type Listing } from '@/shared/definitions';
import ConditionEditor from './ConditionEditor.vue';
import { useDraft } from './draft';
import { waysOf } from '@/layout/queries';
import { useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Choices from '@/shared/controls/Choices.vue';

/** A saved query: which records, in what order, how many and how shown. */
const props = defineProps<{ listing: Listing }>();
const emit = defineEmits<{ change: [Partial<Listing>] }>();
const draft = useDraft();
const listed = computed(() => draft.find(props.listing.type));
const groups = computed(() => (listed.value ? ownGroupsOf(listed.value) : []));
const shown = ['lines', 'table', 'cards', 'layout'] as const;
const { data: ways } = useResource(() => waysOf(draft.workspace, props.listing.type, draft.revision), {
  keepsLast: true,
});
const all = computed(() => ways.value ?? []);
const own = computed(() => all.value.filter((way) => !way.path.includes('.')));
const sorts = computed(() => own.value.filter((way) => !way.many && way.kind !== 'records'));
const abouts = computed(() => own.value.filter((way) => way.block === 'terms' || way.kind === 'relation'));
const layouts = computed(() => draft.ofSort('layout').filter((each) => each.type === props.listing.type));
const order = computed(() => props.listing.order?.[0]);

function sort(field: string, descending: boolean): void {
  emit('change', { order: [{ field, ...(descending ? { descending } : {}) }] });
}
</script>

<template>
  <section class="panel stack">
    <div class="row wrap">
      <div data-explain="a_listing.type">
        <label class="small" for="listing-type">{{ $t('model.listing.type') }}</label>
        <Choice
          id="listing-type"
          :value="listing.type"
          :options="recordOptionsOf(draft.definitions)"
          @update:value="emit('change', { type: $event })"
        />
      </div>
      <div data-explain="a_listing.limit">
        <label class="small" for="listing-limit">{{ $t('model.listing.limit') }}</label>
        <TypedInput
          id="listing-limit"
          inputmode="numeric"
          :value="String(listing.limit ?? 10)"
          @typed="emit('change', { limit: Number($event) || undefined })"
        />
      </div>
      <div data-explain="a_listing.shown">
        <label class="small" for="listing-shown">{{ $t('model.listing.shown') }}</label>
        <Choice
          id="listing-shown"
          :value="listing.shown ?? 'lines'"
          :options="shown.map((each) => ({ value: each, label: $t(`model.words.${each}`) }))"
          @update:value="emit('change', { shown: $event as 'table' })"
        />
      </div>
    </div>
    <ConditionEditor
      data-explain="a_listing.where"
      :condition="listing.where"
      :groups="groups"
      :own="undefined"
      :title="$t('model.listing.where')"
      of-record
      @change="emit('change', { where: $event })"
    />
    <div class="row wrap">
      <div v-if="(listing.shown ?? 'lines') === 'table'" class="long" data-explain="a_listing.fields">
        <label class="small" for="listing-fields">{{ $t('layout.settings.columns') }}</label>
        <Choices
          id="listing-fields"
          :values="listing.fields ?? []"
          :options="all.map((each) => ({ value: each.path, label: each.label }))"
          @update:values="emit('change', { fields: $event.length ? $event : undefined })"
        />
      </div>
      <div v-if="listing.shown === 'layout'" data-explain="a_listing.layout">
        <label class="small" for="listing-layout">{{ $t('model.listing.layout') }}</label>
        <Choice
          id="listing-layout"
          :value="listing.layout"
          :options="layouts.map((each) => ({ value: each.id ?? '', label: each.title }))"
          @update:value="emit('change', { layout: $event })"
        />
      </div>
      <div data-explain="a_listing.order">
        <label class="small" for="listing-order">{{ $t('layout.settings.order') }}</label>
        <Choice
          id="listing-order"
          :value="order?.field"
          :options="sorts.map((each) => ({ value: each.path, label: each.label }))"
          @update:value="sort($event, order?.descending === true)"
        />
      </div>
      <Check :checked="order?.descending === true" @update:checked="sort(order?.field ?? 'part_title', $event)">{{
        $t('layout.settings.descending')
      }}</Check>
      <div data-explain="a_listing.about">
        <label class="small" for="listing-about">{{ $t('model.listing.about') }}</label>
        <Choice
          id="listing-about"
          :value="listing.about ?? ''"
          :options="[
            { value: '', label: $t('model.listing.aboutNothing') },
            ...abouts.map((each) => ({ value: each.path, label: each.label })),
          ]"
          @update:value="emit('change', { about: $event || undefined })"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px;
}
.wrap {
  flex-wrap: wrap;
  align-items: end;
}
.long {
  flex: 1;
  min-width: 240px;
}
</style>
