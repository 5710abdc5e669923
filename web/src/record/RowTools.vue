<script setup lang="ts">
import { NButton } from 'naive-ui';
import IconDown from '~icons/tabler/arrow-down';
import IconUp from '~icons/tabler/arrow-up';
import IconX from '~icons/tabler/x';

/** Moves one of several up and down, and takes it out. */
defineProps<{ at: number; count: number; ordered: boolean; removal: string }>();
const emit = defineEmits<{ move: [number]; remove: [] }>();
</script>

<template>
  <NButton
    v-if="ordered"
    size="tiny"
    quaternary
    :disabled="at === 0"
    :aria-label="$t('form.rowUp', { n: at + 1 })"
    @click="emit('move', -1)"
    ><IconUp
  /></NButton>
  <NButton
    v-if="ordered"
    size="tiny"
    quaternary
    :disabled="at === count - 1"
    :aria-label="$t('form.rowDown', { n: at + 1 })"
    @click="emit('move', 1)"
    ><IconDown
  /></NButton>
  <NButton size="tiny" quaternary :aria-label="removal" @click="emit('remove')"><IconX /></NButton>
</template>
