<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { kindCodes, kinds, withKind, type Field, type KindCode } from '@/shared/kinds';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';

/** Fields read out of what was pasted, for confirmation before anything is made. */
const props = defineProps<{ proposals: Schemas['ProposalView'][]; blocked?: boolean }>();
const emit = defineEmits<{ take: [Field[]]; cancel: [] }>();
const lines = ref(props.proposals.map((each) => ({ ...each, field: each.field, on: true })));
const taken = computed(() => lines.value.filter((line) => line.on).map((line) => line.field));
</script>

<template>
  <section class="proposals panel" :aria-label="$t('model.quick.title')">
    <h3>{{ $t('model.quick.found', { n: lines.length }) }}</h3>
    <table class="table">
      <thead>
        <tr>
          <th />
          <th>{{ $t('model.table.label') }}</th>
          <th>{{ $t('model.table.key') }}</th>
          <th>{{ $t('model.table.kind') }}</th>
          <th>{{ $t('model.quick.why') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.field.id">
          <td>
            <Check v-model:checked="line.on" :aria-label="$t('model.quick.take', { label: line.field.label })" />
          </td>
          <td><TextInput v-model:value="line.field.label" :aria-label="$t('model.table.label')" /></td>
          <td><TextInput v-model:value="line.field.key" mono :aria-label="$t('model.table.key')" /></td>
          <td>
            <div class="row">
              <component :is="kinds[line.field.kind].icon" aria-hidden="true" />
              <Choice
                :value="line.field.kind"
                :aria-label="$t('model.table.kindOf', { label: line.field.label })"
                :options="kindCodes.map((code) => ({ value: code, label: $t(`model.kinds.${code}`) }))"
                @update:value="line.field = withKind(line.field, $event as KindCode)"
              />
            </div>
          </td>
          <td class="muted">
            {{ line.why || $t('model.quick.said') }}
            <div v-if="line.samples.length" class="samples">{{ line.samples.join(' · ') }}</div>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="row">
      <NButton type="primary" size="small" :disabled="blocked || !taken.length" @click="emit('take', taken)">{{
        $t('model.quick.addAll', { n: taken.length }, taken.length)
      }}</NButton>
      <NButton size="small" @click="emit('cancel')">{{ $t('common.cancel') }}</NButton>
    </div>
  </section>
</template>

<style scoped>
.proposals {
  display: flex;
  flex-direction: column;
  gap: 8px;
  margin-top: 8px;
  padding: 12px;
}
.samples {
  font-size: 13px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  max-width: 220px;
}
.proposals :deep(.choice) {
  width: 128px;
}
</style>
