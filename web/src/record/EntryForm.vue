<script setup lang="ts">
import { computed } from 'vue';
import type { Field } from '@/shared/kinds';
import EntryField from './EntryField.vue';
import { useForm } from './form';
import ControlSet from '@/shared/controls/ControlSet.vue';

interface FormGroup {
  id: string;
  title: string;
  description: string;
  fields: { field: unknown }[];
}

/** The form an editor fills, made from the definitions; of records and of definitions that are tried alike. */
const props = defineProps<{ first: { field: unknown }[]; groups: FormGroup[] }>();
const values = defineModel<Record<string, unknown>>({ required: true });
const emit = defineEmits<{ touch: [string] }>();
const form = useForm();

const sections = computed(() => [
  { id: 'first', title: '', description: '', fields: props.first },
  ...props.groups.filter((group) => !form.hidden(group.id)),
]);
const fieldsOf = (section: FormGroup) => section.fields.map(({ field }) => field as Field);

function set(field: Field, value: unknown): void {
  values.value = { ...values.value, [field.key]: value };
  emit('touch', field.key);
}
</script>

<template>
  <div class="form">
    <ControlSet
      v-for="section in sections"
      :key="section.id"
      class="section"
      :legend="section.title"
      :disabled="form.readonly()"
    >
      <p v-if="section.description" class="hint">{{ section.description }}</p>
      <div class="line">
        <EntryField
          v-for="field in fieldsOf(section)"
          :key="field.id"
          :field="field"
          :path="field.key"
          :value="values[field.key]"
          @change="set(field, $event)"
        />
      </div>
    </ControlSet>
  </div>
</template>

<style scoped>
.section {
  margin-bottom: 24px;
}
.section :deep(legend) {
  width: 100%;
  padding: 0 0 4px;
  margin-bottom: 10px;
  font-weight: 650;
  font-size: 16px;
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.line {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 12px;
}
</style>
