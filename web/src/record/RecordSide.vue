<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import type { Schemas } from '@/shared/api/client';
import LinkControl from './LinkControl.vue';
import type { FieldOf } from '@/shared/kinds';
import RecordEnds from './RecordEnds.vue';
import RecordChildren from './RecordChildren.vue';
import { useRecordTypes, type RecordType } from './recordTypes';
import type { OpenRecord } from './useRecord';
import TextInput from '@/shared/controls/TextInput.vue';
import DateInput from '@/shared/controls/DateInput.vue';
import Problems from '@/shared/Problems.vue';
import type { Problem } from './form';

/** Where a record stands: its address, what it stands under, when it appears and retires, and what leads to it. */
const props = defineProps<{
  site: string;
  workspace: string;
  recordType: RecordType;
  record: Schemas['RecordView'] | undefined;
  pointers: Schemas['PointerView'][];
  readonly: boolean;
  problems: Problem[];
}>();
const slug = defineModel<string>('slug', { required: true });
const parent = defineModel<Schemas['ParentView'] | undefined>('parent', { required: true });
const publishAt = defineModel<string>('publishAt', { required: true });
const retireAt = defineModel<string>('retireAt', { required: true });
const emit = defineEmits<{ touch: []; schedule: []; ends: [OpenRecord] }>();

const recordTypes = useRecordTypes();
const paths = { slug: 'slug', publish: 'publish_at', retire: 'retire_at' };
const problemsOf = (path: string) =>
  props.problems.filter((problem) => problem.path === path).map(({ sentence }) => ({ sentence, severity: 'blocker' }));
/** The problems of a control are read with it. */
function told(name: keyof typeof paths): Record<string, string> {
  const isWrong = problemsOf(paths[name]).length > 0;
  return isWrong ? { 'aria-invalid': 'true', 'aria-describedby': `record-${name}-problems` } : {};
}
/** The types whose records may stand under this one. */
const below = computed(() =>
  (recordTypes.all ?? []).filter((other) => other.sort === 'types' && other.under.includes(props.recordType.id)),
);

/** Picked like a relation: one record of the types that it may stand under. */
const under = computed((): FieldOf<'relation'> => ({
  id: 'own_parent',
  key: 'own_parent',
  label: '',
  kind: 'relation',
  to: props.recordType.under,
}));
</script>

<template>
  <section v-if="recordType.sort !== 'values'" class="side">
    <div v-if="record" data-field="slug">
      <label class="label" for="record-slug">{{ $t('record.address') }}</label>
      <TextInput
        id="record-slug"
        v-model:value="slug"
        mono
        autocomplete="off"
        :disabled="readonly"
        v-bind="told('slug')"
        @update:value="emit('touch')"
      />
      <Problems id="record-slug-problems" :of="problemsOf('slug')" />
      <p class="hint">{{ $t('record.addressHint') }}</p>
    </div>
    <div v-if="recordType.under.length" data-field="parent">
      <span id="record-parent-label" class="label">{{ $t('record.under') }}</span>
      <LinkControl
        id="record-parent"
        :field="under"
        :value="parent"
        :invalid="false"
        @change="
          parent = ($event as Schemas['ParentView'] | null) ?? undefined;
          emit('touch');
        "
      />
      <Problems :of="problemsOf('parent')" />
    </div>
    <template v-if="recordType.sort === 'types'">
      <div v-if="!readonly" data-field="publish_at">
        <label class="label" for="record-publish">{{ $t('record.appears') }}</label>
        <div class="when">
          <DateInput
            id="record-publish"
            v-model:value="publishAt"
            kind="date_time"
            :label="$t('record.appears')"
            v-bind="told('publish')"
            @update:value="emit('touch')"
          />
          <NButton size="small" :disabled="!publishAt" @click="emit('schedule')">{{ $t('record.schedule') }}</NButton>
        </div>
        <Problems id="record-publish-problems" :of="problemsOf('publish_at')" />
        <p class="hint">{{ $t('record.appearsHint') }}</p>
      </div>
      <div v-if="!readonly || retireAt" data-field="retire_at">
        <label class="label" for="record-retire">{{ $t('record.retires') }}</label>
        <DateInput
          id="record-retire"
          v-model:value="retireAt"
          kind="date_time"
          :label="$t('record.retires')"
          :disabled="readonly"
          v-bind="told('retire')"
          @update:value="emit('touch')"
        />
        <Problems id="record-retire-problems" :of="problemsOf('retire_at')" />
        <p class="hint">{{ $t('record.retiresHint') }}</p>
      </div>
    </template>
    <template v-if="record && recordType.sort === 'types'">
      <RecordChildren
        v-for="child in below"
        :key="child.id"
        :site="site"
        :workspace="workspace"
        :record-type="child"
        :parent="record"
        :parent-type="recordType.id"
        :readonly="readonly"
      />
    </template>
    <RecordEnds
      v-if="record"
      :site="site"
      :workspace="workspace"
      :record-type="recordType"
      :record="record"
      :pointers="pointers"
      :readonly="readonly"
      @changed="emit('ends', $event)"
    />
  </section>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.when {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
}
.when .date-input {
  width: 100%;
}
</style>
