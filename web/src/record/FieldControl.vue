<script setup lang="ts">
import { textOf } from '@/shared/text';
import { NButton } from 'naive-ui';
import { computed, defineAsyncComponent } from 'vue';
import { useI18n } from 'vue-i18n';
import type { Field } from '@/shared/kinds';
import { isMany, listOf } from './form';
import { readPlace } from './place';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import ColourInput from '@/shared/controls/ColourInput.vue';
import DateInput from '@/shared/controls/DateInput.vue';
import NumberInput from '@/shared/controls/NumberInput.vue';
import Radios from '@/shared/controls/Radios.vue';
import SliderInput from '@/shared/controls/SliderInput.vue';
import TextInput from '@/shared/controls/TextInput.vue';

/** The control of a field that holds a value of its own: texts, numbers, dates, choices. */
const IconControl = defineAsyncComponent(() => import('./IconControl.vue'));
const props = defineProps<{ id: string; field: Field; value: unknown; invalid: boolean }>();
const { t } = useI18n();
const emit = defineEmits<{ change: [unknown] }>();

const text = computed(() => textOf(props.value));
const describedBy = computed(() => `${props.id}-help ${props.id}-problems`);
const common = computed(() => ({ 'aria-invalid': props.invalid, 'aria-describedby': describedBy.value, id: props.id }));
const picked = computed(() => listOf(props.value).map(String));
const place = computed(() => (props.value ?? {}) as Record<string, unknown>);
const options = computed(() =>
  props.field.kind === 'choice'
    ? (props.field.options ?? []).filter((option) => !option.retired || picked.value.includes(option.key))
    : [],
);
/** Kept by the record, and not among the options any more. */
const strange = computed(() => picked.value.filter((key) => !options.value.some((option) => option.key === key)));
const marks = computed(() => {
  const field = props.field;
  return field.kind === 'number' ? Array.from({ length: Math.min(field.max ?? 5, 12) }, (_, i) => i + 1) : [];
});

const typed = (text: string) => {
  emit('change', text);
};
const ticks = computed(() => [
  ...strange.value.map((key) => ({ value: key, label: key })),
  ...options.value.map((option) => ({ value: option.key, label: option.label })),
]);
const menu = computed(() => [...(props.field.required ? [] : [{ value: '', label: t('form.unset') }]), ...ticks.value]);
const answers = computed(() =>
  props.field.kind === 'yes_no'
    ? [
        { value: '', label: t('form.unset') },
        { value: 'true', label: props.field.yes ?? t('form.yes') },
        { value: 'false', label: props.field.no ?? t('form.no') },
      ]
    : [],
);
const modes = { email: 'email', phone: 'tel', url: 'url' } as const;

/** Two numbers, or an address of a place, pasted into either box. */
function onPaste(event: ClipboardEvent): void {
  const read = readPlace(event.clipboardData?.getData('text/plain') ?? '');
  if (read) {
    event.preventDefault();
    emit('change', { ...place.value, ...read });
  }
}

function toggle(key: string): void {
  emit('change', picked.value.includes(key) ? picked.value.filter((each) => each !== key) : [...picked.value, key]);
}
</script>

<template>
  <TextInput
    v-if="field.kind === 'long_text'"
    v-bind="common"
    multiline
    dir="auto"
    :rows="field.rows ?? 4"
    :value="text"
    @update:value="typed"
  />
  <div v-else-if="field.kind === 'number' && field.shown === 'slider'" class="row">
    <SliderInput
      :id="id"
      :min="Number(field.min ?? 0)"
      :max="Number(field.max ?? 100)"
      :step="Number(field.step ?? 1)"
      :value="Number(text || (field.min ?? 0))"
      :labelledby="`${id}-label`"
      :describedby="describedBy"
      @update:value="typed(String($event))"
    />
    <output class="num">{{ text }} {{ field.unit }}</output>
    <NButton v-if="text && !field.required" text type="primary" size="small" @click="emit('change', null)">{{
      $t('form.empty')
    }}</NButton>
  </div>
  <div v-else-if="field.kind === 'number' && field.shown === 'marks'" class="row">
    <Radios
      :id="id"
      :aria-labelledby="`${id}-label`"
      :aria-describedby="describedBy"
      :value="text"
      :options="marks.map((mark) => ({ value: String(mark), label: String(mark) }))"
      @update:value="typed"
    />
    <NButton v-if="text && !field.required" text type="primary" size="small" @click="emit('change', null)">{{
      $t('form.empty')
    }}</NButton>
  </div>
  <NumberInput
    v-else-if="field.kind === 'number'"
    v-bind="common"
    class="number"
    :whole="!field.decimals"
    :value="text"
    :suffix="field.unit"
    @update:value="typed"
  />
  <Choice
    v-else-if="field.kind === 'yes_no'"
    v-bind="common"
    class="short"
    :value="text"
    :options="answers"
    @update:value="emit('change', { true: true, false: false }[$event])"
  />
  <DateInput
    v-else-if="field.kind === 'date' || field.kind === 'time' || field.kind === 'date_time'"
    v-bind="common"
    :kind="field.kind"
    :label="field.label"
    :earliest="field.earliest"
    :latest="field.latest"
    :value="text"
    @update:value="typed"
  />
  <ColourInput
    v-else-if="field.kind === 'colour'"
    v-bind="common"
    :label="field.label"
    :value="text"
    @update:value="typed"
  />
  <div v-else-if="field.kind === 'place'" class="row place" @paste="onPaste">
    <NumberInput
      v-bind="common"
      class="number"
      :placeholder="$t('proof.latitude')"
      :value="String(place.latitude ?? '')"
      @update:value="emit('change', { ...place, latitude: $event })"
    />
    <NumberInput
      class="number"
      :aria-label="`${field.label}: ${$t('proof.longitude')}`"
      :placeholder="$t('proof.longitude')"
      :value="String(place.longitude ?? '')"
      @update:value="emit('change', { ...place, longitude: $event })"
    />
  </div>
  <div
    v-else-if="field.kind === 'choice' && isMany(field)"
    :id="id"
    class="ticks"
    :class="{ wide: field.shown === 'buttons' }"
    role="group"
    :aria-labelledby="`${id}-label`"
  >
    <Check
      v-for="option in ticks"
      :key="option.value"
      :checked="picked.includes(option.value)"
      @update:checked="toggle(option.value)"
      >{{ option.label }}</Check
    >
  </div>
  <div v-else-if="field.kind === 'choice' && (field.shown ?? 'menu') !== 'menu'" class="ticks">
    <Radios
      :id="id"
      :column="field.shown !== 'buttons'"
      :aria-labelledby="`${id}-label`"
      :aria-describedby="describedBy"
      :value="text"
      :options="ticks"
      @update:value="typed"
    />
    <NButton v-if="text && !field.required" text type="primary" size="small" @click="emit('change', null)">{{
      $t('form.empty')
    }}</NButton>
  </div>
  <Choice
    v-else-if="field.kind === 'choice'"
    v-bind="common"
    class="short"
    :value="text || undefined"
    :options="menu"
    :placeholder="$t('form.choose')"
    @update:value="typed"
  />
  <IconControl
    v-else-if="field.kind === 'icon'"
    :id="id"
    :label="field.label"
    :value="text"
    :invalid="invalid"
    @change="emit('change', $event)"
  />
  <TextInput
    v-else
    v-bind="common"
    dir="auto"
    autocomplete="off"
    :inputmode="modes[field.kind as 'email'] ?? 'text'"
    :prefix="field.kind === 'text' ? field.prefix : undefined"
    :suffix="field.kind === 'text' ? field.suffix : undefined"
    :value="text"
    @update:value="typed"
  />
</template>

<style scoped>
.number {
  max-width: 160px;
}
.short {
  max-width: 260px;
}
.ticks {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 4px;
}
.ticks.wide {
  flex-flow: row wrap;
  gap: 4px 16px;
}
</style>
