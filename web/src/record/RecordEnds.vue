<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import IconX from '~icons/tabler/x';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { FieldOf } from '@/shared/kinds';
import LinkControl from './LinkControl.vue';
import { addressOf, fieldsOf, useRecordTypes, type RecordType } from './recordTypes';
import { pathOf } from './links';
import type { OpenRecord } from './useRecord';

/** What leads to a record; relations whose other end has a name are edited here too, and saved at once. */
const props = defineProps<{
  site: string;
  workspace: string;
  recordType: RecordType;
  record: Schemas['RecordView'];
  pointers: Schemas['PointerView'][];
  readonly: boolean;
}>();
const emit = defineEmits<{ changed: [OpenRecord] }>();
const MOST = 12;
const recordTypes = useRecordTypes();
const problem = ref('');

interface End {
  key: string;
  label: string;
  recordType: string;
  field: string;
  editable: boolean;
  records: Schemas['LinkView'][];
}

const ends = computed((): End[] => {
  const known = props.pointers.map((pointer) => ({
    key: pointer.recordType + pointer.field,
    label: pointer.label,
    recordType: pointer.recordType,
    field: pointer.field,
    editable: editable(pointer.recordType, pointer.field),
    records: pointer.records,
  }));
  const empty = props.readonly
    ? []
    : (recordTypes.all ?? []).flatMap((other) =>
        relations(other)
          .filter((field) => !known.some((each) => each.recordType === other.id && each.field === field.id))
          .map((field) => ({
            key: other.id + (field.id ?? ''),
            label: field.inverse?.label ?? '',
            recordType: other.id,
            field: field.id ?? '',
            editable: true,
            records: [],
          })),
      );
  return [...known, ...empty];
});

/** The relations of a type, outside of rows, that lead to this one and have a name at this end. */
function relations(other: RecordType): FieldOf<'relation'>[] {
  return fieldsOf(other)
    .flatMap((field) => [field, ...(field.kind === 'group' ? field.fields : [])])
    .filter((field) => field.kind === 'relation')
    .filter((field) => field.inverse !== undefined && field.to.includes(props.recordType.id));
}

function editable(recordType: string, field: string): boolean {
  const other = recordTypes.byId(recordType);
  return !props.readonly && other !== undefined && relations(other).some((each) => each.id === field);
}

const asField = (end: End): FieldOf<'relation'> => ({
  id: end.key,
  key: end.key,
  label: end.label,
  kind: 'relation',
  to: [end.recordType],
});

const at = (end: End, id: number) => {
  const other = recordTypes.byId(end.recordType);
  return other && `/w/${props.workspace}/records/${props.site}/${addressOf(other)}/${String(id)}`;
};

async function put(end: End, record: number, linked: boolean): Promise<void> {
  problem.value = '';
  try {
    const params = { path: { ...pathOf(props.site, props.recordType), id: props.record.id } };
    const body = { recordType: end.recordType, field: end.field, record, linked };
    emit('changed', await ask(api.POST('/api/sites/{site}/{sort}/{key}/records/{id}/ends', { params, body })));
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <div v-for="end in ends" :key="end.key">
    <span :id="`end-${end.key}-label`" class="label">{{ end.label }}</span>
    <ul v-if="end.records.length">
      <li v-for="each in end.records.slice(0, MOST)" :key="each.id">
        <RouterLink :to="at(end, each.id) ?? ''">{{ each.title }}</RouterLink>
        <NButton
          v-if="end.editable"
          size="tiny"
          quaternary
          :aria-label="$t('form.takeOut', { label: each.title })"
          @click="put(end, each.id, false)"
          ><IconX
        /></NButton>
      </li>
    </ul>
    <p v-if="end.records.length > MOST" class="hint">{{ $t('record.more', { n: end.records.length - MOST }) }}</p>
    <LinkControl
      v-if="end.editable"
      :id="`end-${end.key}`"
      :field="asField(end)"
      :value="null"
      :invalid="false"
      @change="put(end, ($event as { id: number }).id, true)"
    />
  </div>
  <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
</template>

<style scoped>
ul {
  margin: 0 0 4px;
  padding-left: 16px;
}
li {
  overflow-wrap: anywhere;
}
</style>
