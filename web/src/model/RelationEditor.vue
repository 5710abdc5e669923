<script setup lang="ts">
import { computed } from 'vue';
import IconArrow from '~icons/tabler/arrow-right';
import { newId, type FieldOf } from '@/shared/kinds';
import { useDraft } from './draft';
import { useDerivedKeys } from './useNames';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';

/** The targets of a relation and how it reads from both ends. */
const props = defineProps<{ field: FieldOf<'relation'> }>();
const emit = defineEmits<{ change: [FieldOf<'relation'>] }>();
const draft = useDraft();
const targets = computed(() => draft.types.filter((type) => props.field.to.includes(type.id ?? '')));
const many = computed(() => props.field.many ?? false);

function toggle(id: string): void {
  const to = props.field.to.includes(id) ? props.field.to.filter((each) => each !== id) : [...props.field.to, id];
  emit('change', { ...props.field, to });
}

function setInverse(change: Partial<NonNullable<FieldOf<'relation'>['inverse']>> | undefined): void {
  const { inverse, ...others } = props.field;
  if (!change) {
    emit('change', others);
    return;
  }
  const before = inverse ?? { id: newId('i'), key: '', label: '' };
  emit('change', { ...others, inverse: { ...before, ...change } });
}

const keys = useDerivedKeys();

function setLabel(label: string): void {
  setInverse({ label });
  const inverse = props.field.inverse;
  keys.label(inverse?.id ?? '', label, inverse?.key ?? '', () => []);
}

function setKey(key: string): void {
  keys.typed(props.field.inverse?.id ?? '');
  setInverse({ key });
}
</script>

<template>
  <div class="relation">
    <ControlSet row data-explain="relation.to" :legend="$t('model.relation.to')">
      <Check
        v-for="type in draft.types"
        :key="type.id"
        :checked="field.to.includes(type.id ?? '')"
        @update:checked="toggle(type.id ?? '')"
        >{{ type.singular }}</Check
      >
    </ControlSet>
    <Check
      v-if="!field.symmetric"
      data-explain="relation.inverse"
      :checked="field.inverse !== undefined"
      @update:checked="setInverse($event ? {} : undefined)"
      >{{ $t('model.relation.named') }}</Check
    >
    <div v-if="field.inverse" class="row ends">
      <div data-explain="inverse.label">
        <label class="small" :for="`${field.id}-inverse`">{{ $t('model.relation.label') }}</label>
        <TextInput
          :id="`${field.id}-inverse`"
          :value="field.inverse.label"
          @update:value="setLabel($event)"
          @blur="keys.end(field.inverse.id ?? '')"
        />
      </div>
      <div data-explain="inverse.key">
        <label class="small" :for="`${field.id}-inverse-key`">{{ $t('model.key') }}</label>
        <TextInput :id="`${field.id}-inverse-key`" mono :value="field.inverse.key" @update:value="setKey($event)" />
      </div>
      <Check
        data-explain="inverse.many"
        :checked="field.inverse.many !== false"
        @update:checked="setInverse({ many: $event ? undefined : false })"
        >{{ $t('model.relation.many') }}</Check
      >
      <Check
        data-explain="inverse.shown"
        :checked="field.inverse.shown !== false"
        @update:checked="setInverse({ shown: $event ? undefined : false })"
        >{{ $t('model.relation.shown') }}</Check
      >
    </div>
    <div v-if="targets.length" class="read" :aria-label="$t('model.relation.both')" role="group">
      <div class="end">
        <span class="small">{{ $t('model.relation.here') }}</span>
        <strong>{{ field.label }}</strong>
        <span>{{
          $t(many ? 'model.relation.several' : 'model.relation.one', {
            name: targets.map((type) => (many ? type.plural : type.singular)).join(', '),
          })
        }}</span>
      </div>
      <IconArrow aria-hidden="true" />
      <div class="end">
        <span class="small">{{
          $t('model.relation.there', { name: targets.map((type) => type.singular).join(', ') })
        }}</span>
        <template v-if="field.inverse && field.inverse.shown !== false">
          <strong>{{ field.inverse.label || '…' }}</strong>
          <span>{{ $t(field.inverse.many === false ? 'model.relation.oneBack' : 'model.relation.severalBack') }}</span>
        </template>
        <span v-else-if="field.symmetric">{{ $t('model.relation.sameBack', { label: field.label }) }}</span>
        <span v-else class="muted">{{ $t('model.relation.nothing') }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.relation {
  grid-column: 1 / -1;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.ends {
  flex-wrap: wrap;
  align-items: end;
}
.read {
  display: grid;
  grid-template-columns: 1fr auto 1fr;
  gap: 12px;
  align-items: center;
  padding: 8px 12px;
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.end {
  display: flex;
  flex-direction: column;
}
</style>
