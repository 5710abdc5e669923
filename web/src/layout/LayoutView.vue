<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useWorkspace } from '@/frame/workspace';
import { useDraft } from '@/model/draft';
import Problems from '@/shared/Problems.vue';
import PageFrame from '@/shared/PageFrame.vue';
import SearchResult from '@/shared/SearchResult.vue';
import { useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import type { Defined } from '@/shared/definitions';
import type { PlaceUse } from './blocks';
import { pageLook } from './queries';

/** The real page, of a record of a site, by the layout as it is typed; another record shows where a layout breaks. */
const props = defineProps<{
  /** Id of the type or taxonomy; empty for the home page. */
  type: string;
  use: PlaceUse;
  /** The layout or part, or the type whose index it is, as it stands here, which the server may not have yet. */
  of: Defined | undefined;
}>();
const { t } = useI18n();
const draft = useDraft();
const workspace = useWorkspace();
const picks = ['next', 'fullest', 'emptiest', 'longest'] as const;
const chosen = useLocalStorage('jontrel.pages.site', '');
const site = computed(() =>
  chosen.value === '-' || workspace.sites.some((each) => each.path === chosen.value)
    ? chosen.value
    : (workspace.sites.at(-1)?.path ?? '-'),
);
const drafts = useLocalStorage('jontrel.pages.drafts', false);
const record = ref<number>();
const pick = ref<(typeof picks)[number]>();

/** Which page a look is seen around: the home page, or one of a type, as its id and use. */
const around = ref('');
const pages = computed(() => [
  { value: '', label: t('layout.home') },
  ...draft.types.flatMap((each) => [
    { value: `${each.id} index`, label: t('layout.look.indexOf', { name: each.plural }) },
    { value: `${each.id} page`, label: t('layout.look.pageOf', { name: each.singular }) },
  ]),
]);
const shown = computed<{ type: string; use: PlaceUse }>(() => {
  if (props.use !== 'look') {
    return { type: props.type, use: props.use === 'head' ? 'page' : props.use };
  }
  const [type, use] = around.value.split(' ');
  return { type: type ?? '', use: use === 'index' ? 'index' : 'page' };
});

watch([() => props.type, () => shown.value.type, site], () => {
  record.value = undefined;
  pick.value = undefined;
});

const body = computed(() => ({
  ...shown.value,
  drafts: drafts.value,
  ...(site.value === '-' ? {} : { site: site.value }),
  ...(record.value === undefined ? {} : { record: record.value }),
  ...(pick.value === undefined ? {} : { pick: pick.value }),
  ...(props.of ? { sort: props.of.sort, definition: props.of.definition } : {}),
}));
const { data: look, problem } = useResource(() => pageLook(draft.workspace, body.value, draft.revision), {
  keepsLast: true,
  staleTime: Infinity,
  gcTime: 0,
});
/** Which record was picked is known with the answer: from then on it stays that one. */
watch(look, (now) => {
  if (pick.value !== undefined && now && now.record !== undefined) {
    record.value = now.record;
    pick.value = undefined;
  }
});
</script>

<template>
  <div class="view">
    <div class="row wrap">
      <Choice
        class="site"
        :aria-label="$t('layout.view.site')"
        :value="site"
        :options="[
          ...workspace.sites.map((each) => ({ value: each.path, label: each.name })),
          { value: '-', label: $t('layout.view.samples') },
        ]"
        @update:value="chosen = $event"
      />
      <Choice
        v-if="use === 'look'"
        class="site"
        filterable
        :aria-label="$t('layout.look.around')"
        :value="around"
        :options="pages"
        @update:value="around = $event"
      />
      <Check v-if="site !== '-'" v-model:checked="drafts">{{ $t('layout.view.drafts') }}</Check>
    </div>
    <div
      v-if="shown.type && shown.use !== 'index' && site !== '-'"
      class="row wrap"
      role="group"
      :aria-label="$t('layout.view.record')"
    >
      <span class="muted">{{ $t('layout.view.record') }}</span>
      <NButton v-for="each in picks" :key="each" size="tiny" @click="pick = each">{{
        $t(`layout.view.${each}`)
      }}</NButton>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <template v-if="look">
      <p class="hint about">
        <strong dir="auto">{{ look.title }}</strong>
        {{ look.sample && shown.type ? $t('layout.view.sample') : look.why }}
      </p>
      <p v-if="look.absent.length" class="hint about">
        {{ $t('layout.view.absent', { fields: look.absent.join(', ') }) }}
      </p>
      <template v-if="use === 'head' && look.head">
        <SearchResult :title="look.head.title" :description="look.head.description" :hidden="look.head.hidden" />
        <pre v-if="look.head.linked" class="mono linked panel" tabindex="0">{{ look.head.linked }}</pre>
      </template>
      <PageFrame v-else class="look" :title="$t('layout.view.of', { title: look.title })" :html="look.page" />
    </template>
  </div>
</template>

<style scoped>
.view {
  display: flex;
  flex-direction: column;
  gap: 8px;
  height: 100%;
  padding: 12px;
}
.wrap {
  flex-wrap: wrap;
}
.site {
  max-width: 200px;
}
.about {
  margin: 0;
}
.look {
  flex: 1;
}
.linked {
  margin: 0;
  padding: 12px;
  overflow: auto;
}
</style>
