<script setup lang="ts">
import { computed, ref } from 'vue';
import { icons } from './icons';

/** An icon by its picture or its name. */
const props = defineProps<{ id: string; label: string; value: string; invalid: boolean }>();
const emit = defineEmits<{ change: [string | null] }>();
const open = ref(false);
const words = ref('');
const found = computed(() => Object.keys(icons).filter((name) => name.includes(words.value.trim().toLowerCase())));

function typed(event: Event): void {
  const text = (event.target as HTMLInputElement).value;
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
      <input
        :id="id"
        class="input mono"
        autocomplete="off"
        :value="value"
        :aria-invalid="invalid"
        :aria-describedby="`${id}-help ${id}-problems`"
        @input="typed"
      />
      <button
        type="button"
        class="plain-button small"
        :aria-expanded="open"
        :aria-label="$t('form.pick', { label })"
        @click="show"
      >
        {{ $t('form.pickIcon') }}
      </button>
    </div>
    <div v-if="open" class="grid" role="group" :aria-label="$t('form.pick', { label })" @keydown="onKey">
      <button
        v-for="name in found"
        :key="name"
        type="button"
        :title="name"
        :aria-label="name"
        :aria-pressed="name === value"
        @click="choose(name)"
      >
        <component :is="icons[name]" />
      </button>
      <p v-if="!found.length" class="hint">{{ $t('form.nothingFound') }}</p>
    </div>
  </div>
</template>

<style scoped>
.input {
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
.grid button {
  display: grid;
  place-items: center;
  height: 36px;
  padding: 0;
  color: var(--ink);
  font-size: 20px;
  background: none;
  border: 1px solid transparent;
  border-radius: 4px;
  cursor: pointer;
}
.grid button:hover {
  background: var(--ground);
}
.grid button[aria-pressed='true'] {
  border-color: var(--petrol);
  background: var(--petrol-soft);
}
</style>
