<script setup lang="ts">
import { NButton, NColorPicker } from 'naive-ui';
import { ref, useTemplateRef } from 'vue';
import TextInput from './TextInput.vue';
import { useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';
import { useEscape } from './escape';

/** A colour as #rrggbb: typed, or picked from a surface beside it. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{ value: string; label: string; disabled?: boolean }>();
const emit = defineEmits<{ 'update:value': [string] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
const open = ref(false);
const root = useTemplateRef<HTMLElement>('root');
useEscape(open, () => root.value?.querySelector<HTMLElement>('.swatch'));
const isColour = (text: string) => /^#[0-9a-f]{6}$/i.test(text);
</script>

<template>
  <div ref="root" v-bind="frame()" class="row colour-input">
    <TextInput
      v-bind="inner()"
      mono
      autocomplete="off"
      placeholder="#000000"
      :value="value"
      :disabled="disabled"
      @update:value="emit('update:value', $event)"
    />
    <NColorPicker
      v-model:show="open"
      class="picker"
      :value="isColour(value) ? value : '#000000'"
      :modes="['hex']"
      :show-alpha="false"
      :disabled="isDisabled"
      @update:value="emit('update:value', $event)"
    >
      <template #trigger="{ onClick, ref: anchor }">
        <NButton
          :ref="anchor as never"
          class="swatch"
          :style="{ background: isColour(value) ? value : 'transparent' }"
          :disabled="isDisabled"
          :aria-label="$t('form.pick', { label })"
          @click="onClick"
        />
      </template>
    </NColorPicker>
  </div>
</template>

<style>
.colour-input {
  max-width: 190px;
}
.colour-input .picker {
  width: auto;
  flex: none;
}
.colour-input .swatch {
  width: 48px;
}
</style>
