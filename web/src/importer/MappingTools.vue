<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { api, ask, sentenceOf } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import Problems from '@/shared/Problems.vue';
import Choice from '@/shared/controls/Choice.vue';
import FilePicker from '@/shared/controls/FilePicker.vue';
import Menu from '@/shared/controls/Menu.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import { mappingList } from './queries';
import type { Mapping } from './useImport';

/** Mappings that the site keeps under names, and mappings as files. */
const props = defineProps<{ site: string; mapping: Mapping; isOpen: boolean }>();
const emit = defineEmits<{ use: [Mapping] }>();
const { t } = useI18n();
const kept = useResource(() => mappingList(props.site));
const name = ref('');
const problem = ref('');
const done = ref('');
const options = computed(() => (kept.data.value ?? []).map((each) => ({ value: each.name, label: each.name })));

async function act(doing: () => Promise<string>): Promise<void> {
  problem.value = '';
  done.value = '';
  try {
    done.value = await doing();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

const keep = () =>
  act(async () => {
    const path = { site: props.site, name: name.value.trim() };
    await ask(api.PUT('/api/sites/{site}/mappings/{name}', { params: { path }, body: props.mapping }));
    await renew(mappingList(props.site).queryKey);
    name.value = '';
    return t('importer.mappings.kept', { name: path.name });
  });

const use = (name: string) =>
  act(async () => {
    const path = { site: props.site, name };
    emit('use', await ask(api.GET('/api/sites/{site}/mappings/{name}', { params: { path } })));
    return t('importer.mappings.used', { name });
  });

const drop = (name: string) =>
  act(async () => {
    const path = { site: props.site, name };
    await ask(api.DELETE('/api/sites/{site}/mappings/{name}', { params: { path } }));
    await renew(mappingList(props.site).queryKey);
    return t('importer.mappings.dropped', { name });
  });

function save(): void {
  const text = JSON.stringify(props.mapping, null, 2) + '\n';
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = 'mapping.json';
  link.click();
  URL.revokeObjectURL(link.href);
}

const read = ([file]: File[]) =>
  act(async () => {
    const mapping = (await file
      ?.text()
      .then((text) => JSON.parse(text) as unknown)
      .catch(() => undefined)) as Mapping | undefined;
    if (!Array.isArray(mapping?.sheets)) {
      throw new Error(t('importer.mappings.noMapping', { name: file?.name ?? '' }));
    }
    emit('use', mapping);
    return t('importer.mappings.used', { name: file?.name ?? '' });
  });
</script>

<template>
  <Menu :label="$t('importer.mappings.title')">
    <div class="stack tools">
      <div v-if="options.length && isOpen" class="row">
        <Choice
          class="kept"
          :value="undefined"
          :placeholder="$t('importer.mappings.useKept')"
          :aria-label="$t('importer.mappings.useKept')"
          :options="options"
          @update:value="use"
        />
      </div>
      <form class="row" @submit.prevent="keep">
        <TextInput
          v-model:value="name"
          maxlength="100"
          :placeholder="$t('importer.mappings.name')"
          :aria-label="$t('importer.mappings.name')"
        />
        <NButton size="small" attr-type="submit" :disabled="!name.trim()">{{ $t('importer.mappings.keep') }}</NButton>
      </form>
      <div class="row">
        <NButton size="small" @click="save">{{ $t('importer.mappings.save') }}</NButton>
        <FilePicker
          v-if="isOpen"
          accept=".json"
          :label="$t('importer.mappings.read')"
          :button="$t('importer.mappings.read')"
          @files="read"
        />
      </div>
      <div v-if="options.length" class="stack dropping">
        <NButton v-for="each in options" :key="each.value" size="tiny" quaternary @click="drop(each.value)">{{
          $t('importer.mappings.drop', { name: each.label })
        }}</NButton>
      </div>
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <p v-if="done" class="muted flat" role="status">{{ done }}</p>
    </div>
  </Menu>
</template>

<style scoped>
.tools {
  width: 300px;
}
.kept {
  flex: 1;
}
.dropping {
  align-items: flex-start;
  gap: 2px;
}
.flat {
  margin: 0;
}
</style>
