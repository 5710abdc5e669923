<script setup lang="ts">
import { computed, ref } from 'vue';
import { icons } from './icons';
import TextInput from '@/shared/controls/TextInput.vue';
import { NButton } from 'naive-ui';

/** An icon by its picture or its name. */
const props = defineProps<{ id: string; label: string; value: string; invalid: boolean }>();
const emit = defineEmits<{ change: [string | null] }>();
const open = ref(false);
const words = ref('');
const found = computed(() => Object.keys(icons).filter((name) => name.includes(words.value.trim().toLowerCase())));

function typed(text: string): void {
  emit('change', text);
  words.value = text;
}

function show(): void {
  open.value = !open.value;
  words.value = '';
}

function choose(name: string): void {
  emit('change', name);
  open.value = false;
  document.getElementById(props.id)?.focus();
}

/** Arrows go from picture to picture. */
function onKey(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 8, ArrowUp: -8 }[event.key];
  const target = event.target as HTMLElement;
  if (by) {
    event.preventDefault();
    const all = [...(target.parentElement?.querySelectorAll<HTMLElement>('button') ?? [])];
    all[all.indexOf(target) + by]?.focus();
  } else if (event.key === 'Escape') {
    open.value = false;
    document.getElementById(props.id)?.focus();
  }
}
</script>

<template>
  <div>
    <div class="row">
      <span class="now" aria-hidden="true"><component :is="icons[value]" v-if="icons[value]" /></span>
      <TextInput
        :id="id"
        mono
        autocomplete="off"
        :value="value"
        :aria-invalid="invalid"
        :aria-describedby="`${id}-help ${id}-problems`"
        @update:value="typed"
      />
      <NButton size="small" :aria-expanded="open" :aria-label="$t('form.pick', { label })" @click="show">
        {{ $t('form.pickIcon') }}</NButton
      >
    </div>
    <div v-if="open" class="grid" role="group" :aria-label="$t('form.pick', { label })" @keydown="onKey">
      <NButton
        v-for="name in found"
        :key="name"
        quaternary
        :title="name"
        :aria-label="name"
        :aria-pressed="name === value"
        @click="choose(name)"
      >
        <component :is="icons[name]" />
      </NButton>
      <p v-if="!found.length" class="hint">{{ $t('form.nothingFound') }}</p>
    </div>
  </div>
</template>

<style scoped>
.text-input {
  max-width: 200px;
}
.now {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  font-size: 20px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(8, 36px);
  gap: 2px;
  max-height: 200px;
  margin-top: 4px;
  padding: 6px;
  overflow: auto;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.grid .n-button {
  padding: 0;
  font-size: 20px;
}
.grid .n-button:hover {
  background: var(--ground);
}
.grid .n-button[aria-pressed='true'] {
  border-color: var(--petrol);
  background: var(--petrol-soft);
}
</style>
