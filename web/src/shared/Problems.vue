<script setup lang="ts">
import IconAlert from '~icons/tabler/alert-triangle';
import IconInfo from '~icons/tabler/info-circle';

/** Sentences next to their cause; notes are quieter than the rest. */
defineProps<{ of: { sentence: string; severity: string }[]; id?: string }>();
</script>

<template>
  <div v-if="of.length" :id="id">
    <p
      v-for="problem in of"
      :key="problem.sentence"
      :class="problem.severity === 'note' ? 'hint row' : 'problem'"
      role="note"
    >
      <IconInfo v-if="problem.severity === 'note'" aria-hidden="true" />
      <IconAlert v-else aria-hidden="true" />
      <span>{{ problem.sentence }}</span>
    </p>
  </div>
</template>
