<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref, watch } from 'vue';
import { useSession } from '@/session/session';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';
import type { Holder } from './holders';
import { pathOf } from './links';
import type { View } from './useRecordList';

/** The columns of a list, and the views that everybody on the site finds under their names. */
const props = defineProps<{ site: string; holder: Holder; fields: Field[]; current: () => View }>();
const columns = defineModel<string[]>({ required: true });
const emit = defineEmits<{ show: [View]; failed: [string] }>();
const session = useSession();
const views = ref<Schemas['KeptView'][]>([]);
const name = ref('');
const choosing = ref(false);

const address = () => ({ path: pathOf(props.site, props.holder) });

async function load(): Promise<void> {
  try {
    views.value = await ask(api.GET('/api/sites/{site}/{sort}/{key}/views', { params: address() }));
  } catch (thrown) {
    emit('failed', sentenceOf(thrown));
  }
}

watch(
  () => [props.site, props.holder.id],
  () => void load(),
  { immediate: true },
);

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

function open(event: Event): void {
  const chosen = views.value.find((view) => view.name === (event.target as HTMLSelectElement).value);
  if (chosen) {
    emit('show', JSON.parse(chosen.content) as View);
  }
}
</script>

<template>
  <select v-if="views.length" class="input" :aria-label="$t('record.views')" @change="open">
    <option value="">{{ $t('record.views') }}</option>
    <option v-for="view in views" :key="view.name" :value="view.name">{{ view.name }}</option>
  </select>
  <NButton size="small" :aria-expanded="choosing" @click="choosing = !choosing">{{ $t('record.columns') }}</NButton>
  <div v-if="choosing" class="panel choose">
    <fieldset>
      <legend>{{ $t('record.columns') }}</legend>
      <label v-for="field in fields" :key="field.id" class="row"
        ><input v-model="columns" type="checkbox" :value="field.id" />{{ field.label }}</label
      >
    </fieldset>
    <div v-if="session.mayWrite" class="row">
      <input
        v-model="name"
        class="input"
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
  </div>
</template>

<style scoped>
.input {
  width: 200px;
}
.choose {
  order: 1;
  flex-basis: 100%;
}
.choose fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}
</style>
