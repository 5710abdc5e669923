<script setup lang="ts">
import { useElementSize, useLocalStorage, useVirtualList } from '@vueuse/core';
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue';
import Tag from '@/shared/Tag.vue';
import type { Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';
import { shortTime } from '@/shared/time';
import type { RecordType } from './recordTypes';
import { toneOf } from './states';
import Check from '@/shared/controls/Check.vue';
import WidthHandle from '@/shared/controls/WidthHandle.vue';
import { NButton, NPopover } from 'naive-ui';
import QuickEdit from './QuickEdit.vue';
import { fitted, neededWidth } from './columnWidths';
import { rememberScroll, scrolledTo } from './neighbours';
import { isQuick } from './quickEdit';
import { useQuickEdit } from './useQuickEdit';
import { useI18n } from 'vue-i18n';

/** Records as rows; only those in sight are in the page, however many there are. */
const props = defineProps<{
  recordType: RecordType;
  records: Schemas['RecordView'][];
  total: number;
  fields: Field[];
  mayPick: boolean;
  busy: boolean;
  to: (id: number | string) => object;
  /** Which list of records this is: widths of columns are kept by it. */
  name: string;
  /** What it is searched for and sorted by: where it was scrolled to is kept by it. */
  place: string;
  /** Stores a value, and says why it could not. */
  store: (record: Schemas['RecordView'], field: Field, value: unknown) => Promise<string>;
}>();
const order = defineModel<string>('order', { required: true });
const picked = defineModel<Set<number>>('picked', { required: true });
const emit = defineEmits<{ open: [number]; more: [] }>();

const { t } = useI18n();

/** Pixels, as in the style below. */
const ROW = 36;
/** A row that was scrolled to is in the page after so many frames at most. */
const FRAMES = 20;
/** Rows before the end at which the next page is asked for. */
const AHEAD = 60;
const rows = computed(() => props.records);
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(rows, { itemHeight: ROW, overscan: 15 });
const title = computed(() => t('record.title'));
const titleId = computed(() => (props.recordType.first.length ? 'part_title' : 'own_slug'));
let last = -1;

/** Texts of this many rows say how wide a column is. */
const MEASURED = 200;
const PICK = 34;
const LEAST = 48;
const MOST = 900;
const { width: room } = useElementSize(containerProps.ref);
const drawn = useLocalStorage<Record<string, number>>(`jontrel.columns.${props.name}`, {});
const columns = computed(() => [
  { id: 'title', heading: title.value, texts: (record: Schemas['RecordView']) => record.title },
  ...props.fields.map((field) => ({
    id: field.id ?? '',
    heading: field.label,
    texts: (record: Schemas['RecordView']) => record.shown[field.key] ?? '',
  })),
]);
/** Columns whose values do not say how wide they are. */
const others = computed(() => [...(props.recordType.sort === 'types' ? [190] : []), 120]);
const needed = computed(() =>
  columns.value.map(({ heading, texts }) => neededWidth(heading, props.records.slice(0, MEASURED).map(texts))),
);
const widths = computed(() => {
  const used = others.value.reduce((sum, width) => sum + width, props.mayPick ? PICK : 0);
  const mine = columns.value.map(({ id }) => drawn.value[id]);
  return fitted(needed.value, mine, Math.max(0, room.value - used));
});
const whole = computed(() =>
  [...widths.value, ...others.value].reduce((sum, width) => sum + width, props.mayPick ? PICK : 0),
);

function draw(id: string, width: number | undefined): void {
  const rest = Object.fromEntries(Object.entries(drawn.value).filter(([each]) => each !== id));
  drawn.value = width === undefined ? rest : { ...rest, [id]: width };
}

/** Where one was in this list is where one is again on coming back to it. */
onMounted(() => {
  const top = scrolledTo(props.name + props.place);
  if (top && containerProps.ref.value) {
    scrollTo(Math.floor(top / ROW));
    containerProps.ref.value.scrollTop = top;
  }
});
onBeforeUnmount(() => {
  rememberScroll(props.name + props.place, containerProps.ref.value?.scrollTop ?? 0);
});

/** The cell that is changed in its row. */
/** The column that the arrows have come to, of the row that is focused. */
const column = ref(0);

function edit(at: number, field: Field | undefined): void {
  const record = props.records[at];
  const cell = rowOf(at)
    ?.querySelector(`[data-column="${field?.id ?? ''}"]`)
    ?.getBoundingClientRect();
  if (record && field && cell && props.mayPick && isQuick(field)) {
    begin({ record, field, x: cell.left + 8, y: cell.bottom, at });
  }
}

const quick = useTemplateRef<InstanceType<typeof QuickEdit>>('quick');
const { editing, refused, storing, begin, save, close, left } = useQuickEdit(() => props.records, props.store, focus);

function leave(): void {
  left();
  quick.value?.leave();
}

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
  } else if ((event.key === 'ArrowRight' || event.key === 'ArrowLeft') && own) {
    event.preventDefault();
    const by = event.key === 'ArrowRight' ? 1 : -1;
    column.value = Math.min(Math.max(column.value + by, 0), props.fields.length - 1);
  } else if (event.key === 'F2' && own) {
    event.preventDefault();
    edit(
      at,
      isQuick(props.fields[column.value] ?? ({} as Field)) ? props.fields[column.value] : props.fields.find(isQuick),
    );
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
      <table class="table" :aria-rowcount="total + 1" :style="{ width: `${whole}px` }">
        <colgroup>
          <col v-if="mayPick" :style="{ width: `${PICK}px` }" />
          <col v-for="(width, at) in widths" :key="columns[at]?.id" :style="{ width: `${width}px` }" />
          <col v-for="(width, at) in others" :key="`other-${at}`" :style="{ width: `${width}px` }" />
        </colgroup>
        <thead>
          <tr aria-rowindex="1">
            <th v-if="mayPick" class="pick">
              <span class="hidden">{{ $t('record.bulk.title') }}</span>
            </th>
            <th class="title" :aria-label="title" :aria-sort="sorted(titleId)">
              <NButton text class="sort" @click="sortBy(titleId)">{{ title }}</NButton>
              <WidthHandle
                :width="widths[0] ?? 0"
                :min="LEAST"
                :max="MOST"
                :label="$t('record.widthOf', { label: title })"
                @width="draw('title', $event)"
                @reset="draw('title', undefined)"
              />
            </th>
            <th
              v-for="(field, at) in fields"
              :key="field.id"
              :class="{ num: field.kind === 'number' }"
              :aria-label="field.label"
              :aria-sort="sorted(field.id ?? '')"
            >
              <NButton v-if="sortable(field)" text class="sort" @click="sortBy(field.id ?? '')">
                {{ field.label }}
              </NButton>
              <template v-else>{{ field.label }}</template>
              <WidthHandle
                :width="widths[at + 1] ?? 0"
                :min="LEAST"
                :max="MOST"
                :label="$t('record.widthOf', { label: field.label })"
                @width="draw(field.id ?? '', $event)"
                @reset="draw(field.id ?? '', undefined)"
              />
            </th>
            <th v-if="recordType.sort === 'types'" class="state" :aria-sort="sorted('own_state')">
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
            <td class="first" :title="record.title">
              <RouterLink :to="to(record.id)" dir="auto">{{ record.title }}</RouterLink>
            </td>
            <td
              v-for="(field, index) in fields"
              :key="field.id"
              :data-column="field.id"
              :class="{ num: field.kind === 'number', at: index === column, quick: mayPick && isQuick(field) }"
              :title="record.shown[field.key]"
              @dblclick="edit(at, field)"
            >
              <span
                v-if="field.kind === 'colour' && record.shown[field.key]"
                class="dot"
                :style="{ background: record.shown[field.key] }"
              />{{ record.shown[field.key] }}
            </td>
            <td v-if="recordType.sort === 'types'">
              <Tag :tone="toneOf(record.state)">{{ $t(`record.states.${record.state}`) }}</Tag>
              <Tag v-if="!record.complete" tone="bad">{{ $t('record.incomplete') }}</Tag>
            </td>
            <td class="muted">{{ shortTime(record.updatedAt) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <NPopover
      v-if="editing"
      show
      trigger="manual"
      placement="bottom-start"
      :show-arrow="false"
      :x="editing.x"
      :y="editing.y"
      @clickoutside="leave"
    >
      <QuickEdit
        ref="quick"
        :field="editing.field"
        :value="editing.record.values[editing.field.key]"
        :label="$t('record.quickEdit', { field: editing.field.label, title: editing.record.title })"
        :problem="refused"
        :busy="storing"
        @save="save"
        @cancel="close"
      />
    </NPopover>
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
}
thead th {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--surface);
}
/* which record a row is stays in sight however far one scrolls aside */
.pick,
.title,
.first {
  position: sticky;
  left: 0;
  z-index: 1;
  background: var(--surface);
}
.pick ~ .title,
.pick ~ .first {
  left: 34px;
}
thead .pick,
thead .title {
  z-index: 2;
}
.picked .pick,
.picked .first {
  background: inherit;
}
tr:focus-visible .at.quick {
  box-shadow: inset 0 0 0 1px var(--petrol);
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
.picked {
  background: var(--petrol-soft);
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
