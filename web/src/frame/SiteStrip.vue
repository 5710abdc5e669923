<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import { useDraft } from '@/model/draft';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import { useWorkspace } from './workspace';

const { t } = useI18n();
const draft = useDraft();
const workspace = useWorkspace();
const stateOfDraft = computed(() => t(`frame.draft.${draft.state}`));
useIntervalFn(() => {
  if (document.visibilityState === 'visible') {
    workspace.loadSites().catch(() => undefined);
  }
}, 10_000);

function tone(site: Schemas['SiteView']): 'bad' | 'draft' | 'safe' | 'plain' {
  if (site.state === 'interrupted' || site.drift > 0) {
    return 'bad';
  }
  return site.version === ''
    ? 'plain'
    : ['running', 'paused'].includes(site.state) || site.behind > 0
      ? 'draft'
      : 'safe';
}
</script>

<template>
  <nav class="strip" :aria-label="$t('frame.strip')">
    <RouterLink
      v-for="site in workspace.sites"
      :key="site.path"
      class="tile"
      :to="{ name: 'plan', params: { workspace: workspace.path, site: site.path } }"
    >
      <strong>{{ site.name }}</strong>
      <span class="mono muted">{{ site.version || $t('frame.nothing') }}</span>
      <Tag :tone="tone(site)">
        <template v-if="site.state === 'interrupted'">{{ $t('frame.interrupted') }}</template>
        <template v-else-if="site.drift > 0">{{ $t('plan.drift.tile', { n: site.drift }, site.drift) }}</template>
        <template v-else-if="site.state === 'paused'">{{ $t('site.states.paused') }}</template>
        <template v-else-if="site.state === 'running'">{{ $t('frame.running') }}</template>
        <template v-else-if="site.behind === 0">{{ $t('frame.upToDate') }}</template>
        <template v-else>{{ $t('frame.behind', { n: site.behind }, site.behind) }}</template>
      </Tag>
    </RouterLink>
    <RouterLink
      v-if="workspace.known && workspace.sites.length === 0"
      class="tile"
      :to="{ name: 'sites', params: { workspace: workspace.path } }"
    >
      <span class="muted">{{ $t('frame.noSites') }}</span> {{ $t('frame.addSite') }}
    </RouterLink>
    <span v-if="draft.loaded" class="draft muted" role="status">{{ stateOfDraft }}</span>
  </nav>
</template>

<style scoped>
.draft {
  margin-inline-start: auto;
  font-size: 13px;
  white-space: nowrap;
}
.strip {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 6px 16px;
  overflow-x: auto;
  border-bottom: 1px solid var(--line);
  background: var(--ground);
}
.tile {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 10px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--surface);
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
}
.tile:hover,
.tile.router-link-active {
  border-color: var(--petrol);
}
</style>
