<script setup lang="ts">
import { computed } from 'vue';
import type { Group } from '@/shared/kinds';
import ConditionParts from './ConditionParts.vue';
import { conditionOf, fieldsInSight, joined, type Condition } from './conditions';
import { useProof } from './proof';

/** A condition, built by picking and shown as a sentence. */
const props = defineProps<{
  condition: Condition | undefined;
  groups: Group[];
  /** Id of the field or group it decides about. */
  own: string | undefined;
  title: string;
  /** Whether a record's terms, parent and state can be compared. */
  ofRecord?: boolean;
  /** Whether the address of a record's page can be compared. */
  ofPage?: boolean;
}>();
const emit = defineEmits<{ change: [Condition | undefined] }>();

const proof = useProof();
const list = computed(() => joined(props.condition));
const fields = computed(() => fieldsInSight(props.groups, props.own));
const sentence = computed(() => proof.conditions[props.own ?? '']);
</script>

<template>
  <div>
    <ConditionParts
      :of="list"
      :fields="fields"
      :of-record="ofRecord"
      :of-page="ofPage"
      :title="title"
      :depth="0"
      @change="emit('change', conditionOf($event))"
    />
    <p v-if="sentence && list.parts.length" class="hint">{{ $t('model.condition.sentence', { sentence }) }}</p>
  </div>
</template>
