<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useDebounceFn } from '@vueuse/core';
import IconChevron from '~icons/tabler/chevron-down';
import { api, ask } from '@/shared/api/client';
import type { ContentType } from '@/shared/kinds';

const props = defineProps<{ type: ContentType }>();
const emit = defineEmits<{ change: [Partial<ContentType>] }>();

const open = ref(false);
const derived = ref<Record<string, string>>({});
const texts = ['singular', 'plural', 'key', 'path'] as const;
const own = computed(() => props.type.wordings ?? {});

const derive = useDebounceFn(async () => {
  const definition = { ...props.type, wordings: {} };
  derived.value = (await ask(api.POST('/api/proof', { body: { definition, values: {} } }))).wordings;
}, 250);

watch(
  () => [open.value, props.type.singular, props.type.plural],
  () => {
    if (open.value) {
      derive().catch(() => undefined);
    }
  },
);

function word(name: string, text: string): void {
  const wordings = { ...own.value, [name]: text };
  const kept = Object.fromEntries(Object.entries(wordings).filter(([, value]) => value.trim() !== ''));
  emit('change', { wordings: kept });
}
</script>

<template>
  <section class="panel names">
    <div class="grid">
      <div v-for="name in texts" :key="name">
        <label class="label" :for="`type-${name}`">{{ $t(`model.${name}`) }}</label>
        <input
          :id="`type-${name}`"
          class="input"
          :class="{ mono: name === 'key' || name === 'path' }"
          :value="type[name]"
          @input="emit('change', { [name]: ($event.target as HTMLInputElement).value })"
        />
      </div>
    </div>
    <button type="button" class="plain-button more" :aria-expanded="open" @click="open = !open">
      <IconChevron :style="{ transform: open ? 'rotate(180deg)' : '' }" aria-hidden="true" />
      {{ $t('model.wordings') }}, {{ $t('model.description') }}
    </button>
    <div v-if="open" class="stack">
      <div>
        <label class="label" for="type-description">{{ $t('model.description') }}</label>
        <textarea
          id="type-description"
          class="area"
          rows="2"
          :value="type.description ?? ''"
          @input="emit('change', { description: ($event.target as HTMLTextAreaElement).value })"
        />
      </div>
      <p class="hint" style="margin: 0">{{ $t('model.wordingsHint') }}</p>
      <div class="grid">
        <div v-for="(text, name) in derived" :key="name">
          <label class="label" :for="`wording-${name}`">{{ $t(`model.wording.${name}`) }}</label>
          <input
            :id="`wording-${name}`"
            class="input"
            :value="own[name] ?? ''"
            :placeholder="text"
            @input="word(String(name), ($event.target as HTMLInputElement).value)"
          />
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.names {
  padding: 12px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px 12px;
}
.more {
  display: flex;
  align-items: center;
  gap: 4px;
  margin-top: 8px;
  color: var(--petrol);
}
.more + .stack {
  margin-top: 12px;
}
</style>
