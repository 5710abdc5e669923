<script setup lang="ts">
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import type { FindingView } from '@/shared/api/client';
import { fieldsOf, groupsOf, type ContentType, type Field } from '@/shared/kinds';
import FieldControl from './FieldControl.vue';
import { partFields } from './parts';

/** The form an editor fills, made from the definition; used by the proof and by records alike. */
const props = defineProps<{
  type: ContentType;
  /** Labels of the standard parts, by key. */
  parts: Record<string, string>;
  problems: FindingView[];
  /** Where pictures go; without it none can be uploaded. */
  site?: string;
  readonly?: boolean;
}>();
const values = defineModel<Record<string, unknown>>({ required: true });
const emit = defineEmits<{ touch: [string] }>();

const sections = computed(() => [
  { id: 'parts', title: '', fields: partFields(props.parts) },
  ...groupsOf(props.type).map((group) => ({ id: group.id ?? '', title: group.title, fields: fieldsOf(group) })),
]);

function set(field: Field, value: unknown): void {
  values.value = { ...values.value, [field.key]: value };
  emit('touch', field.id ?? '');
}

function problemsOf(field: Field): FindingView[] {
  return props.problems.filter(
    (problem) => problem.field === field.id || (!problem.field && problem.property === field.key),
  );
}
</script>

<template>
  <div class="form">
    <fieldset v-for="section in sections" :key="section.id" :disabled="readonly">
      <legend v-if="section.title">{{ section.title }}</legend>
      <div v-for="field in section.fields" :key="field.id" class="field" :data-field="field.key">
        <label class="label" :for="`v-${field.id}`">
          {{ field.label || field.key }}
          <span v-if="field.required" class="muted normal">({{ $t('form.required') }})</span>
        </label>
        <FieldControl
          :id="`v-${field.id}`"
          :field="field"
          :type-key="type.key"
          :value="values[field.key]"
          :site="site"
          :invalid="problemsOf(field).length > 0"
          @change="set(field, $event)"
        />
        <p v-if="field.help" :id="`v-${field.id}-help`" class="hint">{{ field.help }}</p>
        <Problems :id="`v-${field.id}-problems`" :of="problemsOf(field)" />
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0 0 16px;
  padding: 0;
  min-width: 0;
}
legend {
  width: 100%;
  padding: 0 0 4px;
  margin-bottom: 10px;
  font-weight: 650;
  font-size: 16px;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.field {
  margin-bottom: 12px;
}
.label {
  overflow-wrap: anywhere;
}
.normal {
  font-weight: 400;
}
</style>
