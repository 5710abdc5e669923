<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useDraft } from '@/model/draft';
import Segments from '@/shared/controls/Segments.vue';
import SplitPanes from '@/shared/controls/SplitPanes.vue';
import LayoutSheet from './LayoutSheet.vue';
import HeadSheet from './HeadSheet.vue';
import IndexSheet from './IndexSheet.vue';
import LayoutView from './LayoutView.vue';
import LookSheet from './LookSheet.vue';
import PagesOutline from './PagesOutline.vue';
import { uses } from './blocks';
import { addressOf, type Place } from './place';

/** What visitors read, laid out beside the real page. */
const route = useRoute();
const router = useRouter();
const draft = useDraft();
const isNarrow = useMediaQuery('(max-width: 900px)');
const panes = ['outline', 'sheet', 'view'] as const;
const pane = ref<string>('sheet');

const own = (type: string, use: string): string =>
  draft.ofSort('layout').find((each) => (each.type ?? '') === type && (each.use ?? 'page') === use)?.id ?? '';

const holds = (id: string): boolean => ['type', 'taxonomy'].includes(draft.find(id)?.sort ?? '');

/** What the address names; the page of the first type where it names nothing. */
const place = computed<Place>(() => {
  const { of, use: word, layout } = route.query;
  const type = typeof of === 'string' ? of : (draft.types[0]?.id ?? '');
  if (word === 'index' && draft.types.some((each) => each.id === type)) {
    return { type, use: 'index', definition: '' };
  }
  if (word === 'head' && holds(type)) {
    return { type, use: 'head', definition: '' };
  }
  if (word === 'look' && typeof layout === 'string' && draft.find(layout)?.sort === 'look') {
    return { type: '', use: 'look', definition: layout };
  }
  const use = uses.find((each) => each === word) ?? 'page';
  return { type, use, definition: typeof layout === 'string' ? layout : own(type, use) };
});
const open = computed(() => {
  const found = draft.find(place.value.definition);
  return found?.sort === 'layout' || found?.sort === 'part' ? found : undefined;
});
/** The type whose index is open. */
const indexOf = computed(() => {
  const found = place.value.use === 'index' ? draft.find(place.value.type) : undefined;
  return found?.sort === 'type' ? found : undefined;
});

/** The type or taxonomy whose heads are open. */
const headOf = computed(() => {
  const found = place.value.use === 'head' ? draft.find(place.value.type) : undefined;
  return found?.sort === 'type' || found?.sort === 'taxonomy' ? found : undefined;
});

/** The look that is open. */
const lookOf = computed(() => {
  const found = place.value.use === 'look' ? draft.find(place.value.definition) : undefined;
  return found?.sort === 'look' ? found : undefined;
});

function choose(next: Place): void {
  void router.push(addressOf(draft.workspace, next));
}
watch(
  () => route.fullPath,
  () => (pane.value = 'sheet'),
);
</script>

<template>
  <div v-if="draft.loaded" class="pages" :class="{ narrow: isNarrow }">
    <Segments
      v-if="isNarrow"
      v-model:value="pane"
      class="chooser"
      :aria-label="$t('layout.panes')"
      :options="panes.map((each) => ({ value: each, label: $t(`layout.pane.${each}`) }))"
    />
    <template v-if="isNarrow">
      <PagesOutline v-if="pane === 'outline'" :selected="place" />
      <IndexSheet v-else-if="pane === 'sheet' && indexOf" :key="place.type" :type="indexOf.definition" />
      <HeadSheet v-else-if="pane === 'sheet' && headOf" :key="place.type" :of="headOf" />
      <LookSheet
        v-else-if="pane === 'sheet' && lookOf"
        :key="place.definition"
        :look="lookOf.definition"
        @removed="choose({ type: '', use: 'page', definition: own('', 'page') })"
      />
      <LayoutSheet
        v-else-if="pane === 'sheet'"
        :place="place"
        :of="open"
        @made="choose({ ...place, definition: $event })"
        @removed="choose({ ...place, definition: '' })"
      />
      <LayoutView v-else :type="place.type" :use="place.use" :of="indexOf ?? headOf ?? lookOf ?? open" />
    </template>
    <SplitPanes v-else name="pages" side="first" :label="$t('layout.outlineWidth')" :start="224" :min="180" :max="400">
      <template #first><PagesOutline class="scrolls" :selected="place" /></template>
      <template #second>
        <SplitPanes name="page" side="second" :label="$t('layout.viewWidth')" :start="560" :min="320" :max="1000">
          <template #first>
            <IndexSheet v-if="indexOf" :key="place.type" class="scrolls" :type="indexOf.definition" />
            <HeadSheet v-else-if="headOf" :key="place.type" class="scrolls" :of="headOf" />
            <LookSheet
              v-else-if="lookOf"
              :key="place.definition"
              class="scrolls"
              :look="lookOf.definition"
              @removed="choose({ type: '', use: 'page', definition: own('', 'page') })"
            />
            <LayoutSheet
              v-else
              class="scrolls"
              :place="place"
              :of="open"
              @made="choose({ ...place, definition: $event })"
              @removed="choose({ ...place, definition: '' })"
            />
          </template>
          <template #second>
            <section class="scrolls" :aria-label="$t('layout.view.title')">
              <LayoutView :type="place.type" :use="place.use" :of="indexOf ?? headOf ?? lookOf ?? open" />
            </section>
          </template>
        </SplitPanes>
      </template>
    </SplitPanes>
  </div>
</template>

<style scoped>
.pages {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.scrolls {
  height: 100%;
  overflow-y: auto;
}
.chooser {
  padding: 8px 12px;
}
</style>
