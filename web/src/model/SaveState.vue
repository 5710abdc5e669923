<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useDraft } from './draft';

const draft = useDraft();
</script>

<template>
  <div role="status" class="state">
    <span v-if="draft.state === 'failed'" class="problem">{{ $t('model.failed', { why: draft.why }) }}</span>
    <div v-else-if="draft.state === 'conflict'" class="conflict">
      <span>{{ $t('model.conflict', { why: draft.conflict?.why ?? '' }) }}</span>
      <NButton size="small" @click="draft.takeTheirs()">{{ $t('model.takeTheirs') }}</NButton>
      <NButton size="small" @click="draft.keepMine()">{{ $t('model.keepMine') }}</NButton>
    </div>
  </div>
</template>

<style scoped>
.state {
  min-width: 0;
}
.problem {
  margin: 0;
}
.conflict {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 8px;
  padding: 8px 12px;
  border: 1px solid var(--rust);
  border-radius: 4px;
}
</style>
