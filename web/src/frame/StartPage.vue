<script setup lang="ts">
import { NButton } from 'naive-ui';
import { nextTick, onMounted, ref, useTemplateRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ApiError, ask, sentenceOf, upload, type Schemas } from '@/shared/api/client';
import { useWorkspace } from './workspace';
import TextInput from '@/shared/controls/TextInput.vue';
import FilePicker from '@/shared/controls/FilePicker.vue';

const workspace = useWorkspace();
const session = useSession();
const router = useRouter();
const route = useRoute();
const title = ref('');
const file = ref<File>();
const problems = ref<{ sentence: string; severity: string }[]>([]);
const ready = ref(false);
const input = useTemplateRef<InstanceType<typeof TextInput>>('input');

onMounted(async () => {
  await workspace.loadAll();
  const first = workspace.all[0];
  if (first && route.query.new === undefined) {
    await router.replace({ name: session.isArchitect ? 'model' : 'records', params: { workspace: first.path } });
  }
  ready.value = true;
  await nextTick();
  input.value?.focus();
});

async function enter(path: string): Promise<void> {
  await workspace.loadAll();
  await router.push({ name: 'model', params: { workspace: path } });
}

function show(thrown: unknown): void {
  const found = thrown instanceof ApiError ? thrown.findings : [];
  problems.value = [
    { sentence: sentenceOf(thrown), severity: 'blocker' },
    ...found.map((finding) => ({
      sentence: finding.place ? `${finding.place}: ${finding.sentence}` : finding.sentence,
      severity: finding.severity,
    })),
  ];
}

/** A double click makes one. */
const busy = ref(false);

async function create(): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problems.value = [];
  try {
    await enter((await ask(api.POST('/api/workspaces', { body: { title: title.value } }))).path);
  } catch (thrown) {
    show(thrown);
  } finally {
    busy.value = false;
  }
}

async function take(): Promise<void> {
  problems.value = [];
  if (!file.value) {
    return;
  }
  const form = new FormData();
  form.set('file', file.value);
  form.set('title', title.value);
  try {
    await enter((await upload<Schemas['Imported']>('/api/workspaces/import', form)).workspace.path);
  } catch (thrown) {
    show(thrown);
  }
}
</script>

<template>
  <div v-if="ready" class="page stack" style="max-width: 640px">
    <h1>{{ $t('start.title') }}</h1>
    <p class="muted" style="margin: 0">{{ $t(session.isArchitect ? 'start.hint' : 'start.noRight') }}</p>
    <template v-if="session.isArchitect">
      <form class="panel stack" @submit.prevent="create">
        <div>
          <label class="label" for="title">{{ $t('start.name') }}</label>
          <TextInput id="title" ref="input" v-model:value="title" maxlength="200" required />
        </div>
        <div>
          <NButton type="primary" attr-type="submit">{{ $t('start.create') }}</NButton>
        </div>
      </form>
      <form class="panel stack" @submit.prevent="take">
        <div>
          <span class="label">{{ $t('start.file') }}</span>
          <div class="row">
            <FilePicker accept=".zip,application/zip" :label="$t('start.file')" @files="file = $event[0]" />
            <span v-if="file">{{ file.name }}</span>
          </div>
        </div>
        <div>
          <NButton attr-type="submit" :disabled="!file">{{ $t('start.import') }}</NButton>
        </div>
      </form>
      <div aria-live="polite"><Problems :of="problems" /></div>
    </template>
  </div>
</template>
