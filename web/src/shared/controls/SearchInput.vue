<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core';
import { NAutoComplete } from 'naive-ui';
import { computed, h, nextTick, ref, shallowRef, useTemplateRef, watch, type Component, type VNodeChild } from 'vue';
import TextInput from './TextInput.vue';
import { useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';
import { useListbox, VIRTUAL_FROM } from './listbox';

export interface Found {
  value: string;
  label: string;
  /** Said quietly behind the label. */
  detail?: string | undefined;
  /** How far it stands in, as in a tree. */
  depth?: number | undefined;
  icon?: Component | undefined;
}

/** Words, and a list of what they find; what is picked from it is told, and the words are empty again. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  words: string;
  found: Found[];
  /** Said where nothing is found. */
  none: string;
  /** Whether the list stays for another pick. */
  several?: boolean;
  /** Whether what is found is what the words say; Enter that comes before picks the first once it is. */
  settled: boolean;
  placeholder?: string;
  disabled?: boolean;
  /** Whether the list is drawn where the control is, as within a dialog, and not above the whole page. */
  inPlace?: boolean;
  /** Whether the list waits, as while the dialog around it is still growing. */
  held?: boolean;
}>();
const emit = defineEmits<{ 'update:words': [string]; pick: [string]; open: []; early: [] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
const frameElement = useTemplateRef<HTMLElement>('frameElement');
const isOpen = ref(false);
const isHandler = (name: string) => /^on[A-Z]/.test(name);
const { menuProps, optionProps, follow, shown, focus } = useListbox({
  frame: frameElement,
  given: () => Object.fromEntries(Object.entries(inner()).filter(([name]) => !isHandler(name))),
  options: () => props.found,
  isChosen: () => false,
  isDisabled: () => isDisabled.value,
});
const nodes = computed(() => ({
  ...(menuProps() as { id: string }),
  nodeProps: optionProps,
  onMouseover: follow,
  virtualScroll: props.found.length > VIRTUAL_FROM,
}));

/** Whether Enter was pressed for words whose answer was still to come: the first of it is picked then. */
let entered = false;

function set(open: boolean): void {
  entered = entered && open;
  if (open !== isOpen.value) {
    isOpen.value = open;
    shown(open);
    if (open) {
      emit('open');
    }
  }
}

watch(
  () => props.words,
  () => (entered = false),
);
watch(
  () => props.settled,
  (is) => {
    const first = props.found[0];
    if (is && entered && isOpen.value && first) {
      pick(first.value, activate);
    }
    entered = entered && !is;
  },
);

/** The library places its list when that opens: one that has grown since is placed anew as after a resize of the window. */
const list = shallowRef<HTMLElement>();
useResizeObserver(list, () => window.dispatchEvent(new Event('resize')));
watch([isOpen, () => props.held, () => props.found.length], async () => {
  await nextTick();
  list.value = document.getElementById(nodes.value.id) ?? undefined;
});

function onKey(event: KeyboardEvent, activate: (event: FocusEvent) => void): void {
  if (event.key === 'Escape' && isOpen.value) {
    event.stopPropagation();
    set(false);
  } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && !isOpen.value) {
    event.preventDefault();
    event.stopPropagation();
    activate(new FocusEvent('focus'));
    set(true);
  } else if (event.key === 'Enter') {
    event.preventDefault();
    if (isOpen.value && !props.settled) {
      event.stopPropagation();
      // without words it would pick what nobody has looked for
      entered = props.words.trim() !== '';
      emit('early');
    } else if (isOpen.value && props.held && props.found[0]) {
      event.stopPropagation();
      pick(props.found[0].value, activate);
    }
  }
}

function pick(value: string, activate: (event: FocusEvent) => void): void {
  emit('pick', value);
  set(false);
  if (props.several) {
    void nextTick(() => {
      // what was picked may stand above now, and have pushed this out of sight
      frameElement.value?.scrollIntoView({ block: 'nearest' });
      activate(new FocusEvent('focus'));
      set(true);
    });
  }
}

const labelOf = (option: unknown): VNodeChild => {
  const { label, detail, depth = 0, icon } = option as Found;
  return h('span', { class: 'found', style: { paddingInlineStart: `${String(depth * 14)}px` } }, [
    icon ? h(icon, { 'aria-hidden': 'true' }) : undefined,
    h('span', { class: 'found-label' }, label),
    detail ? h('span', { class: 'muted small' }, ` ${detail}`) : undefined,
  ]);
};
type Slot = {
  handleInput: (value: string) => void;
  handleFocus: (event: FocusEvent) => void;
  handleBlur: (event: FocusEvent) => void;
};
let activate: (event: FocusEvent) => void = () => undefined;
const activated = (slot: unknown) => {
  activate = (slot as Slot).handleFocus;
  return slot as Slot;
};

defineExpose({ focus });
</script>

<template>
  <!-- behind the library's own keys, which move within the list -->
  <div ref="frameElement" v-bind="frame()" @keydown="follow">
    <NAutoComplete
      :value="words"
      :options="found as unknown as string[]"
      :get-show="() => isOpen && !held"
      :menu-props="nodes"
      :render-label="labelOf"
      :disabled="isDisabled"
      :to="inPlace ? false : undefined"
      show-empty
      clear-after-select
      @update:value="emit('update:words', ($event as string | null) ?? '')"
      @select="pick(String($event), activate)"
    >
      <template #default="slot">
        <TextInput
          v-bind="inner()"
          autocomplete="off"
          :value="words"
          :placeholder="placeholder"
          :disabled="disabled"
          @focus="
            activated(slot).handleFocus($event);
            set(true);
          "
          @blur="
            activated(slot).handleBlur($event);
            set(false);
          "
          @click="
            activated(slot).handleFocus($event);
            set(true);
          "
          @keydown.capture="onKey($event, activated(slot).handleFocus)"
          @update:value="
            activated(slot).handleInput($event);
            set(true);
          "
        />
      </template>
      <template #empty>
        <span role="option" aria-disabled="true" aria-selected="false" class="muted">{{ none }}</span>
      </template>
    </NAutoComplete>
  </div>
</template>

<style>
.n-base-select-option__content .found {
  display: flex;
  gap: 8px;
  align-items: center;
}
.found svg {
  flex: none;
}
.found-label {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
