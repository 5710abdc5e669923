<script setup lang="ts">
import { NAutoComplete } from 'naive-ui';
import { computed, h, nextTick, ref, useTemplateRef, type VNodeChild } from 'vue';
import TextInput from './TextInput.vue';
import { useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';
import { useListbox } from './listbox';

export interface Found {
  value: string;
  label: string;
  /** Said quietly behind the label. */
  detail?: string | undefined;
  /** How far it stands in, as in a tree. */
  depth?: number | undefined;
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
  /** Whether what is found is what the words say: Enter picks nothing before. */
  settled: boolean;
  placeholder?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:words': [string]; pick: [string]; open: []; early: [] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
const frameElement = useTemplateRef<HTMLElement>('frameElement');
const isOpen = ref(false);
const isHandler = (name: string) => /^on[A-Z]/.test(name);
const { menuProps, optionProps, follow, shown } = useListbox({
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
  virtualScroll: props.found.length > 100,
}));

function set(open: boolean): void {
  if (open !== isOpen.value) {
    isOpen.value = open;
    shown(open);
    if (open) {
      void nextTick(reachable);
      emit('open');
    }
  }
}

/** A list that scrolls can be reached by whoever scrolls with keys. */
function reachable(): void {
  document
    .querySelector(`#${CSS.escape(String(nodes.value.id))} .n-scrollbar-container`)
    ?.setAttribute('tabindex', '0');
}

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
      emit('early');
    }
  }
}

function pick(value: string, activate: (event: FocusEvent) => void): void {
  emit('pick', value);
  set(false);
  if (props.several) {
    void nextTick(() => {
      activate(new FocusEvent('focus'));
      set(true);
    });
  }
}

const labelOf = (option: unknown): VNodeChild => {
  const { label, detail, depth = 0 } = option as Found;
  return h('span', { style: { paddingInlineStart: `${String(depth * 14)}px` } }, [
    label,
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
</script>

<template>
  <!-- behind the library's own keys, which move within the list -->
  <div ref="frameElement" v-bind="frame()" @keydown="follow">
    <NAutoComplete
      :value="words"
      :options="found as unknown as string[]"
      :get-show="() => isOpen"
      :menu-props="nodes"
      :render-label="labelOf"
      :disabled="isDisabled"
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
      <template #empty
        ><span class="muted">{{ none }}</span></template
      >
    </NAutoComplete>
  </div>
</template>
