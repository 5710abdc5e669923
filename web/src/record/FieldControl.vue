<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import type { Field } from '@/shared/kinds';
import { isMany, listOf } from './form';

/** The control of a field that holds a value of its own: texts, numbers, dates, choices. */
const IconControl = defineAsyncComponent(() => import('./IconControl.vue'));
const props = defineProps<{ id: string; field: Field; value: unknown; invalid: boolean }>();
const emit = defineEmits<{ change: [unknown] }>();

const text = computed(() => (props.value === undefined || props.value === null ? '' : String(props.value)));
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
  return field.kind === 'number' ? Array.from({ length: Math.min(Number(field.max ?? 5), 12) }, (_, i) => i + 1) : [];
});

const typed = (event: Event) => {
  emit('change', (event.target as HTMLInputElement).value);
};

function toggle(key: string): void {
  emit('change', picked.value.includes(key) ? picked.value.filter((each) => each !== key) : [...picked.value, key]);
}
</script>

<template>
  <textarea
    v-if="field.kind === 'long_text'"
    v-bind="common"
    class="area"
    :rows="field.rows ?? 4"
    :value="text"
    @input="typed"
  />
  <div v-else-if="field.kind === 'number' && field.shown === 'slider'" class="row">
    <input
      v-bind="common"
      class="slider"
      type="range"
      :min="field.min ?? 0"
      :max="field.max ?? 100"
      :step="field.step ?? 1"
      :value="text || (field.min ?? 0)"
      @input="typed"
    />
    <output class="num">{{ text }} {{ field.unit }}</output>
    <button v-if="text" type="button" class="plain-button small" @click="emit('change', null)">
      {{ $t('form.empty') }}
    </button>
  </div>
  <div
    v-else-if="field.kind === 'number' && field.shown === 'marks'"
    :id="id"
    class="row"
    role="radiogroup"
    :aria-labelledby="`${id}-label`"
  >
    <label v-for="mark in marks" :key="mark" class="row small"
      ><input type="radio" :name="id" :checked="Number(text) === mark" @change="emit('change', String(mark))" />{{
        mark
      }}</label
    >
    <button v-if="text" type="button" class="plain-button small" @click="emit('change', null)">
      {{ $t('form.empty') }}
    </button>
  </div>
  <div v-else-if="field.kind === 'number'" class="row">
    <input v-bind="common" class="input num" inputmode="decimal" autocomplete="off" :value="text" @input="typed" />
    <span v-if="field.unit" class="muted">{{ field.unit }}</span>
  </div>
  <select
    v-else-if="field.kind === 'yes_no'"
    v-bind="common"
    class="input"
    :value="text"
    @change="emit('change', { true: true, false: false }[($event.target as HTMLSelectElement).value])"
  >
    <option value="">{{ $t('form.unset') }}</option>
    <option value="true">{{ field.yes ?? 'Yes' }}</option>
    <option value="false">{{ field.no ?? 'No' }}</option>
  </select>
  <input
    v-else-if="field.kind === 'date' || field.kind === 'time' || field.kind === 'date_time'"
    v-bind="common"
    class="input"
    :type="field.kind === 'date_time' ? 'datetime-local' : field.kind"
    :min="field.earliest"
    :max="field.latest"
    :value="text"
    @input="typed"
  />
  <div v-else-if="field.kind === 'colour'" class="row">
    <input
      v-bind="common"
      class="input mono colour"
      autocomplete="off"
      placeholder="#000000"
      :value="text"
      @input="typed"
    />
    <input
      class="swatch"
      type="color"
      :value="/^#[0-9a-f]{6}$/i.test(text) ? text : '#000000'"
      :aria-label="$t('form.pick', { label: field.label })"
      @input="typed"
    />
  </div>
  <div v-else-if="field.kind === 'place'" class="row">
    <input
      v-bind="common"
      class="input num"
      inputmode="decimal"
      autocomplete="off"
      :placeholder="$t('proof.latitude')"
      :value="place.latitude ?? ''"
      @input="emit('change', { ...place, latitude: ($event.target as HTMLInputElement).value })"
    />
    <input
      class="input num"
      inputmode="decimal"
      autocomplete="off"
      :aria-label="`${field.label}: ${$t('proof.longitude')}`"
      :placeholder="$t('proof.longitude')"
      :value="place.longitude ?? ''"
      @input="emit('change', { ...place, longitude: ($event.target as HTMLInputElement).value })"
    />
  </div>
  <div
    v-else-if="field.kind === 'choice' && (isMany(field) || (field.shown ?? 'menu') !== 'menu')"
    :id="id"
    class="ticks"
    :class="{ wide: field.shown === 'buttons' }"
    :role="isMany(field) ? 'group' : 'radiogroup'"
    :aria-labelledby="`${id}-label`"
  >
    <label v-for="option in options" :key="option.key" class="row"
      ><input
        :type="isMany(field) ? 'checkbox' : 'radio'"
        :name="id"
        :checked="picked.includes(option.key)"
        @change="isMany(field) ? toggle(option.key) : emit('change', option.key)"
      />{{ option.label }}</label
    >
    <label v-for="key in strange" :key="key" class="row"
      ><input type="checkbox" checked @change="toggle(key)" />{{ key }}</label
    >
    <button v-if="!isMany(field) && text" type="button" class="plain-button small" @click="emit('change', null)">
      {{ $t('form.empty') }}
    </button>
  </div>
  <select v-else-if="field.kind === 'choice'" v-bind="common" class="input" :value="text" @change="typed">
    <option value="">{{ $t('form.choose') }}</option>
    <option v-for="key in strange" :key="key" :value="key">{{ key }}</option>
    <option v-for="option in options" :key="option.id" :value="option.key">{{ option.label }}</option>
  </select>
  <IconControl
    v-else-if="field.kind === 'icon'"
    :id="id"
    :label="field.label"
    :value="text"
    :invalid="invalid"
    @change="emit('change', $event)"
  />
  <div v-else-if="field.kind === 'text' && (field.prefix || field.suffix)" class="row">
    <span v-if="field.prefix" class="muted">{{ field.prefix }}</span>
    <input v-bind="common" class="input" autocomplete="off" :value="text" @input="typed" />
    <span v-if="field.suffix" class="muted">{{ field.suffix }}</span>
  </div>
  <input
    v-else
    v-bind="common"
    class="input"
    :inputmode="({ email: 'email', phone: 'tel', url: 'url' } as const)[field.kind as 'email'] ?? 'text'"
    autocomplete="off"
    :value="text"
    @input="typed"
  />
</template>

<style scoped>
.num {
  max-width: 160px;
}
.slider {
  flex: 1;
  max-width: 260px;
}
select.input,
input[type='date'],
input[type='time'],
input[type='datetime-local'] {
  max-width: 260px;
}
.colour {
  max-width: 130px;
}
.swatch {
  width: 40px;
  height: 32px;
  padding: 2px;
  background: var(--surface);
  border: 1px solid var(--muted);
  border-radius: 4px;
}
.ticks {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}
.ticks.wide {
  flex-flow: row wrap;
  gap: 4px 16px;
}
</style>
