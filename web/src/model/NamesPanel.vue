<script setup lang="ts">
import { computed, ref } from 'vue';
import IconChevron from '~icons/tabler/chevron-down';
import type { Definition, Sort } from '@/shared/definitions';
import { namesFor } from './names';
import { useProof } from './proof';
import WordingPicture from './WordingPicture.vue';

/** What a definition is called: everything derives from the noun or title until it is typed. */
const props = defineProps<{ definition: Definition; sort: Sort }>();
const emit = defineEmits<{ change: [Record<string, unknown>] }>();

const proof = useProof();
const open = ref(false);
const hasNoun = computed(() => 'singular' in props.definition);
const texts = computed(() =>
  hasNoun.value ? (['singular', 'plural', 'key', 'path'] as const) : (['title', 'key'] as const),
);
const own = computed(() =>
  props.sort === 'type' && 'wordings' in props.definition ? (props.definition.wordings ?? {}) : {},
);
const derived = computed(() => proof.answer?.wordings ?? {});

function valueOf(name: string): string {
  return String((props.definition as unknown as Record<string, unknown>)[name] ?? '');
}

/** A new noun renames what still derives from the old one; a key that is released is never touched by that. */
async function setNoun(name: 'singular' | 'title', text: string): Promise<void> {
  const before = valueOf(name);
  emit('change', { [name]: text });
  if (name === 'singular' && !valueOf('plural')) {
    const names = await namesFor([text], []);
    emit('change', { [name]: text, plural: names.plurals[0] ?? before });
  }
}

function set(name: string, text: string): void {
  if (name === 'singular' || name === 'title') {
    void setNoun(name, text);
  } else {
    emit('change', { [name]: text });
  }
}

function word(name: string, text: string): void {
  const wordings = { ...own.value, [name]: text };
  const kept = Object.fromEntries(Object.entries(wordings).filter(([, value]) => value.trim() !== ''));
  emit('change', { wordings: kept });
}

const value = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <section class="panel names">
    <div class="grid">
      <div v-for="name in texts" :key="name">
        <label class="label" :for="`def-${name}`">{{ $t(`model.${name}`) }}</label>
        <input
          :id="`def-${name}`"
          class="input"
          :class="{ mono: name === 'key' || name === 'path' }"
          dir="auto"
          :value="valueOf(name)"
          @input="set(name, value($event))"
        />
      </div>
    </div>
    <button type="button" class="plain-button more" :aria-expanded="open" @click="open = !open">
      <IconChevron :style="{ transform: open ? 'rotate(180deg)' : '' }" aria-hidden="true" />
      {{ $t(sort === 'type' ? 'model.wordingsAndDescription' : 'model.description') }}
    </button>
    <div v-if="open" class="stack">
      <div>
        <label class="label" for="def-description">{{ $t('model.description') }}</label>
        <textarea
          id="def-description"
          class="area"
          rows="2"
          dir="auto"
          :value="valueOf('description')"
          @input="emit('change', { description: value($event) || undefined })"
        />
      </div>
      <template v-if="sort === 'type'">
        <p class="hint" style="margin: 0">{{ $t('model.wordingsHint') }}</p>
        <div class="grid wordings">
          <div v-for="(text, name) in derived" :key="name" class="wording">
            <WordingPicture :name="String(name)" :text="text" />
            <label class="small" :for="`wording-${name}`">{{ $t(`model.wording.${name}`) }}</label>
            <input
              :id="`wording-${name}`"
              class="input"
              dir="auto"
              :value="own[name] ?? ''"
              :placeholder="text"
              @input="word(String(name), value($event))"
            />
          </div>
        </div>
      </template>
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
.wordings {
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 12px;
}
.wording {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.more + .stack {
  margin-top: 12px;
}
</style>
