<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import Outline from './Outline.vue';
import Proof from './Proof.vue';
import Sheet from './Sheet.vue';
import { useDraft } from './draft';

const route = useRoute();
const router = useRouter();
const draft = useDraft();

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
  <div class="panes">
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
@media (max-width: 900px) {
  .panes {
    display: block;
    overflow: auto;
  }
  .proof {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
