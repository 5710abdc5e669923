<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useDraft } from '@/model/draft';
import SearchInput from '@/shared/controls/SearchInput.vue';
import { newId } from '@/shared/kinds';
import { arranging, blockOfWay, finds, plain, plainBlock, type Block, type Way } from './blocks';

/** The quick line: words find a value, or something to arrange blocks with, and Enter adds it. */
const props = defineProps<{
  /** What can be shown where it would stand; nothing while that is not known. */
  ways: Way[] | undefined;
}>();
const emit = defineEmits<{ add: [Block] }>();
const { t } = useI18n();
const draft = useDraft();
const words = ref('');
const MOST = 60;
const input = useTemplateRef<InstanceType<typeof SearchInput>>('input');

interface Offer {
  value: string;
  label: string;
  detail: string;
  make: () => Block;
}

const offers = computed<Offer[]>(() => [
  ...(props.ways ?? []).map((way) => ({
    value: `way ${way.path}`,
    label: way.label,
    detail: t(`layout.kinds.${way.block}`),
    make: () => blockOfWay(way),
  })),
  ...[...plain, ...arranging].map((word) => ({
    value: `word ${word}`,
    label: t(`layout.kinds.${word}`),
    detail: '',
    make: () =>
      plainBlock(
        word,
        t(word === 'text' ? 'layout.newText' : word === 'fold' ? 'layout.newFold' : 'layout.newSection'),
      ),
  })),
  ...draft.ofSort('part').map((part) => ({
    value: `part ${part.id ?? ''}`,
    label: part.title,
    detail: t('layout.kinds.part'),
    make: (): Block => ({ id: newId('b'), block: 'part', part: part.id ?? '' }),
  })),
  ...draft.ofSort('listing').map((listing) => ({
    value: `listing ${listing.id ?? ''}`,
    label: listing.title,
    detail: t('layout.kinds.listing'),
    make: (): Block => ({ id: newId('b'), block: 'listing', listing: listing.id ?? '' }),
  })),
]);
/** Enter that comes with the last letter picks the first of what the words find, as soon as that is shown. */
const settledFor = ref('');
const SETTLES_AFTER = 60;
const settle = useDebounceFn(() => (settledFor.value = words.value), SETTLES_AFTER);
watch(words, () => void settle());
/** What needs fewest steps comes first. */
const found = computed(() =>
  offers.value
    .filter((offer) => finds(words.value, offer.label))
    .sort((a, b) => a.label.split(' › ').length - b.label.split(' › ').length)
    .slice(0, MOST),
);

function pick(value: string): void {
  const offer = offers.value.find((each) => each.value === value);
  words.value = '';
  if (offer) {
    emit('add', offer.make());
  }
}

defineExpose({ focus: () => input.value?.focus() });
</script>

<template>
  <SearchInput
    ref="input"
    v-model:words="words"
    class="block-line"
    :settled="ways !== undefined && settledFor === words"
    :found="found"
    :none="$t('layout.quickNone')"
    :placeholder="$t('layout.quick')"
    :aria-label="$t('layout.quick')"
    @pick="pick"
  />
</template>
