<script setup lang="ts">
import { NSpin } from 'naive-ui';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import Problems from '@/shared/Problems.vue';
import { ApiError, formOf, sentenceOf, upload, type FindingView, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import FilePicker from '@/shared/controls/FilePicker.vue';
import { longTime } from '@/shared/time';
import { workbookList } from './queries';

/** Takes workbooks and leads to the model that is proposed for them; or back to those that were read before. */
/** As the address says: the draft may not be there yet. */
const route = useRoute();
const workspace = computed(() => String(route.params.workspace));
const router = useRouter();
const reading = ref('');
const problem = ref('');
const findings = ref<FindingView[]>([]);
const earlier = useResource(() => workbookList(workspace.value));
const MOST_SHOWN = 3;

async function read(files: File[]): Promise<void> {
  if (!files.length || reading.value) {
    return;
  }
  problem.value = '';
  findings.value = [];
  reading.value = files.map((file) => file.name).join(', ');
  try {
    const made = await upload<Schemas['WorkbookView']>(
      `/api/workspaces/${encodeURIComponent(workspace.value)}/workbooks`,
      formOf(files),
    );
    void renew(workbookList(workspace.value).queryKey);
    await router.push({ name: 'workbook', params: { workspace: workspace.value, workbook: made.id } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
    findings.value = thrown instanceof ApiError ? thrown.findings : [];
  } finally {
    reading.value = '';
  }
}
</script>

<template>
  <div class="drop-area">
    <FilePicker
      area
      multiple
      accept=".csv,.tsv,.txt,.xlsx,.xlsm,.ods"
      :disabled="!!reading"
      :label="$t('workbook.drop')"
      :hint="$t('workbook.dropHint')"
      @files="read"
    />
    <p v-if="reading" class="row flat" role="status">
      <NSpin :size="16" /><span>{{ $t('workbook.reading', { name: reading }) }}</span>
    </p>
    <Problems v-if="problem && !findings.length" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <Problems :of="findings" />
    <ul v-if="earlier.data.value?.length" class="earlier">
      <li v-for="each in earlier.data.value.slice(0, MOST_SHOWN)" :key="each.id">
        <RouterLink :to="{ name: 'workbook', params: { workspace, workbook: each.id } }">{{ each.name }}</RouterLink>
        <span class="muted">{{ $t('workbook.readBy', { by: each.by, at: longTime(each.readAt) }) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.drop-area {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.flat {
  margin: 0;
}
.earlier {
  display: flex;
  flex-direction: column;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.earlier li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
</style>
