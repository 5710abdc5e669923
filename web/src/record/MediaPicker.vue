<script setup lang="ts">
import { NButton } from 'naive-ui';
import { refDebounced } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { usePages } from '@/shared/api/queries';
import type { Schemas } from '@/shared/api/client';
import Dialog from '@/shared/controls/Dialog.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import MediaThumb from './MediaThumb.vue';
import { mediaPages, ofMedia } from './queries';

/** Files that a site has already: one is taken by a click, or several are marked and taken together. */
const props = defineProps<{ site: string; pictures: boolean; many: boolean; taken: number[] }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ pick: [Schemas['MediaView'][]] }>();
const search = ref('');
const words = refDebounced(search, 250);
const marked = ref<Schemas['MediaView'][]>([]);
const input = useTemplateRef<InstanceType<typeof TextInput>>('input');
const found = usePages(() => mediaPages(props.site, words.value, props.pictures), {
  keeps: (key) => ofMedia(props.site).every((part, at) => key[at] === part),
});
const files = computed(() => found.pages.value?.flat() ?? []);
const isMarked = (file: Schemas['MediaView']) => marked.value.some((each) => each.id === file.id);

watch(
  open,
  async (isOpen) => {
    if (isOpen) {
      marked.value = [];
      await nextTick();
      input.value?.focus();
    }
  },
  { immediate: true },
);

function choose(file: Schemas['MediaView']): void {
  if (props.many) {
    marked.value = isMarked(file) ? marked.value.filter((each) => each.id !== file.id) : [...marked.value, file];
  } else {
    take([file]);
  }
}

function take(chosen: Schemas['MediaView'][]): void {
  emit('pick', chosen);
  open.value = false;
}
</script>

<template>
  <Dialog v-model="open" :title="$t(pictures ? 'media.pickPictures' : 'media.pickFiles')" :width="760">
    <div class="stack">
      <TextInput
        ref="input"
        v-model:value="search"
        :placeholder="$t('media.search')"
        :aria-label="$t('media.search')"
      />
      <Problems v-if="found.problem.value" :of="[{ sentence: found.problem.value, severity: 'blocker' }]" />
      <p v-if="found.pages.value && !files.length" class="muted">{{ $t(search ? 'media.noneFits' : 'media.none') }}</p>
      <ul class="grid">
        <li v-for="file in files" :key="file.id">
          <MediaThumb
            :file="file"
            :pressed="many ? isMarked(file) : undefined"
            :disabled="taken.includes(file.id)"
            @click="choose(file)"
          />
        </li>
      </ul>
      <div class="row spread">
        <NButton v-if="found.hasNext.value" :loading="found.isFetching.value" @click="found.more">{{
          $t('media.more')
        }}</NButton>
        <span v-else />
        <NButton v-if="many" type="primary" :disabled="!marked.length" @click="take(marked)">{{
          $t('media.take', { n: marked.length }, marked.length)
        }}</NButton>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
