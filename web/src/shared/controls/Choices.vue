<script setup lang="ts">
import { NSelect } from 'naive-ui';
import { computed, useTemplateRef } from 'vue';
import { isInvalid, useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';
import { flatOptions, libraryOptions, useListbox, VIRTUAL_FROM, type ChoiceOptions } from './listbox';

/** Any of several, from a list that stays open while they are chosen. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  values: readonly string[];
  options: ChoiceOptions;
  placeholder?: string;
  small?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:values': [string[]] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
const frameElement = useTemplateRef<HTMLElement>('frameElement');
const flat = computed(() => flatOptions(props.options));
const { menuProps, optionProps, follow, shown, focus } = useListbox({
  frame: frameElement,
  given: inner,
  options: () => flat.value,
  isChosen: (value) => props.values.includes(String(value)),
  isDisabled: () => isDisabled.value,
});
defineExpose({ focus });
</script>

<template>
  <div ref="frameElement" v-bind="frame()" class="choice" @keydown="follow">
    <NSelect
      multiple
      :value="[...values]"
      :options="libraryOptions(options)"
      :placeholder="placeholder ?? ''"
      :size="small ? 'small' : 'medium'"
      :disabled="isDisabled"
      :status="isInvalid(inner()) ? 'error' : undefined"
      display-directive="if"
      :consistent-menu-width="false"
      :virtual-scroll="flat.length > VIRTUAL_FROM"
      :menu-props="menuProps(true)"
      :node-props="optionProps"
      @update:value="emit('update:values', $event as string[])"
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
