<script setup lang="ts">
import { computed, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import type { Defined } from '@/shared/definitions';
import type { Field } from '@/shared/kinds';
import ProofField from './ProofField.vue';
import { useProof } from './proof';

/** The entry form that the definition makes, with values to try. */
defineProps<{ of: Defined }>();
const proof = useProof();
const touched = ref(new Set<string>());
const groups = computed(() => [
  { id: 'first', title: '', description: '', fields: proof.answer?.first ?? [] },
  ...(proof.answer?.groups ?? []).filter((group) => !proof.answer?.hidden.includes(group.id)),
]);

function set(field: Field, value: unknown): void {
  touched.value = new Set(touched.value).add(field.key);
  proof.set({ ...proof.values, [field.key]: value });
}
</script>

<template>
  <p class="hint first">{{ $t('proof.formHint') }}</p>
  <template v-if="proof.answer && !proof.answer.code">
    <p>{{ $t('proof.unreadable') }}</p>
    <Problems :of="proof.answer.findings" />
  </template>
  <div v-else-if="proof.answer" class="form">
    <fieldset v-for="group in groups" :key="group.id">
      <legend v-if="group.title" dir="auto">{{ group.title }}</legend>
      <p v-if="group.description" class="hint">{{ group.description }}</p>
      <div class="line">
        <ProofField
          v-for="{ field } in group.fields"
          :key="(field as Field).id"
          :field="field as Field"
          :path="(field as Field).key"
          :value="proof.values[(field as Field).key]"
          :touched="touched.has((field as Field).key)"
          @change="set(field as Field, $event)"
        />
      </div>
    </fieldset>
    <p v-if="!groups.some((group) => group.fields.length)" class="hint">{{ $t('proof.noFields') }}</p>
  </div>
</template>

<style scoped>
.first {
  margin: 0 0 12px;
}
fieldset {
  border: 0;
  margin: 0 0 16px;
  padding: 0;
  min-width: 0;
}
legend {
  width: 100%;
  padding: 0 0 4px;
  margin-bottom: 8px;
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
