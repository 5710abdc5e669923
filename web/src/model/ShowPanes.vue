<script setup lang="ts">
import SplitPanes from '@/shared/controls/SplitPanes.vue';

/** Outline, sheet and proof side by side, their widths drawn by hand; one at a time where the window is narrow. */
defineProps<{ narrow: boolean; pane: string; withProof: boolean }>();
</script>

<template>
  <div v-if="narrow" class="one"><slot :name="pane" /></div>
  <SplitPanes v-else name="outline" side="first" :label="$t('model.outlineWidth')" :start="224" :min="180" :max="400">
    <template #first><slot name="outline" /></template>
    <template #second>
      <SplitPanes
        v-if="withProof"
        name="proof"
        side="second"
        :label="$t('model.proofWidth')"
        :start="380"
        :min="300"
        :max="900"
      >
        <template #first><slot name="sheet" /></template>
        <template #second><slot name="proof" /></template>
      </SplitPanes>
      <slot v-else name="sheet" />
    </template>
  </SplitPanes>
</template>

<style scoped>
.one {
  flex: 1;
  min-height: 0;
}
</style>
