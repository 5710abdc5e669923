<script setup lang="ts">
import { computed } from 'vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import type { Listing } from '@/shared/definitions';
import { isGroup, type Group } from '@/shared/kinds';
import ConditionEditor from './ConditionEditor.vue';
import { useDraft } from './draft';
import Choice from '@/shared/controls/Choice.vue';

/** A saved query: which records, in what order, how many and how shown. */
const props = defineProps<{ listing: Listing }>();
const emit = defineEmits<{ change: [Partial<Listing>] }>();
const draft = useDraft();
const type = computed(() => draft.types.find((each) => each.id === props.listing.type));
const groups = computed<Group[]>(() => (type.value?.groups ?? []).filter(isGroup));
const shown = ['lines', 'table', 'cards', 'layout'] as const;
</script>

<template>
  <section class="panel stack">
    <div class="row wrap">
      <div data-explain="a_listing.type">
        <label class="small" for="listing-type">{{ $t('model.listing.type') }}</label>
        <Choice
          id="listing-type"
          :value="listing.type"
          :options="draft.types.map((each) => ({ value: each.id, label: each.plural }))"
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
    <p class="hint">{{ $t('model.listing.hint') }}</p>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px;
}
.wrap {
  flex-wrap: wrap;
}
</style>
