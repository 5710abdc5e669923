<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import EntryField from './EntryField.vue';
import { isMany } from './form';
import { fieldsOf, type RecordType } from './recordTypes';
import { pathOf } from './links';
import Choice from '@/shared/controls/Choice.vue';

/** One change to the records that are picked; what was refused is named, what was deleted can be brought back. */
const props = defineProps<{ site: string; recordType: RecordType; picked: number[] }>();
const emit = defineEmits<{ done: []; none: [] }>();
const field = ref('');
const value = ref<unknown>(null);
const outcome = ref<Schemas['BulkOutcome']>();
const undo = ref<number[]>([]);
const problem = ref('');
const fields = computed(() =>
  fieldsOf(props.recordType).filter((each) => !['repeater', 'group', 'note', 'image', 'file'].includes(each.kind)),
);
const chosen = computed(() => fields.value.find((each) => each.key === field.value));

async function act(what: string, ids = props.picked, more: { field?: string; value?: unknown } = {}): Promise<void> {
  problem.value = '';
  try {
    const params = { path: pathOf(props.site, props.recordType) };
    outcome.value = await ask(
      api.POST('/api/sites/{site}/{sort}/{key}/bulk', { params, body: { ids, act: what, ...more } as never }),
    );
    undo.value = what === 'remove' ? outcome.value.done : [];
    emit('done');
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <div v-if="picked.length || outcome" class="panel bulk" role="region" :aria-label="$t('record.bulk.title')">
    <div v-if="picked.length" class="row wrap">
      <strong>{{ $t('record.bulk.picked', { n: picked.length }, picked.length) }}</strong>
      <template v-if="recordType.sort === 'types'">
        <NButton size="small" @click="act('publish')">{{ $t('record.publish') }}</NButton>
        <NButton size="small" @click="act('draft')">{{ $t('record.unpublish') }}</NButton>
        <NButton size="small" @click="act('retire')">{{ $t('record.retire') }}</NButton>
      </template>
      <NButton size="small" @click="act('remove')">{{ $t('record.delete') }}</NButton>
      <Choice
        v-model:value="field"
        class="field"
        :placeholder="$t('record.bulk.field')"
        :aria-label="$t('record.bulk.field')"
        :options="[...fields.map((each) => ({ value: each.key, label: each.label }))]"
        @update:value="value = null"
      />
      <NButton size="small" quaternary @click="emit('none')">{{ $t('record.bulk.none') }}</NButton>
    </div>
    <div v-if="chosen && picked.length" class="set">
      <EntryField :field="chosen" :path="`bulk.${chosen.key}`" :value="value" @change="value = $event" />
      <div class="row">
        <NButton size="small" type="primary" @click="act('set', picked, { field, value })">{{
          $t('record.bulk.set')
        }}</NButton>
        <NButton v-if="isMany(chosen)" size="small" @click="act('add', picked, { field, value })">{{
          $t('record.bulk.add')
        }}</NButton>
      </div>
    </div>
    <div v-if="outcome" role="status">
      <span>{{ $t('record.bulk.done', { n: outcome.done.length }, outcome.done.length) }}</span>
      <NButton v-if="undo.length" size="tiny" @click="act('bring_back', undo)">{{ $t('record.bulk.back') }}</NButton>
      <ul v-if="outcome.refused.length">
        <li v-for="each in outcome.refused" :key="each.id" class="problem">{{ each.title }}: {{ each.sentence }}</li>
      </ul>
      <NButton size="tiny" quaternary @click="outcome = undefined">{{ $t('common.close') }}</NButton>
    </div>
    <p v-if="problem" class="problem">{{ problem }}</p>
  </div>
</template>

<style scoped>
.wrap {
  flex-wrap: wrap;
}
.field {
  width: 200px;
}
.set {
  display: grid;
  gap: 8px;
  max-width: 420px;
  margin-top: 8px;
}
</style>
