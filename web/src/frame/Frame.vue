<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute, useRouter } from 'vue-router';
import IconUndo from '~icons/tabler/arrow-back-up';
import IconRedo from '~icons/tabler/arrow-forward-up';
import IconMoon from '~icons/tabler/moon';
import IconSun from '~icons/tabler/sun';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import { notice } from '@/shared/notice';
import { useTheme } from '@/theme/useTheme';
import IconKeyboard from '~icons/tabler/keyboard';
import IconSearch from '~icons/tabler/search';
import Finder from './Finder.vue';
import KeySheet from './KeySheet.vue';
import SiteStrip from './SiteStrip.vue';
import { useWorkspace } from './workspace';

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
    active: ['model', 'map', 'findings', 'history', 'exchange'].includes(String(route.name)),
  },
  {
    name: 'records',
    label: t('frame.records'),
    active: ['records', 'record-list', 'record'].includes(String(route.name)),
  },
  { name: 'releases', label: t('frame.releases'), active: route.name === 'releases' },
  { name: 'sites', label: t('frame.sites'), active: ['sites', 'plan', 'run', 'held'].includes(String(route.name)) },
]);

watch(
  open,
  async (path) => {
    if (!path) {
      return;
    }
    if (!workspace.all.some((each) => each.path === path)) {
      await workspace.loadAll();
    }
    if (workspace.all.some((each) => each.path === path)) {
      await Promise.all([workspace.open(path), draft.open(path)]);
    } else {
      await router.replace({ name: 'missing', params: { rest: ['missing'] } });
    }
  },
  { immediate: true },
);

async function leave(): Promise<void> {
  await draft.flush();
  await session.signOut();
  await router.push({ name: 'sign-in' });
}

function change(event: Event): void {
  const path = (event.target as HTMLSelectElement).value;
  void router.push(
    path === '+' ? { name: 'start', query: { new: '' } } : { name: 'model', params: { workspace: path } },
  );
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
      <RouterLink to="/" class="row mark"
        ><img src="/mark.svg" alt="" width="24" height="24" /><strong>Jontrel</strong></RouterLink
      >
      <select v-if="open" class="input chooser" :value="open" :aria-label="$t('frame.workspace')" @change="change">
        <option v-for="each in workspace.all" :key="each.path" :value="each.path">{{ each.title }}</option>
        <option v-if="session.isArchitect" value="+">{{ $t('frame.newWorkspace') }}</option>
      </select>
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
      <template v-if="open && session.isArchitect">
        <NButton
          quaternary
          size="small"
          :disabled="!draft.undoTitle"
          :title="draft.undoTitle ? $t('frame.undoOf', { title: draft.undoTitle }) : undefined"
          :aria-label="$t('frame.undo')"
          @click="draft.undo()"
          ><IconUndo
        /></NButton>
        <NButton
          quaternary
          size="small"
          :disabled="!draft.redoTitle"
          :title="draft.redoTitle ? $t('frame.redoOf', { title: draft.redoTitle }) : undefined"
          :aria-label="$t('frame.redo')"
          @click="draft.redo()"
          ><IconRedo
        /></NButton>
      </template>
      <template v-if="open">
        <NButton
          quaternary
          size="small"
          :title="$t('finder.title')"
          :aria-label="$t('finder.title')"
          @click="finding = true"
          ><IconSearch
        /></NButton>
        <NButton quaternary size="small" :title="$t('keys.title')" :aria-label="$t('keys.title')" @click="keys = true"
          ><IconKeyboard
        /></NButton>
      </template>
      <NButton quaternary size="small" :aria-label="isDark ? $t('frame.light') : $t('frame.dark')" @click="toggle()">
        <IconSun v-if="isDark" /><IconMoon v-else />
      </NButton>
      <RouterLink class="quiet" to="/help">{{ $t('frame.help') }}</RouterLink>
      <RouterLink v-if="session.isArchitect" class="quiet" to="/accounts">{{ $t('session.accounts') }}</RouterLink>
      <RouterLink class="quiet who" to="/account">{{ session.name }}, {{ session.role }}</RouterLink>
      <NButton size="small" @click="leave">{{ $t('session.signOut') }}</NButton>
    </header>
    <SiteStrip v-if="open" />
    <div v-if="notice" class="row notice" role="alert">
      <span class="grow">{{ notice }}</span>
      <NButton size="small" @click="dismiss">{{ $t('frame.close') }}</NButton>
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
  gap: 12px;
  flex-wrap: wrap;
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
  color: var(--ink);
  text-decoration: none;
}
.chooser {
  width: 190px;
}
.areas {
  display: flex;
  align-self: stretch;
  min-height: 47px;
  gap: 4px;
  margin-left: 8px;
}
.areas a {
  display: flex;
  align-items: center;
  padding: 0 10px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 2px solid transparent;
}
.areas a.active {
  border-bottom-color: var(--petrol);
  color: var(--petrol);
  font-weight: 650;
}
.grow {
  flex: 1;
}
.quiet {
  text-decoration: none;
}
.who {
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.content {
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
