<script setup lang="ts">
import { computed } from 'vue';
import type { ContentType } from '@/shared/kinds';

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
  <div class="parts" role="group" :aria-label="$t('model.parts')">
    <strong>{{ $t('model.parts') }}</strong>
    <label v-for="part in parts" :key="part" class="row">
      <input
        type="checkbox"
        :checked="chosen.includes(part)"
        :disabled="part === 'title'"
        @change="toggle(part, ($event.target as HTMLInputElement).checked)"
      />{{ labels[part] || $t(`model.partNames.${part}`) }}
    </label>
    <details>
      <summary>{{ $t('model.partLabels') }}</summary>
      <div class="grid">
        <div v-for="part in chosen" :key="part">
          <label class="small" :for="`part-${part}`">{{ $t(`model.partNames.${part}`) }}</label>
          <input
            :id="`part-${part}`"
            class="input"
            :value="labels[part] ?? ''"
            :placeholder="$t(`model.partNames.${part}`)"
            @change="label(part, ($event.target as HTMLInputElement).value)"
          />
        </div>
      </div>
    </details>
  </div>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
}
summary {
  cursor: pointer;
  color: var(--petrol);
  font-size: 13px;
}
details[open] {
  flex-basis: 100%;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
  padding-top: 4px;
}
</style>
