<script setup lang="ts">
import { textOf } from '@/shared/text';
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import { nameOf, type Definition, type Sort } from '@/shared/definitions';
import { useDraft } from './draft';
import { namesFor } from './names';
import { useProof } from './proof';
import WordingPicture from './WordingPicture.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import Disclosure from '@/shared/controls/Disclosure.vue';

/** What a definition is called: everything derives from the noun or title until it is typed. */
const props = defineProps<{ definition: Definition; sort: Sort }>();
const emit = defineEmits<{ change: [Record<string, unknown>] }>();

const { t } = useI18n();
const draft = useDraft();
const proof = useProof();
const hasNoun = computed(() => 'singular' in props.definition);
const texts = computed(() =>
  hasNoun.value ? (['singular', 'plural', 'key', 'path'] as const) : (['title', 'key'] as const),
);
const own = computed(() =>
  props.sort === 'type' && 'wordings' in props.definition ? (props.definition.wordings ?? {}) : {},
);
const derived = computed(() => proof.answer?.wordings ?? {});

function valueOf(name: string): string {
  return textOf((props.definition as unknown as Record<string, unknown>)[name]);
}

/** A new noun renames what still derives from the old one; a key that is released is never touched by that. */
async function setNoun(name: 'singular' | 'title', text: string): Promise<void> {
  emit('change', { [name]: text });
  if (name === 'singular' && !valueOf('plural')) {
    const plural = (await namesFor([text], [])).plurals[0];
    // somebody may have typed on while the answer was on its way
    if (plural && valueOf(name) === text && !valueOf('plural')) {
      emit('change', { plural });
    }
  }
}

/** Another definition of this sort that has the same key: told here at once, wherever the check tells of it. */
const twin = computed(() =>
  draft.definitions.find(
    (each) =>
      each.sort === props.sort &&
      each.definition.key === props.definition.key &&
      each.definition.id !== props.definition.id &&
      props.definition.key !== '',
  ),
);
const isTold = computed(() =>
  draft.findings.some((each) => each.code === 'KEY_TWICE' && each.definition === props.definition.id && !each.field),
);
const twice = computed(() =>
  twin.value && !isTold.value
    ? t('model.keyTwice', {
        a: nameOf(twin.value),
        b: valueOf(hasNoun.value ? 'singular' : 'title'),
        key: valueOf('key'),
      })
    : '',
);

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
</script>

<template>
  <section class="panel names">
    <div class="grid">
      <div v-for="name in texts" :key="name" :data-explain="`a_${sort}.${name}`">
        <label class="label" :for="`def-${name}`">{{ $t(`model.${name}`) }}</label>
        <TextInput
          :id="`def-${name}`"
          :mono="name === 'key' || name === 'path'"
          dir="auto"
          :value="valueOf(name)"
          :aria-invalid="name === 'key' && twin !== undefined"
          :aria-describedby="name === 'key' && twice ? 'def-twice' : undefined"
          @update:value="set(name, $event)"
        />
      </div>
    </div>
    <Problems v-if="twice" id="def-twice" :of="[{ sentence: twice, severity: 'blocker' }]" />
    <Disclosure class="more" :title="$t(sort === 'type' ? 'model.wordingsAndDescription' : 'model.description')"
      ><div class="stack">
        <div :data-explain="`a_${sort}.description`">
          <label class="label" for="def-description">{{ $t('model.description') }}</label>
          <TextInput
            id="def-description"
            multiline
            rows="2"
            dir="auto"
            :value="valueOf('description')"
            @update:value="emit('change', { description: $event || undefined })"
          />
        </div>
        <template v-if="sort === 'type'">
          <p class="hint" style="margin: 0">{{ $t('model.wordingsHint') }}</p>
          <div class="grid wordings" data-explain="a_type.wordings">
            <div v-for="(text, name) in derived" :key="name" class="wording">
              <WordingPicture :name="String(name)" :text="text" />
              <label class="small" :for="`wording-${name}`">{{ $t(`model.wording.${name}`) }}</label>
              <TextInput
                :id="`wording-${name}`"
                dir="auto"
                :value="own[name] ?? ''"
                :placeholder="text"
                @update:value="word(String(name), $event)"
              />
            </div>
          </div>
        </template></div
    ></Disclosure>
  </section>
</template>

<style scoped>
.names {
  padding: 12px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px 12px;
}
.more {
  margin-top: 8px;
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
</style>
