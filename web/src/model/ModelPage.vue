<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import Outline from './Outline.vue';
import Proof from './Proof.vue';
import Sheet from './Sheet.vue';
import { useDraft } from './draft';

const route = useRoute();
const router = useRouter();
const draft = useDraft();

/** Below 900 pixels one pane is shown at a time. */
const panes = ['outline', 'sheet', 'proof'] as const;
const pane = ref<(typeof panes)[number]>('sheet');
const type = computed(() => draft.types.find((each) => each.id === route.params.type));

watch(
  () => [draft.loaded, type.value, draft.types[0]?.id],
  () => {
    const first = draft.types[0]?.id;
    if (draft.loaded && !type.value && first) {
      void router.replace({ params: { ...route.params, type: first } });
    }
  },
  { immediate: true },
);

useEventListener(window, 'focus', () => void draft.refresh().catch(() => undefined));
useEventListener(window, 'beforeunload', (event) => {
  if (draft.state !== 'saved') {
    void draft.flush();
    event.preventDefault();
  }
});
</script>

<template>
  <div class="panes" :data-pane="pane">
    <div class="chooser" role="group" :aria-label="$t('model.panes')">
      <button v-for="each in panes" :key="each" type="button" :aria-pressed="pane === each" @click="pane = each">
        {{ $t(`model.pane.${each}`) }}
      </button>
    </div>
    <Outline class="outline" :selected="type?.id" />
    <section class="sheet" :aria-label="type?.singular">
      <Sheet v-if="type" :key="type.id" :type="type" />
      <div v-else-if="draft.loaded" class="empty">
        <p>{{ draft.types.length ? $t('model.pick') : $t('model.emptyTitle') }}</p>
      </div>
    </section>
    <Proof v-if="type" :key="type.id" class="proof" :type="type" />
  </div>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-columns: 212px minmax(0, 1fr) 356px;
  height: 100%;
}
.outline,
.proof {
  overflow: auto;
  background: var(--surface);
}
.outline {
  border-right: 1px solid var(--line);
}
.proof {
  border-left: 1px solid var(--line);
}
.sheet {
  overflow: auto;
  padding: 16px;
  min-width: 0;
}
.chooser {
  display: none;
}
@media (max-width: 900px) {
  .panes {
    grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  }
  .chooser {
    display: flex;
    border-bottom: 1px solid var(--line);
  }
  .chooser button {
    flex: 1;
    padding: 8px;
    font: inherit;
    color: var(--ink);
    background: none;
    border: 0;
    border-bottom: 2px solid transparent;
    cursor: pointer;
  }
  .chooser button[aria-pressed='true'] {
    border-bottom-color: var(--petrol);
    color: var(--petrol);
    font-weight: 650;
  }
  .outline,
  .sheet,
  .proof {
    display: none;
    border: 0;
  }
  [data-pane='outline'] .outline,
  [data-pane='sheet'] .sheet,
  [data-pane='proof'] .proof {
    display: block;
  }
}
</style>
