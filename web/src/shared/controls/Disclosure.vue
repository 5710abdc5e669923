<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref, useId } from 'vue';
import IconChevron from '~icons/tabler/chevron-right';

/** Something folded under its title. */
const props = defineProps<{ title: string; open?: boolean }>();
const shown = ref(props.open);
const id = useId();
</script>

<template>
  <div class="disclosure">
    <NButton text type="primary" :aria-expanded="shown" :aria-controls="shown ? id : undefined" @click="shown = !shown">
      <template #icon><IconChevron :class="{ turned: shown }" aria-hidden="true" /></template>{{ title }}
    </NButton>
    <div v-if="shown" :id="id" class="disclosed"><slot /></div>
  </div>
</template>

<style>
.disclosure .turned {
  transform: rotate(90deg);
}
.disclosed {
  margin-top: 8px;
}
</style>
