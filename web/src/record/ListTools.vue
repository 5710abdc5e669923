<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useSession } from '@/session/session';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';
import type { RecordType } from './recordTypes';
import { pathOf } from './links';
import { viewList } from './queries';
import { renew, useResource } from '@/shared/api/queries';
import type { View } from './useRecordList';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Menu from '@/shared/controls/Menu.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';

/** The columns of a list, and the views that everybody on the site finds under their names. */
const props = defineProps<{ site: string; recordType: RecordType; fields: Field[]; current: () => View }>();
const columns = defineModel<string[]>({ required: true });
const emit = defineEmits<{ show: [View]; failed: [string] }>();
const session = useSession();
const kept = useResource(() => viewList(props.site, props.recordType));
const views = computed(() => kept.data.value ?? []);
watch(kept.problem, (problem) => {
  emit('failed', problem);
});
const name = ref('');

const address = () => ({ path: pathOf(props.site, props.recordType) });

const load = () => renew(viewList(props.site, props.recordType).queryKey);

async function keep(): Promise<void> {
  const body = { name: name.value.trim(), content: JSON.stringify(props.current()) };
  try {
    await ask(api.PUT('/api/sites/{site}/{sort}/{key}/views', { params: address(), body }));
    name.value = '';
    await load();
  } catch (thrown) {
    emit('failed', sentenceOf(thrown));
  }
}

async function drop(view: Schemas['KeptView']): Promise<void> {
  try {
    const params = { ...address(), query: { name: view.name } };
    await ask(api.DELETE('/api/sites/{site}/{sort}/{key}/views', { params }));
    await load();
  } catch (thrown) {
    emit('failed', sentenceOf(thrown));
  }
}

function choose(id: string, on: boolean): void {
  columns.value = on ? [...columns.value, id] : columns.value.filter((each) => each !== id);
}

function open(name: string): void {
  const chosen = views.value.find((view) => view.name === name);
  if (chosen) {
    emit('show', JSON.parse(chosen.content) as View);
  }
}
</script>

<template>
  <Choice
    v-if="views.length"
    class="views"
    :value="undefined"
    :placeholder="$t('record.views')"
    :aria-label="$t('record.views')"
    :options="views.map((view) => ({ value: view.name, label: view.name }))"
    @update:value="open"
  />
  <Menu :label="$t('record.columns')">
    <ControlSet row :legend="$t('record.columns')">
      <Check
        v-for="field in fields"
        :key="field.id"
        :checked="columns.includes(field.id ?? '')"
        @update:checked="choose(field.id ?? '', $event)"
        >{{ field.label }}</Check
      >
    </ControlSet>
    <div v-if="session.mayWrite" class="row keep">
      <TextInput
        v-model:value="name"
        maxlength="100"
        :aria-label="$t('record.viewName')"
        :placeholder="$t('record.viewName')"
      />
      <NButton size="small" :disabled="!name.trim()" @click="keep">{{ $t('record.keepView') }}</NButton>
      <NButton
        v-for="view in views"
        :key="view.name"
        size="tiny"
        quaternary
        :title="$t('record.viewBy', { name: view.by })"
        @click="drop(view)"
        >{{ $t('record.dropView', { name: view.name }) }}</NButton
      >
    </div>
  </Menu>
</template>

<style scoped>
.views {
  width: 180px;
}
.keep {
  flex-wrap: wrap;
  margin-top: 12px;
}
</style>
