<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui';
import { nextTick, ref, useId } from 'vue';

/** Controls that open in a panel under a button; Escape closes it and gives the focus back. */
defineProps<{ label: string; name?: string }>();
const shown = ref(false);
const id = useId();

async function opened(is: boolean): Promise<void> {
  if (is) {
    await nextTick();
    document.getElementById(`${id}-panel`)?.focus();
  }
}

function close(): void {
  shown.value = false;
  document.getElementById(id)?.focus();
}
</script>

<template>
  <NPopover v-model:show="shown" trigger="click" placement="bottom-end" :show-arrow="false" @update:show="opened">
    <template #trigger>
      <NButton :id="id" text type="primary" :aria-expanded="shown" :aria-label="name">{{ label }}</NButton>
    </template>
    <div
      :id="`${id}-panel`"
      class="menu-panel"
      role="dialog"
      tabindex="-1"
      :aria-label="name ?? label"
      @keydown.esc="close"
    >
      <slot />
    </div>
  </NPopover>
</template>

<style>
.menu-panel {
  width: min(560px, 70vw);
  padding: 8px 4px;
}
.menu-panel:focus {
  outline: none;
}
</style>
