<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import ConditionEditor from '@/model/ConditionEditor.vue';
import SaveState from '@/model/SaveState.vue';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import ControlSet from '@/shared/controls/ControlSet.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { nameOf, ownGroupsOf, type Defined } from '@/shared/definitions';
import BlockTree from './BlockTree.vue';
import { blockOfWay, blockTree, setting, type Block, type Use } from './blocks';
import type { Place } from './place';
import { derivedOf } from './queries';
import { useWays } from './useWays';

/** The blocks of a layout or part; those of a derived one are shown, and become one's own on request. */
const props = defineProps<{ place: Place; of: Extract<Defined, { sort: 'layout' | 'part' }> | undefined }>();
const emit = defineEmits<{ made: [string]; removed: [] }>();
const draft = useDraft();
const session = useSession();
const problem = ref('');
const busy = ref(false);
const isDerived = computed(() => !props.of);
/** Also while another layout is being made: what was typed then would go into this one. */
const locked = computed(() => !session.isArchitect || isDerived.value || busy.value);
const { data: derived } = useResource(
  () => derivedOf(draft.workspace, props.place.type, props.place.use as Use, draft.revision),
  {
    keepsLast: true,
    enabled: () => isDerived.value && props.place.type !== '' && !['index', 'head'].includes(props.place.use),
  },
);
const nothing: Block[] = [];
const blocks = computed(() =>
  props.of ? (props.of.definition.blocks ?? nothing) : (derived.value?.blocks ?? nothing),
);
const ways = useWays(
  () => props.place.type,
  () => blocks.value,
);
const holder = computed(() => draft.find(props.place.type));
const groups = computed(() => (holder.value ? ownGroupsOf(holder.value) : []));
const findings = computed(() => draft.findings.filter((finding) => finding.definition === props.of?.definition.id));
const where = computed(() => (props.of?.sort === 'layout' ? props.of.definition.where : undefined));

/** What visitors never see, where no block shows everything else. */
const unseen = computed(() => {
  const rows = blockTree.rows(blocks.value).map((row) => row.of);
  const open = rows.some((block) => block.block === 'everything_else' || block.block === 'part');
  const shown = new Set(
    rows.flatMap((block) => {
      const path = setting(block, 'field');
      const inText = [...(block.block === 'text' ? block.text : '').matchAll(/\{([a-z0-9_]+)/g)].map((each) => each[1]);
      return [typeof path === 'string' ? path.split('.')[0] : setting(block, 'taxonomy'), ...inText];
    }),
  );
  const allTerms = rows.some((block) => block.block === 'terms' && !block.taxonomy);
  return open || props.of?.sort !== 'layout' || props.place.use !== 'page' || !props.place.type
    ? []
    : (ways.value.get('') ?? []).filter(
        (way) =>
          !way.path.includes('.') &&
          !way.path.startsWith('own_') &&
          !shown.has(way.path) &&
          way.block !== 'related' &&
          !(way.block === 'terms' && allTerms),
      );
});

function set(change: object): void {
  if (props.of) {
    draft.edit({ ...props.of, definition: { ...props.of.definition, ...change } });
  }
}

/** A double click makes one. */
async function once(work: () => Promise<void>): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problem.value = '';
  try {
    await work();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}

const makeOwn = (): Promise<void> =>
  once(async () => {
    if (!props.place.type) {
      emit('made', await draft.add('layout', 'Home page'));
      return;
    }
    let id = '';
    await draft.act(async () => {
      const made = await ask(
        api.POST('/api/workspaces/{workspace}/pages/own', {
          params: {
            path: draft.path,
            query: { type: props.place.type, use: props.place.use as Use, ...draft.since() },
          },
        }),
      );
      id = made.id;
      return made.draft;
    });
    emit('made', id);
  });

const letGo = (): Promise<void> =>
  once(async () => {
    await draft.remove(props.of?.definition.id ?? '');
    emit('removed');
  });
</script>

<template>
  <div class="sheet stack">
    <div class="row spread head">
      <h1 dir="auto">
        {{ of ? nameOf(of) : place.type ? $t(`layout.uses.${place.use}`) : $t('layout.home') }}
        <span v-if="holder" class="muted" dir="auto">{{ nameOf(holder) }}</span>
      </h1>
      <SaveState />
    </div>
    <p class="hint about">
      {{ $t(`layout.about.${of?.sort === 'part' ? 'part' : place.type ? place.use : 'home'}`) }}
    </p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <Problems :of="findings.filter((finding) => !finding.field)" />
    <div v-if="isDerived" class="panel row spread derived">
      <span>{{ place.type ? $t('layout.isDerived') : $t('layout.derivedHome') }}</span>
      <NButton v-if="session.isArchitect" type="primary" :disabled="busy" @click="makeOwn">{{
        $t(place.type ? 'layout.makeOwn' : 'layout.makeHome')
      }}</NButton>
    </div>
    <ControlSet :disabled="locked">
      <div v-if="of" class="panel stack names">
        <div>
          <label class="small" for="layout-title">{{ $t('layout.title') }}</label>
          <TypedInput id="layout-title" dir="auto" :value="of.definition.title" @typed="set({ title: $event })" />
        </div>
        <ConditionEditor
          v-if="of.sort === 'layout' && place.type"
          of-record
          of-page
          :condition="where"
          :groups="groups"
          :own="undefined"
          :title="$t('layout.where')"
          @change="set({ where: $event })"
        />
      </div>
      <div class="panel">
        <BlockTree
          :key="of?.definition.id ?? `${place.type}-${place.use}`"
          :blocks="blocks"
          :ways="ways"
          :groups="groups"
          :findings="findings"
          :locked="locked"
          @change="set({ blocks: $event.length ? $event : undefined })"
        />
        <div v-if="unseen.length" class="unseen">
          <h2>{{ $t('layout.unseen') }}</h2>
          <p class="hint">{{ $t('layout.unseenHint') }}</p>
          <NButton
            v-for="way in unseen"
            :key="way.path"
            size="small"
            dashed
            @click="set({ blocks: [...blocks, blockOfWay(way)] })"
            >{{ way.label }}</NButton
          >
        </div>
      </div>
      <div v-if="of" class="row last">
        <NButton
          v-if="of.sort === 'layout' && place.type"
          quaternary
          size="small"
          :disabled="!session.isArchitect || busy"
          @click="makeOwn"
          >{{ $t('layout.another') }}</NButton
        >
        <NButton quaternary size="small" :disabled="!session.isArchitect || busy" @click="letGo">{{
          of.sort === 'part' || !place.type ? $t('layout.removeBlock') : $t('layout.backToDerived')
        }}</NButton>
      </div>
    </ControlSet>
  </div>
</template>

<style scoped src="./sheet.css"></style>

<style scoped>
.derived {
  gap: 12px;
}
.unseen {
  margin-top: 12px;
  padding-top: 12px;
  border-top: 1px solid var(--line);
}
.unseen h2 {
  margin: 0;
  font-size: 13px;
}
.unseen .n-button {
  margin: 0 4px 4px 0;
}
.last {
  justify-content: end;
}
</style>
