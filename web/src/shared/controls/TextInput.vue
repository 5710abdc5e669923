<script setup lang="ts">
import { NInput } from 'naive-ui';
import { ref, useTemplateRef, watch } from 'vue';
import { isInvalid, useSplitAttributes } from './attributes';
import { useDisabled } from './disabled';

/**
 * A line or lines of text. Attributes such as `id`, `aria-label` and `required` reach the native control, so a `<label for>`
 * names it; `aria-invalid` shows in its border. In a cell of a table it has no border of its own.
 */
defineOptions({ inheritAttrs: false });
const props = defineProps<{
  value: string | number | undefined | null;
  multiline?: boolean;
  secret?: boolean;
  mono?: boolean;
  cell?: boolean;
  rows?: number | string;
  placeholder?: string;
  prefix?: string;
  suffix?: string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:value': [string]; change: [string] }>();
const { frame, inner } = useSplitAttributes();
const isDisabled = useDisabled(() => props.disabled);
/** What is typed is shown, also where only a finished change is listened to. */
const asText = () => (props.value === null || props.value === undefined ? '' : String(props.value));
const text = ref(asText());
watch(asText, (next) => (text.value = next));

function type(typed: string): void {
  text.value = typed;
  emit('update:value', typed);
}
const input = useTemplateRef<InstanceType<typeof NInput>>('input');
const limit = () => (inner().maxlength === undefined ? undefined : Number(inner().maxlength));
defineExpose({ focus: () => input.value?.focus(), select: () => input.value?.select() });
</script>

<template>
  <NInput
    ref="input"
    v-bind="frame()"
    class="text-input"
    :class="{ mono, cell }"
    :type="multiline ? 'textarea' : secret ? 'password' : 'text'"
    :show-password-on="secret ? 'click' : undefined"
    :rows="Number(rows ?? 3)"
    :value="text"
    :placeholder="placeholder ?? ''"
    :status="isInvalid(inner()) ? 'error' : undefined"
    :bordered="!cell"
    :disabled="isDisabled"
    :input-props="inner()"
    :maxlength="limit()"
    :autofocus="inner().autofocus === '' || inner().autofocus === true"
    @update:value="type"
    @change="emit('change', $event)"
  >
    <template v-if="prefix" #prefix
      ><span class="muted">{{ prefix }}</span></template
    >
    <template v-if="suffix" #suffix
      ><span class="muted">{{ suffix }}</span></template
    >
  </NInput>
</template>

<style>
.text-input.mono {
  --n-font-size: 13px !important;
  font-family: 'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace;
}
.text-input.mono .n-input__input-el,
.text-input.mono .n-input__textarea-el {
  font-family: inherit;
}
.text-input.cell {
  --n-color: transparent !important;
  --n-color-focus: transparent !important;
  --n-height: 30px !important;
}
.text-input.cell .n-input-wrapper {
  padding-inline: 6px;
}
</style>
