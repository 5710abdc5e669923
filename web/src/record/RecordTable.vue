<script setup lang="ts">
import { useVirtualList } from '@vueuse/core';
import { computed, nextTick } from 'vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';
import { shortTime } from '@/shared/time';
import type { Holder } from './holders';
import { toneOf } from './states';
import Check from '@/shared/controls/Check.vue';
import { NButton } from 'naive-ui';

/** Records as rows; only those in sight are in the page, however many there are. */
const props = defineProps<{
  holder: Holder;
  records: Schemas['RecordView'][];
  total: number;
  fields: Field[];
  mayPick: boolean;
  busy: boolean;
  to: (id: number | string) => object;
}>();
const order = defineModel<string>('order', { required: true });
const picked = defineModel<Set<number>>('picked', { required: true });
const emit = defineEmits<{ open: [number]; more: [] }>();

/** Pixels, as in the style below. */
const ROW = 36;
/** A row that was scrolled to is in the page after so many frames at most. */
const FRAMES = 20;
/** Rows before the end at which the next page is asked for. */
const AHEAD = 60;
const rows = computed(() => props.records);
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(rows, { itemHeight: ROW, overscan: 15 });
const titleId = computed(() => (props.holder.first.length ? 'part_title' : 'own_slug'));
let last = -1;

function scrolled(): void {
  containerProps.onScroll();
  if ((list.value[list.value.length - 1]?.index ?? 0) > props.records.length - AHEAD) {
    emit('more');
  }
}

const sortable = (field: Field) =>
  !['relation', 'term', 'place'].includes(field.kind) && !('many' in field && field.many === true);

function sortBy(id: string): void {
  order.value = order.value === id ? `-${id}` : order.value === `-${id}` ? '' : id;
}

const sorted = (id: string) =>
  order.value === id ? 'ascending' : order.value === `-${id}` ? 'descending' : ('none' as const);

function pick(at: number, event: MouseEvent | KeyboardEvent): void {
  const set = new Set(picked.value);
  const id = props.records[at]?.id ?? 0;
  if (event.shiftKey && last >= 0) {
    props.records.slice(Math.min(last, at), Math.max(last, at) + 1).forEach((each) => set.add(each.id));
  } else if (!set.delete(id)) {
    set.add(id);
  }
  last = at;
  picked.value = set;
}

const rowOf = (at: number) => containerProps.ref.value?.querySelector<HTMLElement>(`tr[data-record="${String(at)}"]`);

/** A row that is not in the page yet is scrolled to first. */
async function focus(at: number): Promise<void> {
  if (at < 0 || at >= props.records.length) {
    return;
  }
  if (!rowOf(at)) {
    scrollTo(at);
    for (let tries = 0; !rowOf(at) && tries < FRAMES; tries++) {
      await new Promise(requestAnimationFrame);
      await nextTick();
    }
  }
  rowOf(at)?.focus();
}

/** Arrows go from row to row, space picks, Enter opens. */
function onKey(event: KeyboardEvent, at: number): void {
  const own = event.target === event.currentTarget;
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault();
    void focus(at + (event.key === 'ArrowDown' ? 1 : -1));
    if (event.shiftKey) {
      pick(at, event);
    }
  } else if (event.key === 'Home' && own) {
    event.preventDefault();
    void focus(0);
  } else if (event.key === 'End' && own) {
    event.preventDefault();
    void focus(props.records.length - 1);
  } else if (event.key === ' ' && own) {
    event.preventDefault();
    pick(at, event);
  } else if (event.key === 'Enter' && own) {
    emit('open', props.records[at]?.id ?? 0);
  } else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault();
    picked.value = new Set(props.records.map((record) => record.id));
  }
}
</script>

<template>
  <div
    :ref="containerProps.ref"
    class="panel list"
    tabindex="-1"
    :style="containerProps.style"
    :aria-busy="busy"
    @scroll="scrolled"
  >
    <div :style="wrapperProps.style">
      <table class="table" :aria-rowcount="total + 1">
        <thead>
          <tr aria-rowindex="1">
            <th v-if="mayPick" class="pick">
              <span class="hidden">{{ $t('record.bulk.title') }}</span>
            </th>
            <th class="title" :aria-sort="sorted(titleId)">
              <NButton text class="sort" @click="sortBy(titleId)">{{ $t('record.title') }}</NButton>
            </th>
            <th
              v-for="field in fields"
              :key="field.id"
              :class="{ num: field.kind === 'number' }"
              :aria-sort="sorted(field.id ?? '')"
            >
              <NButton v-if="sortable(field)" text class="sort" @click="sortBy(field.id ?? '')">
                {{ field.label }}
              </NButton>
              <template v-else>{{ field.label }}</template>
            </th>
            <th v-if="holder.sort === 'types'" class="state" :aria-sort="sorted('own_state')">
              <NButton text class="sort" @click="sortBy('own_state')">{{ $t('record.state') }}</NButton>
            </th>
            <th class="time" :aria-sort="sorted('own_updated_at')">
              <NButton text class="sort" @click="sortBy('own_updated_at')">
                {{ $t('record.updated') }}
              </NButton>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ data: record, index: at } in list"
            :key="record.id"
            :data-record="at"
            :aria-rowindex="at + 2"
            tabindex="0"
            :aria-selected="picked.has(record.id)"
            :class="{ picked: picked.has(record.id) }"
            @keydown="onKey($event, at)"
          >
            <td v-if="mayPick" class="pick">
              <Check
                :checked="picked.has(record.id)"
                :aria-label="$t('record.pick', { title: record.title })"
                tabindex="-1"
                @click="pick(at, $event)"
              />
            </td>
            <td :title="record.title">
              <RouterLink :to="to(record.id)" dir="auto">{{ record.title }}</RouterLink>
            </td>
            <td
              v-for="field in fields"
              :key="field.id"
              :class="{ num: field.kind === 'number' }"
              :title="record.shown[field.key]"
            >
              <span
                v-if="field.kind === 'colour' && record.shown[field.key]"
                class="dot"
                :style="{ background: record.shown[field.key] }"
              />{{ record.shown[field.key] }}
            </td>
            <td v-if="holder.sort === 'types'">
              <Tag :tone="toneOf(record.state)">{{ $t(`record.states.${record.state}`) }}</Tag>
              <Tag v-if="!record.complete" tone="bad">{{ $t('record.incomplete') }}</Tag>
            </td>
            <td class="muted">{{ shortTime(record.updatedAt) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.list {
  padding: 0 8px;
  max-height: calc(100vh - 230px);
  min-height: 200px;
}
.table {
  table-layout: fixed;
  min-width: 720px;
}
thead th {
  overflow-wrap: anywhere;
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--surface);
}
tbody td {
  height: 36px;
  padding-block: 0;
  vertical-align: middle;
}
td {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.pick {
  width: 34px;
  padding-inline: 8px 0;
  text-overflow: clip;
}
.title {
  width: 26%;
}
.state {
  width: 190px;
}
.time {
  width: 120px;
}
.picked {
  background: var(--petrol-soft);
}
td .tag {
  display: inline-flex;
}
th .sort :deep(.n-button__content) {
  white-space: normal;
  text-align: inherit;
}
th .sort {
  height: auto;
  font-size: 13px;
  color: var(--muted);
  text-align: inherit;
  font-weight: inherit;
}
th[aria-sort='ascending'] .sort::after {
  content: ' ↑' / '';
}
th[aria-sort='descending'] .sort::after {
  content: ' ↓' / '';
}
.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 6px;
  border: 1px solid var(--muted);
  border-radius: 2px;
  vertical-align: -1px;
}
</style>
