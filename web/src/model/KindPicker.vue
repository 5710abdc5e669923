<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui';
import { computed, nextTick, ref, useId, useTemplateRef } from 'vue';
import { useI18n } from 'vue-i18n';
import TextInput from '@/shared/controls/TextInput.vue';
import { useDisabled } from '@/shared/controls/disabled';
import { kinds, type KindCode } from '@/shared/kinds';
import { kindGroups, type KindGroup } from './kindGroups';

/** The kind of a field: opened by a click, the space bar or a letter, found by typing, each with its icon and a sentence. */
defineOptions({ inheritAttrs: false });
defineProps<{ kind: KindCode }>();
const emit = defineEmits<{ choose: [KindCode]; keydown: [KeyboardEvent] }>();
const { t } = useI18n();
const id = useId();
const isDisabled = useDisabled(() => false);
const trigger = useTemplateRef<{ $el: HTMLElement }>('trigger');
const search = useTemplateRef<InstanceType<typeof TextInput>>('search');
const open = ref(false);
const words = ref('');
const at = ref(0);
const place = ref({ x: 0, y: 0 });

interface Entry {
  code: KindCode;
  group: KindGroup;
  label: string;
  about: string;
}

const entries = computed<Entry[]>(() =>
  (Object.entries(kindGroups) as [KindGroup, readonly KindCode[]][]).flatMap(([group, codes]) =>
    codes.map((code) => ({ code, group, label: t(`model.kinds.${code}`), about: t(`model.kindAbout.${code}`) })),
  ),
);

/** Those whose name begins with what was typed come first, then those with it anywhere. */
const found = computed(() => {
  const wanted = words.value.trim().toLowerCase();
  const rank = (entry: Entry) =>
    entry.label.toLowerCase().startsWith(wanted)
      ? 0
      : entry.label.toLowerCase().includes(wanted)
        ? 1
        : entry.about.toLowerCase().includes(wanted)
          ? 2
          : 3;
  return wanted ? entries.value.filter((entry) => rank(entry) < 3).sort((a, b) => rank(a) - rank(b)) : entries.value;
});

async function show(typed: string, kind: KindCode): Promise<void> {
  if (isDisabled.value) {
    return;
  }
  const box = trigger.value?.$el.getBoundingClientRect();
  place.value = { x: box?.left ?? 0, y: box?.bottom ?? 0 };
  words.value = typed;
  open.value = true;
  at.value = typed
    ? 0
    : Math.max(
        0,
        entries.value.findIndex((entry) => entry.code === kind),
      );
  await nextTick();
  search.value?.focus();
  inSight();
}

function close(): void {
  open.value = false;
  trigger.value?.$el.focus();
}

function choose(entry: Entry | undefined): void {
  if (entry) {
    emit('choose', entry.code);
    close();
  }
}

function inSight(): void {
  void nextTick(() => document.getElementById(`${id}-${String(at.value)}`)?.scrollIntoView({ block: 'nearest' }));
}

function onTrigger(event: KeyboardEvent, kind: KindCode): void {
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
  if (isPlain && (event.key === ' ' || event.key === 'F2' || /^\p{L}$/u.test(event.key))) {
    event.preventDefault();
    void show(event.key.length === 1 ? event.key.trim() : '', kind);
  } else {
    emit('keydown', event);
  }
}

function onSearch(event: KeyboardEvent): void {
  const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 6, PageUp: -6 }[event.key];
  if (by !== undefined) {
    event.preventDefault();
    at.value = Math.max(0, Math.min(found.value.length - 1, at.value + by));
    inSight();
  } else if (event.key === 'Enter' || event.key === 'Tab') {
    event.preventDefault();
    choose(found.value[at.value]);
  } else if (event.key === 'Escape') {
    event.stopPropagation();
    close();
  }
}

function type(typed: string): void {
  words.value = typed;
  at.value = 0;
}
</script>

<template>
  <NButton
    ref="trigger"
    v-bind="$attrs"
    quaternary
    class="kind-picker"
    role="combobox"
    aria-haspopup="listbox"
    :keyboard="false"
    :disabled="isDisabled"
    :aria-expanded="open"
    :aria-controls="open ? `${id}-list` : undefined"
    @click="show('', kind)"
    @keydown="onTrigger($event, kind)"
    >{{ $t(`model.kinds.${kind}`) }}</NButton
  >
  <NPopover
    v-if="open"
    show
    trigger="manual"
    placement="bottom-start"
    raw
    :show-arrow="false"
    :x="place.x"
    :y="place.y"
    @clickoutside="open = false"
  >
    <div class="kind-list" @keydown="onSearch">
      <TextInput
        ref="search"
        role="combobox"
        aria-expanded="true"
        autocomplete="off"
        :aria-controls="`${id}-list`"
        :aria-activedescendant="found.length ? `${id}-${at}` : undefined"
        :aria-label="$t('model.findKind')"
        :placeholder="$t('model.findKind')"
        :value="words"
        @update:value="type"
      />
      <div :id="`${id}-list`" class="options" role="listbox" :aria-label="$t('model.table.kind')">
        <template v-for="(entry, i) in found" :key="entry.code">
          <div v-if="!words && entry.group !== found[i - 1]?.group" class="group" role="presentation">
            {{ $t(`model.kindGroups.${entry.group}`) }}
          </div>
          <div
            :id="`${id}-${i}`"
            class="option"
            role="option"
            :aria-selected="i === at"
            :class="{ at: i === at }"
            @mousemove="at = i"
            @mousedown.prevent
            @click="choose(entry)"
          >
            <span class="picture"><component :is="kinds[entry.code].icon" aria-hidden="true" /></span>
            <span
              ><strong>{{ entry.label }}</strong
              ><br /><span class="about">{{ entry.about }}</span></span
            >
          </div>
        </template>
      </div>
      <p v-if="!found.length" class="hint">{{ $t('model.noneFound', { text: words }) }}</p>
    </div>
  </NPopover>
</template>

<style>
.kind-picker.n-button {
  width: 100%;
  height: 31px;
  padding: 0 6px;
  justify-content: flex-start;
  overflow: hidden;
}
.kind-picker .n-button__content {
  overflow: hidden;
  text-overflow: ellipsis;
}
.kind-list {
  width: 340px;
  max-width: 90vw;
  padding: 8px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.kind-list .options {
  max-height: min(340px, 45vh);
  margin-top: 8px;
  overflow: auto;
}
.kind-list .group {
  padding: 8px 4px 4px;
  font-size: 12px;
  font-weight: 600;
  color: var(--muted);
}
.kind-list .option {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 5px 4px;
  border-radius: 4px;
  line-height: 18px;
  cursor: pointer;
}
.kind-list .option.at {
  background: var(--petrol-soft);
}
.kind-list .picture {
  display: grid;
  flex: none;
  place-items: center;
  width: 32px;
  height: 32px;
  font-size: 18px;
  color: var(--petrol);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.kind-list .about {
  font-size: 12.5px;
  color: var(--muted);
}
</style>
