<script setup lang="ts">
import { computed } from 'vue';
import type { Field } from '@/shared/kinds';
import ImageControl from './ImageControl.vue';

const props = defineProps<{
  id: string;
  field: Field;
  typeKey: string;
  value: unknown;
  site: string | undefined;
  invalid: boolean;
}>();
const emit = defineEmits<{ change: [unknown] }>();

const text = computed(() => (props.value === undefined || props.value === null ? '' : String(props.value)));
const describedBy = computed(() => `${props.id}-help ${props.id}-problems`);
const common = computed(() => ({ 'aria-invalid': props.invalid, 'aria-describedby': describedBy.value, id: props.id }));
const typed = (event: Event) => {
  emit('change', (event.target as HTMLInputElement).value);
};
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
    v-else-if="field.kind === 'date'"
    v-bind="common"
    class="input"
    type="date"
    :min="field.earliest"
    :max="field.latest"
    :value="text"
    @input="typed"
  />
  <input
    v-else-if="field.kind === 'time'"
    v-bind="common"
    class="input"
    type="time"
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
  <select v-else-if="field.kind === 'choice'" v-bind="common" class="input" :value="text" @change="typed">
    <option value="">{{ $t('form.choose') }}</option>
    <option v-if="text && !field.options?.some((option) => option.key === text)" :value="text">{{ text }}</option>
    <template v-for="option in field.options" :key="option.id">
      <option v-if="!option.retired || option.key === text" :value="option.key">{{ option.label }}</option>
    </template>
  </select>
  <ImageControl
    v-else-if="field.kind === 'image'"
    :id="id"
    :field="field"
    :type-key="typeKey"
    :value="value"
    :site="site"
    @change="emit('change', $event)"
  />
  <input
    v-else
    v-bind="common"
    class="input"
    :inputmode="field.kind === 'email' ? 'email' : field.kind === 'phone' ? 'tel' : 'text'"
    autocomplete="off"
    :value="text"
    @input="typed"
  />
</template>

<style scoped>
.num {
  max-width: 160px;
}
select.input,
input[type='date'],
input[type='time'] {
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
</style>
