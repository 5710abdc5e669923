<script setup lang="ts">
import { NSelect } from 'naive-ui';
import { computed, useTemplateRef } from 'vue';
import { isInvalid, useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';
import { flatOptions, libraryOptions, useListbox, VIRTUAL_FROM, type ChoiceOptions } from './listbox';

/** One of several, from a list that opens; letters typed on it choose, as in native lists. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  value: string | undefined | null;
  options: ChoiceOptions;
  placeholder?: string;
  clearable?: boolean;
  filterable?: boolean;
  small?: boolean;
  cell?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:value': [string] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
const frameElement = useTemplateRef<HTMLElement>('frameElement');
const flat = computed(() => flatOptions(props.options));
const { menuProps, optionProps, follow, shown, focus } = useListbox({
  frame: frameElement,
  given: inner,
  options: () => flat.value,
  isChosen: (value) => value === props.value,
  isDisabled: () => isDisabled.value,
});
const TOGETHER = 700;
let typed = '';
let lastTyped = 0;

/** Letters choose the next option that begins with them. */
function onKey(event: KeyboardEvent): void {
  void follow();
  const isLetter = event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey;
  if (!isLetter || props.filterable || isDisabled.value) {
    return;
  }
  typed = event.timeStamp - lastTyped > TOGETHER ? event.key : typed + event.key;
  lastTyped = event.timeStamp;
  const now = flat.value.findIndex((each) => each.value === props.value);
  const from = typed.length === 1 ? now + 1 : Math.max(now, 0);
  const ring = [...flat.value.slice(from), ...flat.value.slice(0, from)];
  const found = ring.find((each) => !each.disabled && each.label.toLowerCase().startsWith(typed.toLowerCase()));
  if (found && found.value !== props.value) {
    emit('update:value', found.value ?? '');
  }
}

defineExpose({ focus });
</script>

<template>
  <div ref="frameElement" v-bind="frame()" class="choice" :class="{ cell }" @keydown="onKey">
    <NSelect
      :value="flat.some((each) => each.value === value) ? value : null"
      :options="libraryOptions(options)"
      :placeholder="placeholder ?? ''"
      :clearable="clearable"
      :filterable="filterable"
      :size="small ? 'small' : 'medium'"
      :bordered="!cell"
      :disabled="isDisabled"
      :status="isInvalid(inner()) ? 'error' : undefined"
      display-directive="if"
      :consistent-menu-width="false"
      :virtual-scroll="flat.length > VIRTUAL_FROM"
      :menu-props="menuProps()"
      :node-props="optionProps"
      @update:value="emit('update:value', ($event as string | null) ?? '')"
      @update:show="shown"
    >
      <template #empty>
        <span role="option" aria-disabled="true" aria-selected="false" class="muted">{{
          $t('form.nothingFound')
        }}</span>
      </template>
    </NSelect>
  </div>
</template>

<style>
.choice {
  min-width: 0;
}
.choice.cell .n-base-selection {
  --n-color: transparent !important;
  --n-color-active: transparent !important;
  --n-height: 30px !important;
}
</style>
