<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRouter } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import Problems from '@/shared/Problems.vue';
import { sendFile, sentenceOf, type Schemas } from '@/shared/api/client';
import FilePicker from '@/shared/controls/FilePicker.vue';
import TextInput from '@/shared/controls/TextInput.vue';

/** A site of this workspace, made of an archive of this or another installation. */
const workspace = useWorkspace();
const router = useRouter();
const { t } = useI18n();
const file = ref<File>();
const name = ref('');
const problem = ref('');
const busy = ref(false);

async function restore(): Promise<void> {
  if (busy.value) {
    return;
  }
  problem.value = '';
  if (!file.value) {
    problem.value = t('site.restore.noFile');
    return;
  }
  busy.value = true;
  try {
    const asked = name.value.trim() ? `?name=${encodeURIComponent(name.value.trim())}` : '';
    const made = await sendFile<Schemas['RestoredSite']>(
      `/api/workspaces/${encodeURIComponent(workspace.path)}/sites/archive${asked}`,
      file.value,
    );
    await workspace.loadSites();
    await router.push({ name: 'plan', params: { workspace: workspace.path, site: made.path } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <form class="panel stack" aria-labelledby="restore-title" @submit.prevent="restore">
    <h2 id="restore-title">{{ $t('site.restore.title') }}</h2>
    <p class="hint">{{ $t('site.restore.hint') }}</p>
    <FilePicker
      area
      accept=".zip"
      :label="$t('site.restore.file')"
      :hint="file?.name ?? $t('site.restore.drop')"
      :disabled="busy"
      @files="([first]) => (file = first)"
    />
    <div class="row end">
      <div class="name">
        <label class="label" for="restored-name">{{ $t('site.restore.name') }}</label>
        <TextInput
          id="restored-name"
          v-model:value="name"
          maxlength="100"
          :disabled="busy"
          :placeholder="$t('site.restore.same')"
        />
      </div>
      <NButton attr-type="submit" :loading="busy">{{ $t('site.restore.go') }}</NButton>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
  </form>
</template>

<style scoped>
.end {
  align-items: flex-end;
}
.name {
  width: 320px;
}
</style>
