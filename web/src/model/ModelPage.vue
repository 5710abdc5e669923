<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core';
import { computed, defineAsyncComponent, nextTick, onUnmounted, ref, watch, useTemplateRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { idOf } from '@/shared/definitions';
import ExchangePage from './ExchangePage.vue';
import FindingsPage from './FindingsPage.vue';
import HistoryPage from './HistoryPage.vue';
import Outline from './Outline.vue';
import Proof from './Proof.vue';
import SettingExplanation from './SettingExplanation.vue';
import Sheet from './Sheet.vue';
import { useDraft } from './draft';
import { usePresence } from './presence';
import Segments from '@/shared/controls/Segments.vue';
import ShowPanes from './ShowPanes.vue';
import FirstSteps from './FirstSteps.vue';
import { useSession } from '@/session/session';

const MapPage = defineAsyncComponent(() => import('./MapPage.vue'));
const route = useRoute();
const router = useRouter();
const draft = useDraft();
const session = useSession();
const presence = usePresence();

/** Below 900 pixels one pane is shown at a time. */
const panes = ['outline', 'sheet', 'proof'] as const;
const pane = ref<string>('sheet');
const sheet = useTemplateRef<HTMLElement>('sheet');
const isNarrow = useMediaQuery('(max-width: 900px)');
const views = ['model', 'map', 'findings', 'history', 'exchange'] as const;
const view = computed(() => views.find((each) => each === route.name) ?? 'model');
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
    if (!route.hash) {
      requestAnimationFrame(() => sheet.value?.scrollTo({ top: 0 }));
    }
  },
  { immediate: true },
);
const rowOf = (id: string) =>
  document.querySelector<HTMLElement>(`[data-row="${id}"] [data-column="label"], [data-term="${id}"] input`);

/** The row of a field or term; of a definition that was just opened some come a frame later, unless somebody went elsewhere. */
async function row(id: string): Promise<HTMLElement | null> {
  await nextTick();
  const there = rowOf(id);
  if (there) {
    return there;
  }
  const focused = document.activeElement;
  await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
  await nextTick();
  return document.activeElement === focused ? rowOf(id) : null;
}

/** A link to a field or term leads to its row. */
watch(
  [() => route.hash, () => (open.value ? idOf(open.value) : ''), () => draft.loaded],
  async () => {
    const id = route.hash.slice(1);
    if (/^[a-z][a-z0-9]{2,19}$/.test(id)) {
      const found = await row(id);
      found?.scrollIntoView({ block: 'center' });
      found?.focus();
    }
  },
  { immediate: true, flush: 'post' },
);
onUnmounted(() => {
  presence.leave();
});

useEventListener(window, 'focus', () => void draft.comeBack().catch(() => undefined));
useEventListener(window, 'beforeunload', (event) => {
  if (draft.state !== 'saved') {
    void draft.flush();
    event.preventDefault();
  }
});
</script>

<template>
  <div class="model" :class="{ narrow: isNarrow }">
    <Segments
      v-if="isNarrow && view === 'model'"
      v-model:value="pane"
      class="chooser"
      :aria-label="$t('model.panes')"
      :options="panes.map((each) => ({ value: each, label: $t(`model.pane.${each}`) }))"
    />
    <ShowPanes :narrow="isNarrow" :pane="view === 'model' ? pane : 'sheet'" :with-proof="view === 'model' && !!open">
      <template #outline>
        <Outline class="outline" :selected="open ? idOf(open) : undefined" />
      </template>
      <template #sheet>
        <SettingExplanation :of="view === 'model' && open ? idOf(open) : undefined"
          ><section ref="sheet" class="sheet" :aria-label="$t(`model.views.${view}`)">
            <nav class="views" :aria-label="$t('model.views.title')">
              <RouterLink
                v-for="each in views"
                :key="each"
                :to="{
                  name: each,
                  params: {
                    workspace: String(route.params.workspace),
                    ...(each === 'model' && last ? { type: last } : {}),
                  },
                }"
                :class="{ active: view === each }"
                :aria-current="view === each ? 'page' : undefined"
              >
                {{ $t(`model.views.${each}`) }}
                <span v-if="each === 'findings' && blockers" class="number">{{ blockers }}</span>
              </RouterLink>
            </nav>
            <MapPage v-if="view === 'map'" />
            <FindingsPage v-else-if="view === 'findings'" />
            <HistoryPage v-else-if="view === 'history'" />
            <ExchangePage v-else-if="view === 'exchange'" />
            <Sheet v-else-if="open" :key="idOf(open)" :of="open" />
            <FirstSteps v-else-if="draft.loaded && !draft.definitions.length && session.isArchitect" />
            <div v-else-if="draft.loaded" class="empty">
              <p>{{ $t(draft.definitions.length ? 'model.pick' : 'model.empty') }}</p>
            </div>
          </section></SettingExplanation
        >
      </template>
      <template #proof><Proof v-if="open" class="proof" :of="open" /></template>
    </ShowPanes>
  </div>
</template>

<style scoped>
.model {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.chooser {
  padding: 8px;
}
.outline,
.proof {
  position: relative;
  height: 100%;
  overflow: auto;
  background: var(--surface);
}
.sheet {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 12px 20px 24px;
  min-width: 0;
}
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin-bottom: 12px;
}
.views a {
  color: var(--muted);
  text-decoration: none;
}
.views a.active {
  color: var(--ink);
  font-weight: 650;
}
.number {
  margin-inline-start: 4px;
  color: var(--rust);
  font-weight: 650;
}
</style>
