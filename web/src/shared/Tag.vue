<script setup lang="ts">
import IconCheck from '~icons/tabler/check';
import IconAlert from '~icons/tabler/alert-triangle';
import IconPencil from '~icons/tabler/pencil';
import IconPoint from '~icons/tabler/point';

/** A state with its word, its icon and its colour. */
defineProps<{ tone: 'draft' | 'safe' | 'bad' | 'plain' }>();
const icons = { draft: IconPencil, safe: IconCheck, bad: IconAlert, plain: IconPoint };
</script>

<template>
  <span class="tag" :class="tone"><component :is="icons[tone]" aria-hidden="true" /><slot /></span>
</template>
