<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, defineAsyncComponent, nextTick, onUnmounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import IconAlert from '~icons/tabler/alert-triangle';
import IconExchange from '~icons/tabler/arrows-exchange';
import IconHistory from '~icons/tabler/history';
import IconMap from '~icons/tabler/sitemap';
import IconSheet from '~icons/tabler/file-description';
import { idOf } from '@/shared/definitions';
import ExchangePage from './ExchangePage.vue';
import FindingsPage from './FindingsPage.vue';
import HistoryPage from './HistoryPage.vue';
import Outline from './Outline.vue';
import Proof from './Proof.vue';
import Sheet from './Sheet.vue';
import { useDraft } from './draft';
import { usePresence } from './presence';

const MapPage = defineAsyncComponent(() => import('./MapPage.vue'));
const route = useRoute();
const router = useRouter();
const draft = useDraft();
const presence = usePresence();

/** Below 900 pixels one pane is shown at a time. */
const panes = ['outline', 'sheet', 'proof'] as const;
const pane = ref<(typeof panes)[number]>('sheet');
const views = [
  { name: 'model', icon: IconSheet },
  { name: 'map', icon: IconMap },
  { name: 'findings', icon: IconAlert },
  { name: 'history', icon: IconHistory },
  { name: 'exchange', icon: IconExchange },
] as const;
const view = computed(() => views.find((each) => each.name === route.name)?.name ?? 'model');
const open = computed(() => draft.find(String(route.params.type)));
const blockers = computed(() => draft.findings.filter((finding) => finding.severity !== 'note').length);
const last = ref<string>();

watch(
  [() => draft.loaded, view, () => open.value === undefined, () => draft.definitions[0]],
  () => {
    const first =
      draft.definitions.find((each) => idOf(each) === last.value) ??
      draft.definitions.find((each) => each.sort === 'type') ??
      draft.definitions[0];
    if (draft.loaded && view.value === 'model' && !open.value && first) {
      void router.replace({ name: 'model', params: { ...route.params, type: idOf(first) } });
    }
  },
  { immediate: true },
);

watch(
  () => (open.value ? idOf(open.value) : ''),
  (id) => {
    last.value = id || last.value;
    presence.look(id);
    pane.value = 'sheet';
  },
  { immediate: true },
);
/** A link to a field or term leads to its row. */
watch(
  [() => route.hash, () => (open.value ? idOf(open.value) : ''), () => draft.loaded],
  async () => {
    const id = route.hash.slice(1);
    if (/^[a-z][a-z0-9]{2,19}$/.test(id)) {
      await nextTick();
      const row = document.querySelector<HTMLElement>(
        `[data-row="${id}"] [data-column="label"], [data-term="${id}"] input`,
      );
      row?.scrollIntoView({ block: 'center' });
      row?.focus();
    }
  },
  { immediate: true, flush: 'post' },
);
onUnmounted(() => {
  presence.leave();
});

useEventListener(window, 'focus', () => void draft.refresh().catch(() => undefined));
useEventListener(window, 'beforeunload', (event) => {
  if (draft.state !== 'saved') {
    void draft.flush();
    event.preventDefault();
  }
});
</script>

<template>
  <div class="panes" :class="{ wide: view !== 'model' }" :data-pane="pane">
    <div class="chooser" role="group" :aria-label="$t('model.panes')">
      <button v-for="each in panes" :key="each" type="button" :aria-pressed="pane === each" @click="pane = each">
        {{ $t(`model.pane.${each}`) }}
      </button>
    </div>
    <div class="outline">
      <nav class="views" :aria-label="$t('model.views.title')">
        <RouterLink
          v-for="each in views"
          :key="each.name"
          :to="{
            name: each.name,
            params: {
              workspace: String(route.params.workspace),
              ...(each.name === 'model' && last ? { type: last } : {}),
            },
          }"
          :class="{ active: view === each.name }"
          :aria-current="view === each.name ? 'page' : undefined"
          :title="$t(`model.views.${each.name}`)"
        >
          <component :is="each.icon" aria-hidden="true" /><span>{{ $t(`model.views.${each.name}`) }}</span>
          <span v-if="each.name === 'findings' && blockers" class="number">{{ blockers }}</span>
        </RouterLink>
      </nav>
      <Outline :selected="open ? idOf(open) : undefined" />
    </div>
    <section class="sheet" :aria-label="$t(`model.views.${view}`)">
      <MapPage v-if="view === 'map'" />
      <FindingsPage v-else-if="view === 'findings'" />
      <HistoryPage v-else-if="view === 'history'" />
      <ExchangePage v-else-if="view === 'exchange'" />
      <Sheet v-else-if="open" :key="idOf(open)" :of="open" />
      <div v-else-if="draft.loaded" class="empty">
        <p>{{ draft.definitions.length ? $t('model.pick') : $t('model.emptyTitle') }}</p>
      </div>
    </section>
    <Proof v-if="view === 'model' && open" class="proof" :of="open" />
  </div>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-columns: 224px minmax(0, 1fr) 356px;
  height: 100%;
}
.panes.wide {
  grid-template-columns: 224px minmax(0, 1fr);
}
@media (min-width: 1600px) {
  .panes {
    grid-template-columns: 272px minmax(0, 1fr) 520px;
  }
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
.views {
  display: flex;
  justify-content: space-between;
  border-bottom: 1px solid var(--line);
}
.views a {
  display: flex;
  flex: 1;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  position: relative;
  padding: 6px 2px 4px;
  font-size: 11px;
  line-height: 14px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 2px solid transparent;
}
.views a.active {
  color: var(--petrol);
  border-bottom-color: var(--petrol);
}
.number {
  position: absolute;
  top: 2px;
  right: 4px;
  color: var(--rust);
  font-weight: 650;
}
.chooser {
  display: none;
}
@media (max-width: 900px) {
  .panes,
  .panes.wide {
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
