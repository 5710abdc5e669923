<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui';
import { useEventListener, useTimeoutFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute, useRouter } from 'vue-router';
import IconUndo from '~icons/tabler/arrow-back-up';
import IconRedo from '~icons/tabler/arrow-forward-up';
import IconDown from '~icons/tabler/chevron-down';
import IconHelp from '~icons/tabler/help';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import { notice } from '@/shared/notice';
import { useTheme } from '@/theme/useTheme';
import IconSearch from '~icons/tabler/search';
import Finder from './Finder.vue';
import KeySheet from './KeySheet.vue';
import SiteStrip from './SiteStrip.vue';
import { useWorkspace } from './workspace';
import { mayPass, sentenceOf } from '@/shared/api/client';

const { t } = useI18n();
const route = useRoute();
const router = useRouter();
const session = useSession();
const workspace = useWorkspace();
const draft = useDraft();
const { isDark, toggle } = useTheme();

const finding = ref(false);
const keys = ref(false);
const open = computed(() => (typeof route.params.workspace === 'string' ? route.params.workspace : ''));
const areas = computed(() => [
  {
    name: 'model',
    label: t('frame.model'),
    active: ['model', 'map', 'findings', 'history', 'exchange', 'workbook'].includes(String(route.name)),
  },
  { name: 'pages', label: t('layout.area'), active: route.name === 'pages' },
  {
    name: 'records',
    label: t('frame.records'),
    active: ['records', 'record-list', 'record', 'import'].includes(String(route.name)),
  },
  { name: 'releases', label: t('frame.releases'), active: route.name === 'releases' },
  { name: 'sites', label: t('frame.sites'), active: ['sites', 'plan', 'run', 'held'].includes(String(route.name)) },
]);

/** Why the workspace could not be opened; it is tried again by itself where that may help. */
const problem = ref('');
const AGAIN_AFTER = 3_000;
const { start: tryLater, stop: tryNoMore } = useTimeoutFn(() => void enter(open.value), AGAIN_AFTER, {
  immediate: false,
});

async function enter(path: string): Promise<void> {
  tryNoMore();
  if (!path) {
    return;
  }
  try {
    await load(path);
    problem.value = '';
  } catch (thrown) {
    if (path === open.value) {
      problem.value = sentenceOf(thrown);
      if (mayPass(thrown)) {
        tryLater();
      }
    }
  }
}

async function load(path: string): Promise<void> {
  if (!workspace.all.some((each) => each.path === path)) {
    await workspace.loadAll();
  }
  if (workspace.all.some((each) => each.path === path)) {
    await Promise.all([workspace.open(path), draft.open(path)]);
  } else {
    await router.replace({ name: 'missing', params: { rest: ['missing'] } });
  }
}

watch(
  open,
  (path) => {
    problem.value = '';
    void enter(path);
  },
  { immediate: true },
);

async function leave(): Promise<void> {
  await draft.flush();
  await session.signOut();
  await router.push({ name: 'sign-in' });
}

function change(path: string): void {
  void router.push(
    path === '+' ? { name: 'start', query: { new: '' } } : { name: 'model', params: { workspace: path } },
  );
}

const title = computed(() => workspace.current?.title ?? '');
const workspaces = computed(() => [
  ...workspace.all.map((each) => ({ key: each.path, label: each.title })),
  ...(session.isArchitect
    ? [
        { type: 'divider', key: 'line' },
        { key: '+', label: t('frame.newWorkspace') },
      ]
    : []),
]);
const account = computed(() => [
  {
    key: 'own',
    label: t('frame.signedInAs', { name: session.name, role: t(`session.roles.${session.role ?? 'viewer'}`) }),
  },
  ...(session.isArchitect ? [{ key: 'accounts', label: t('session.accounts') }] : []),
  { type: 'divider', key: 'line' },
  { key: 'theme', label: t(isDark.value ? 'frame.light' : 'frame.dark') },
  ...(open.value ? [{ key: 'keys', label: t('keys.title') }] : []),
  { type: 'divider', key: 'second' },
  { key: 'out', label: t('session.signOut') },
]);

function act(key: string): void {
  const acts: Record<string, () => unknown> = {
    own: () => router.push('/account'),
    accounts: () => router.push('/accounts'),
    theme: () => {
      toggle();
    },
    keys: () => (keys.value = true),
    out: leave,
  };
  acts[key]?.();
}

function onKey(event: KeyboardEvent): void {
  const target = event.target instanceof HTMLElement ? event.target : undefined;
  const typing = target !== undefined && (/INPUT|TEXTAREA|SELECT/.test(target.tagName) || target.isContentEditable);
  const ctrl = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (!open.value) {
    return;
  }
  if (ctrl && key === 'k') {
    event.preventDefault();
    finding.value = true;
  } else if (event.key === '?' && !typing) {
    event.preventDefault();
    keys.value = true;
  } else if (ctrl && key === 'z' && !typing && session.isArchitect) {
    event.preventDefault();
    void (event.shiftKey ? draft.redo() : draft.undo());
  }
}
useEventListener(window, 'keydown', onKey);

function dismiss(): void {
  notice.value = '';
}
watch(() => route.fullPath, dismiss);
</script>

<template>
  <div class="frame">
    <a class="skip" href="#content">{{ $t('frame.skip') }}</a>
    <header class="bar">
      <RouterLink to="/" class="mark" :aria-label="$t('frame.start')"
        ><img src="/mark.svg" alt="" width="24" height="24"
      /></RouterLink>
      <NDropdown v-if="open" trigger="click" placement="bottom-start" :options="workspaces" @select="change">
        <NButton
          quaternary
          class="chooser"
          :aria-label="$t('frame.workspaceOf', { title: title })"
          aria-haspopup="menu"
        >
          <strong>{{ title }}</strong><IconDown class="down" aria-hidden="true" />
        </NButton>
      </NDropdown>
      <strong v-else>Jontrel</strong>
      <nav v-if="open" class="areas" :aria-label="$t('frame.areas')">
        <RouterLink
          v-for="area in areas"
          :key="area.name"
          :to="{ name: area.name, params: { workspace: open } }"
          :class="{ active: area.active }"
          :aria-current="area.active ? 'page' : undefined"
          >{{ area.label }}</RouterLink
        >
      </nav>
      <span class="grow" />
      <NButton v-if="open" class="find" :aria-label="$t('finder.title')" @click="finding = true">
        <span class="words"><IconSearch aria-hidden="true" />{{ $t('frame.find') }}</span
        ><kbd aria-hidden="true">Ctrl K</kbd>
      </NButton>
      <template v-if="open && session.isArchitect">
        <NButton
          quaternary
          size="small"
          :disabled="!draft.undoTitle"
          :title="draft.undoTitle ? $t('frame.undoOf', { title: draft.undoTitle }) : $t('frame.undo')"
          :aria-label="$t('frame.undo')"
          @click="draft.undo()"
          ><IconUndo
        /></NButton>
        <NButton
          quaternary
          size="small"
          :disabled="!draft.redoTitle"
          :title="draft.redoTitle ? $t('frame.redoOf', { title: draft.redoTitle }) : $t('frame.redo')"
          :aria-label="$t('frame.redo')"
          @click="draft.redo()"
          ><IconRedo
        /></NButton>
      </template>
      <RouterLink class="help" to="/help" :title="$t('frame.help')" :aria-label="$t('frame.help')"
        ><IconHelp aria-hidden="true"
      /></RouterLink>
      <NDropdown trigger="click" placement="bottom-end" :options="account" @select="act">
        <NButton
          circle
          secondary
          class="who"
          aria-haspopup="menu"
          :aria-label="$t('frame.accountOf', { name: session.name })"
          >{{ session.name.slice(0, 2) }}</NButton
        >
      </NDropdown>
    </header>
    <SiteStrip v-if="open" />
    <div v-if="notice" class="row notice" role="alert">
      <span class="grow">{{ notice }}</span>
      <NButton size="small" @click="dismiss">{{ $t('frame.close') }}</NButton>
    </div>
    <div v-if="problem" class="row notice" role="alert">
      <span class="grow">{{ problem }}</span>
      <NButton size="small" @click="enter(open)">{{ $t('frame.again') }}</NButton>
    </div>
    <Finder v-model="finding" />
    <KeySheet v-model="keys" />
    <main id="content" class="content" tabindex="0"><RouterView :key="open" /></main>
  </div>
</template>

<style scoped>
.frame {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.bar {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 0 16px;
  background: var(--surface);
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
.notice {
  padding: 6px 16px;
  color: var(--rust);
  background: var(--surface);
  border-bottom: 1px solid var(--rust);
}
.mark {
  display: flex;
}
.chooser {
  max-width: 220px;
  padding: 0 8px;
  font-size: 15px;
}
.chooser strong {
  overflow: hidden;
  text-overflow: ellipsis;
}
.down {
  margin-inline-start: 4px;
}
.find {
  width: 210px;
  min-width: 40px;
  background: var(--ground);
}
.find :deep(.n-button__content) {
  display: flex;
  flex: 1;
  justify-content: space-between;
  overflow: hidden;
  color: var(--muted);
}
.find .words {
  display: flex;
  gap: 6px;
  align-items: center;
  overflow: hidden;
  text-overflow: ellipsis;
}
.find kbd {
  font-family: 'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace;
  font-size: 12px;
}
.help {
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  font-size: 18px;
  color: var(--ink);
}
@media (max-width: 1000px) {
  .find {
    width: 40px;
    padding: 0 10px;
  }
  .find kbd {
    display: none;
  }
}
@media (max-width: 700px) {
  .bar {
    flex-wrap: wrap;
    gap: 4px;
    padding: 4px 8px;
  }
  .areas {
    order: 1;
    flex-basis: 100%;
    overflow-x: auto;
  }
}
.areas {
  display: flex;
  align-self: stretch;
  min-height: 47px;
  gap: 16px;
  margin-left: 8px;
}
.areas a {
  display: flex;
  align-items: center;
  padding: 2px 2px 0;
  font-weight: 500;
  color: var(--muted);
  text-decoration: none;
  border-bottom: 2px solid transparent;
}
.areas a.active {
  border-bottom-color: var(--petrol);
  color: var(--ink);
  font-weight: 650;
}
.grow {
  flex: 1;
}
.who {
  font-weight: 650;
  color: var(--petrol);
}
.content {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: auto;
}
.content:focus-visible {
  outline-offset: -2px;
}
.skip {
  position: absolute;
  left: -100vw;
}
.skip:focus {
  left: 16px;
  top: 8px;
  z-index: 10;
  background: var(--surface);
  padding: 8px;
}
</style>
