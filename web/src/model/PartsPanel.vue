<script setup lang="ts">
import { computed } from 'vue';
import type { ContentType } from '@/shared/kinds';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import Disclosure from '@/shared/controls/Disclosure.vue';

const props = defineProps<{ type: ContentType }>();
const emit = defineEmits<{ change: [Partial<ContentType>] }>();
const parts = ['title', 'summary', 'body', 'lead_image', 'author', 'position'] as const;
type Part = (typeof parts)[number];
const chosen = computed<Part[]>(() => props.type.parts ?? ['title']);
const labels = computed(() => props.type.part_labels ?? {});

function toggle(part: Part, on: boolean): void {
  emit('change', { parts: parts.filter((each) => (each === part ? on : chosen.value.includes(each))) });
}

function label(part: string, text: string): void {
  const next = Object.fromEntries(Object.entries({ ...labels.value, [part]: text }).filter(([, each]) => each.trim()));
  emit('change', { part_labels: Object.keys(next).length ? next : undefined });
}
</script>

<template>
  <div class="parts" data-explain="a_type.parts" role="group" :aria-label="$t('model.parts')">
    <strong>{{ $t('model.parts') }}</strong>
    <Check
      v-for="part in parts"
      :key="part"
      :checked="chosen.includes(part)"
      :disabled="part === 'title'"
      @update:checked="toggle(part, $event)"
      >{{ labels[part] || $t(`model.partNames.${part}`) }}</Check
    >
    <Disclosure data-explain="a_type.part_labels" :title="$t('model.partLabels')">
      <div class="grid">
        <div v-for="part in chosen" :key="part">
          <label class="small" :for="`part-${part}`">{{ $t(`model.partNames.${part}`) }}</label>
          <TextInput
            :id="`part-${part}`"
            :value="labels[part] ?? ''"
            :placeholder="$t(`model.partNames.${part}`)"
            @change="label(part, $event)"
          />
        </div>
      </div>
    </Disclosure>
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
}
.disclosure {
  flex-basis: 100%;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
  padding-top: 4px;
}
</style>
