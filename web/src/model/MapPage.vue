<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, ref, shallowRef, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRouter } from 'vue-router';
import { idOf, nameOf, type Sort } from '@/shared/definitions';
import { useDraft } from './draft';
import { laidOut, linksOf, neighbours, type Laid } from './map';
import { savePng, saveSvg } from './picture';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';

/** Types, taxonomies and shared groups as a picture; click opens, filter and neighbours thin it out. */
const { t } = useI18n();
const draft = useDraft();
const router = useRouter();
const laid = shallowRef<Laid>();
const filter = ref('');
const near = ref('');
const shown = ref<Record<'type' | 'taxonomy' | 'group', boolean>>({ type: true, taxonomy: true, group: true });
const zoom = ref(1);
const svg = ref<SVGSVGElement>();
const field = ref<HTMLElement>();
const PADDING = 32;
const failed = ref('');
let asked = 0;

const links = computed(() => linksOf(draft.definitions, { under: t('model.map.under') }));
const wanted = computed(() => {
  const text = filter.value.trim().toLowerCase();
  const some = near.value ? neighbours(near.value, links.value) : undefined;
  return draft.definitions.filter((each) => {
    const sort = each.sort;
    const on = sort === 'type' || sort === 'taxonomy' || sort === 'group' ? shown.value[sort] : false;
    return on && (!some || some.has(idOf(each))) && (!text || nameOf(each).toLowerCase().includes(text));
  });
});

async function draw(): Promise<void> {
  const mine = ++asked;
  const ids = new Set(wanted.value.map(idOf));
  try {
    await nextTick();
    const drawn = await laidOut(
      wanted.value,
      links.value.filter((link) => ids.has(link.from) && ids.has(link.to)),
      roomOf(field.value),
    );
    if (mine === asked) {
      const same = laid.value && String(laid.value.nodes.map(({ id }) => id).sort()) === String([...ids].sort());
      laid.value = drawn;
      if (!same) {
        await nextTick();
        fit();
      }
    }
  } catch (thrown) {
    failed.value = String(thrown);
  }
}

watch([wanted, links], () => void draw(), { immediate: true });

function open(id: string): void {
  void router.push({ name: 'model', params: { workspace: draft.workspace, type: id } });
}

function onWheel(event: WheelEvent): void {
  if (event.ctrlKey) {
    event.preventDefault();
    zoom.value = Math.min(2.5, Math.max(0.1, zoom.value * (event.deltaY < 0 ? 1.1 : 0.9)));
  }
}

function roomOf(element: HTMLElement | undefined): { width: number; height: number } {
  const box = element?.getBoundingClientRect();
  return { width: (box?.width ?? 0) - PADDING, height: (box?.height ?? 0) - PADDING };
}

function fit(): void {
  const room = roomOf(field.value);
  if (laid.value && room.width > 0) {
    zoom.value = Math.min(1, room.width / laid.value.width, room.height / laid.value.height);
  }
}

function line(points: { x: number; y: number }[]): string {
  return points.map((point) => `${String(point.x)},${String(point.y)}`).join(' ');
}

const toggles: Sort[] = ['type', 'taxonomy', 'group'];
</script>

<template>
  <div class="map">
    <div class="row wrap">
      <h1>{{ $t('model.views.map') }}</h1>
      <TextInput v-model:value="filter" :placeholder="$t('model.filter')" :aria-label="$t('model.filter')" />
      <Choice
        v-model:value="near"
        :aria-label="$t('model.map.near')"
        :options="[
          { value: '', label: $t('model.map.all') },
          ...draft.definitions
            .filter((one) => toggles.includes(one.sort))
            .map((each) => ({ value: idOf(each), label: $t('model.map.nearTo', { name: nameOf(each) }) })),
        ]"
      />
      <Check v-for="sort in ['type', 'taxonomy', 'group'] as const" :key="sort" v-model:checked="shown[sort]"
        ><span class="box" :class="sort" />{{ $t(`model.sorts.${sort}`) }}</Check
      >
      <span class="grow" />
      <NButton size="small" :aria-label="$t('model.map.smaller')" @click="zoom = Math.max(0.1, zoom * 0.8)">−</NButton>
      <NButton size="small" @click="fit">{{ $t('model.map.fit') }}</NButton>
      <NButton size="small" :aria-label="$t('model.map.larger')" @click="zoom = Math.min(2.5, zoom * 1.25)">+</NButton>
      <NButton size="small" :disabled="!laid" @click="svg && saveSvg(svg, draft.workspace)">SVG</NButton>
      <NButton size="small" :disabled="!laid" @click="svg && savePng(svg, draft.workspace)">PNG</NButton>
    </div>
    <p v-if="failed" class="problem">{{ failed }}</p>
    <p v-if="laid && !laid.nodes.length" class="hint">{{ $t('model.map.none') }}</p>
    <div ref="field" class="field" tabindex="0" :aria-label="$t('model.views.map')" role="group" @wheel="onWheel">
      <svg
        v-if="laid"
        ref="svg"
        xmlns="http://www.w3.org/2000/svg"
        :width="laid.width * zoom"
        :height="laid.height * zoom"
        :viewBox="`0 0 ${laid.width} ${laid.height}`"
        font-family="Atkinson Hyperlegible Next Variable, system-ui, sans-serif"
      >
        <g v-for="edge in laid.edges" :key="edge.id">
          <polyline class="line" :points="line(edge.points)" fill="none" stroke="#7b8d93" />
          <circle
            v-if="edge.points.length"
            :cx="edge.points[edge.points.length - 1]!.x"
            :cy="edge.points[edge.points.length - 1]!.y"
            r="3"
            fill="#1d5a6b"
          />
          <text v-if="edge.labelAt" class="word" :x="edge.labelAt.x" :y="edge.labelAt.y" font-size="11" fill="#51656c">
            {{ edge.label }}
          </text>
        </g>
        <g
          v-for="node in laid.nodes"
          :key="node.id"
          class="node"
          role="link"
          tabindex="0"
          :aria-label="node.name"
          @click="open(node.id)"
          @keydown.enter="open(node.id)"
        >
          <rect
            :class="node.sort"
            :x="node.x"
            :y="node.y"
            :width="node.width"
            :height="node.height"
            rx="4"
            :fill="node.sort === 'type' ? '#e3eeef' : node.sort === 'taxonomy' ? '#ece8f4' : '#f4ecdc'"
            stroke="#1d5a6b"
          />
          <text class="name" :x="node.x + 12" :y="node.y + 19" font-size="14" font-weight="650" fill="#10242b">
            {{ node.name }}
          </text>
          <text class="word" :x="node.x + 12" :y="node.y + 35" font-size="11" fill="#51656c">
            {{ $t(`model.sort.${node.sort}`) }}
          </text>
        </g>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.map {
  display: flex;
  flex-direction: column;
  gap: 8px;
  height: 100%;
}
.wrap {
  flex-wrap: wrap;
}
.wrap .choice,
.wrap .text-input {
  width: auto;
  max-width: 150px;
}
.grow {
  flex: 1;
}
.field {
  flex: 1;
  min-height: 200px;
  overflow: auto;
  padding: 16px;
  background: var(--page);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.node {
  cursor: pointer;
}
.node:hover rect,
.node:focus-visible rect {
  stroke-width: 2.5;
}
.box {
  display: inline-block;
  margin-inline-end: 6px;
  vertical-align: -2px;
  width: 14px;
  height: 14px;
  border: 1px solid var(--petrol);
  border-radius: 3px;
  background: var(--map-type);
}
.box.taxonomy {
  background: var(--map-taxonomy);
}
.box.group {
  background: var(--map-group);
}
</style>
