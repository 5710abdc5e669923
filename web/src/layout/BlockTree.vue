<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { useI18n } from 'vue-i18n';
import { useDraft } from '@/model/draft';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import type { Group } from '@/shared/kinds';
import BlockLine from './BlockLine.vue';
import BlockSettings from './BlockSettings.vue';
import type { DropSide } from '@/shared/tree';
import { blockTree, holds, setting, typedText, type Block, type Way } from './blocks';
import { insideOf, type WaysByBlock } from './useWays';

/** Blocks as an outline that is edited by keyboard; the settings of the one that is selected unfold in its place. */
const props = defineProps<{
  blocks: Block[];
  ways: WaysByBlock;
  groups: Group[];
  findings: FindingView[];
  locked: boolean;
}>();
const emit = defineEmits<{ change: [Block[]] }>();
const { t } = useI18n();
const draft = useDraft();
const selected = ref<string>();
const line = useTemplateRef<InstanceType<typeof BlockLine>>('line');
const rows = computed(() => blockTree.rows(props.blocks));
const none: Way[] = [];
/** What is added stands where the selected block stands, or within it where it holds others; nothing until that is known. */
const lineWays = computed(() => {
  const row = rows.value.find((each) => each.of.id === selected.value);
  const id = row?.of.id ?? '';
  return props.ways.get(row && holds(row.of) ? insideOf(id) : id);
});

function waysOf(block: Block): Way[] {
  // what was just added is not known yet: it stands where the layout itself does, or soon is
  return props.ways.get(block.id ?? '') ?? props.ways.get('') ?? none;
}

/** What a block shows, in a few words. */
function shows(block: Block): string {
  switch (block.block) {
    case 'field':
    case 'rows':
    case 'related':
      return waysOf(block).find((way) => way.path === block.field)?.label ?? block.field;
    case 'text':
      return typedText(block.text, waysOf(block));
    case 'terms':
      return waysOf(block).find((way) => way.path === block.taxonomy)?.label ?? t('layout.all');
    case 'listing':
      return draft.ofSort('listing').find((each) => each.id === block.listing)?.title ?? block.listing;
    case 'part':
      return draft.ofSort('part').find((each) => each.id === block.part)?.title ?? block.part;
    default:
      return block.label ?? '';
  }
}

/** What is said behind it: how it is displayed, and its own label. */
function details(block: Block): string {
  const as = setting(block, 'as');
  const own = block.block === 'section' || block.block === 'fold' ? undefined : block.label;
  return [
    typeof as === 'string' ? t(`layout.words.${as}`) : undefined,
    own === undefined ? undefined : `“${own}”`,
    block.labelled === false ? t('layout.unlabelled') : undefined,
  ]
    .filter(Boolean)
    .join(' · ');
}

async function focus(id: string | undefined): Promise<void> {
  selected.value = id;
  await nextTick();
  document.querySelector<HTMLElement>(`[data-block="${id ?? ''}"] .name`)?.focus();
}

async function add(block: Block): Promise<void> {
  const row = rows.value.find((each) => each.of.id === selected.value);
  emit(
    'change',
    row && holds(row.of) && row.of.id
      ? blockTree.addWithin(props.blocks, block, row.of.id)
      : blockTree.add(props.blocks, block, row?.of.id),
  );
  // the next one goes behind this one, but what holds others is filled first
  await nextTick();
  selected.value = row && holds(row.of) ? row.of.id : block.id;
}

async function remove(id: string): Promise<void> {
  const at = rows.value.findIndex((each) => each.of.id === id);
  const next = rows.value[at + 1]?.of.id ?? rows.value[at - 1]?.of.id;
  emit('change', blockTree.remove(props.blocks, id));
  await focus(next);
}

async function move(change: (all: Block[], id: string) => Block[], id: string): Promise<void> {
  emit('change', change(props.blocks, id));
  await focus(id);
}

/** The block that is being dragged, and where it would go. */
const dragged = ref<string>();
const target = ref<{ id: string; side: DropSide }>();
const EDGE = 0.3;

function onDragStart(event: DragEvent, id: string): void {
  dragged.value = id;
  event.dataTransfer?.setData('text/plain', id);
}

function onDragOver(event: DragEvent, block: Block): void {
  if (dragged.value === undefined) {
    return;
  }
  event.preventDefault();
  const { top, height } = (event.currentTarget as HTMLElement).getBoundingClientRect();
  const at = (event.clientY - top) / height;
  const edge = holds(block) ? EDGE : 0.5;
  target.value = { id: block.id ?? '', side: at < edge ? 'before' : at > 1 - edge ? 'after' : 'within' };
}

function onDrop(): void {
  const [id, to] = [dragged.value, target.value];
  onDragEnd();
  if (id !== undefined && to) {
    void move((all, one) => blockTree.drop(all, one, to.side, to.id), id);
  }
}

function onDragEnd(): void {
  dragged.value = undefined;
  target.value = undefined;
}

async function onKey(event: KeyboardEvent, id: string): Promise<void> {
  const at = rows.value.findIndex((each) => each.of.id === id);
  const acts: Record<string, () => unknown> = {
    ArrowUp: () => focus(rows.value[at - 1]?.of.id ?? id),
    ArrowDown: () => focus(rows.value[at + 1]?.of.id ?? id),
    'Alt+ArrowUp': () => move((all, one) => blockTree.move(all, one, -1), id),
    'Alt+ArrowDown': () => move((all, one) => blockTree.move(all, one, 1), id),
    'Alt+ArrowRight': () => move(blockTree.indent, id),
    'Alt+ArrowLeft': () => move(blockTree.outdent, id),
    Enter: () => {
      selected.value = id;
      line.value?.focus();
    },
    'Ctrl+Delete': () => remove(id),
  };
  const act = acts[(event.altKey ? 'Alt+' : '') + (event.ctrlKey ? 'Ctrl+' : '') + event.key];
  if (act && !(props.locked && !/^Arrow/.test(event.key))) {
    event.preventDefault();
    await act();
  }
}
</script>

<template>
  <div>
    <p v-if="!rows.length" class="hint">{{ $t('layout.noBlocks') }}</p>
    <ul class="blocks" :aria-label="$t('layout.blocks')">
      <li
        v-for="row in rows"
        :key="row.of.id"
        class="block"
        :class="[`in${Math.min(row.depth, 6)}`, { selected: selected === row.of.id }]"
        :data-block="row.of.id"
      >
        <div
          class="row head"
          :class="target?.id === row.of.id ? `drop-${target?.side}` : undefined"
          @dragover="onDragOver($event, row.of)"
          @drop.prevent="onDrop"
        >
          <NButton
            text
            class="name"
            :draggable="!locked"
            :aria-expanded="selected === row.of.id"
            @click="selected = selected === row.of.id ? undefined : row.of.id"
            @keydown="onKey($event, row.of.id ?? '')"
            @dragstart="onDragStart($event, row.of.id ?? '')"
            @dragend="onDragEnd"
          >
            <span class="kind">{{ $t(`layout.kinds.${row.of.block}`) }}</span>
            <span class="shows" dir="auto">{{ shows(row.of) }}</span>
            <span class="muted">{{ details(row.of) }}</span>
          </NButton>
        </div>
        <Problems :of="findings.filter((finding) => finding.field === row.of.id)" />
        <template v-if="selected === row.of.id">
          <BlockSettings
            :block="row.of"
            :ways="waysOf(row.of)"
            :groups="groups"
            @change="emit('change', blockTree.replace(blocks, $event))"
          />
          <div v-if="!locked" class="row acts">
            <NButton size="tiny" @click="move((all, id) => blockTree.move(all, id, -1), row.of.id ?? '')">{{
              $t('layout.up')
            }}</NButton>
            <NButton size="tiny" @click="move((all, id) => blockTree.move(all, id, 1), row.of.id ?? '')">{{
              $t('layout.down')
            }}</NButton>
            <NButton size="tiny" @click="remove(row.of.id ?? '')">{{ $t('layout.removeBlock') }}</NButton>
          </div>
        </template>
      </li>
    </ul>
    <div v-if="!locked" class="adds">
      <BlockLine ref="line" :ways="lineWays" @add="add" />
      <p class="hint">{{ $t('layout.keys') }}</p>
    </div>
  </div>
</template>

<style scoped>
.blocks {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
}
.block {
  border-bottom: 1px solid var(--line);
}
.block.selected {
  background: var(--ground);
}
.head {
  min-height: 32px;
}
.head.drop-before {
  box-shadow: inset 0 2px var(--petrol);
}
.head.drop-after {
  box-shadow: inset 0 -2px var(--petrol);
}
.head.drop-within {
  outline: 2px solid var(--petrol);
  outline-offset: -2px;
}
.name {
  flex: 1;
  justify-content: start;
  padding: 4px 8px;
  text-align: start;
  white-space: normal;
}
.name :deep(.n-button__content) {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
}
.kind {
  min-width: 104px;
  color: var(--muted);
}
.shows {
  overflow-wrap: anywhere;
}
.adds {
  position: sticky;
  bottom: 0;
  padding: 8px 0;
  background: var(--surface);
}
.adds .hint {
  margin: 4px 0 0;
}
.acts {
  padding: 0 12px 8px;
}
.in1 {
  padding-inline-start: 24px;
}
.in2 {
  padding-inline-start: 48px;
}
.in3 {
  padding-inline-start: 72px;
}
.in4,
.in5,
.in6 {
  padding-inline-start: 96px;
}
</style>
