<script setup lang="ts">
import { computed } from 'vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import type { Listing } from '@/shared/definitions';
import { isGroup, type Group } from '@/shared/kinds';
import ConditionEditor from './ConditionEditor.vue';
import { useDraft } from './draft';

/** A saved query: which records, in what order, how many and how shown. */
const props = defineProps<{ listing: Listing }>();
const emit = defineEmits<{ change: [Partial<Listing>] }>();
const draft = useDraft();
const type = computed(() => draft.types.find((each) => each.id === props.listing.type));
const groups = computed<Group[]>(() => (type.value?.groups ?? []).filter(isGroup));
const shown = ['lines', 'table', 'cards', 'layout'] as const;
const value = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <section class="panel stack">
    <div class="row wrap">
      <div>
        <label class="small" for="listing-type">{{ $t('model.listing.type') }}</label>
        <select id="listing-type" class="input" :value="listing.type" @change="emit('change', { type: value($event) })">
          <option v-for="each in draft.types" :key="each.id" :value="each.id">{{ each.plural }}</option>
        </select>
      </div>
      <div>
        <label class="small" for="listing-limit">{{ $t('model.listing.limit') }}</label>
        <TypedInput
          id="listing-limit"
          class="input"
          inputmode="numeric"
          :value="String(listing.limit ?? 10)"
          @typed="emit('change', { limit: Number($event) || undefined })"
        />
      </div>
      <div>
        <label class="small" for="listing-shown">{{ $t('model.listing.shown') }}</label>
        <select
          id="listing-shown"
          class="input"
          :value="listing.shown ?? 'lines'"
          @change="emit('change', { shown: value($event) as 'table' })"
        >
          <option v-for="each in shown" :key="each" :value="each">{{ $t(`model.words.${each}`) }}</option>
        </select>
      </div>
    </div>
    <ConditionEditor
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
