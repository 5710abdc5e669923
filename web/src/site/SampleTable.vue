<script setup lang="ts">
import type { Schemas } from '@/shared/api/client';

/** Records before and after a plan, side by side. */
defineProps<{
  of: Schemas['ChangedRecord'][];
  /** Path of the copy whose pages show them; empty for none. */
  copy: string;
}>();
</script>

<template>
  <table class="table">
    <thead>
      <tr>
        <th>{{ $t('plan.rehearsal.field') }}</th>
        <th>{{ $t('plan.rehearsal.before') }}</th>
        <th>{{ $t('plan.rehearsal.after') }}</th>
      </tr>
    </thead>
    <tbody v-for="sample in of" :key="`${sample.type} ${String(sample.id)}`">
      <tr class="record">
        <th colspan="3" scope="rowgroup">
          <div class="row spread">
            <span
              ><bdi>{{ sample.title }}</bdi> <span class="muted">{{ sample.typeName }}</span></span
            >
            <a v-if="copy && sample.page" :href="`/at/${copy}/${sample.page}`" target="_blank">{{
              $t(sample.pageDiffers ? 'plan.rehearsal.pageDiffers' : 'plan.rehearsal.page')
            }}</a>
          </div>
        </th>
      </tr>
      <tr v-for="value in sample.values" :key="value.label">
        <td class="label-cell">{{ value.label }}</td>
        <td class="text" dir="auto">
          <template v-if="value.before">{{ value.before }}</template><span v-else class="muted">{{
            $t('plan.rehearsal.noValue')
          }}</span>
        </td>
        <td class="text" dir="auto">
          <template v-if="value.after">{{ value.after }}</template><span v-else class="muted">{{
            $t('plan.rehearsal.noValue')
          }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.record th {
  background: var(--ground);
  color: var(--ink);
}
.record th .muted {
  font-weight: 400;
}
.label-cell {
  width: 200px;
}
.text {
  width: 40%;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
</style>
