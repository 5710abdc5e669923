<script setup lang="ts">
import { NButton, NSpin } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRouter } from 'vue-router';
import { sampleList } from '@/model/queries';
import { useRecordTypes } from '@/record/recordTypes';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ApiError, ask, formOf, sentenceOf, upload, type FindingView, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import Choice from '@/shared/controls/Choice.vue';
import FilePicker from '@/shared/controls/FilePicker.vue';
import { longTime } from '@/shared/time';
import { isBeside, refused, sendBeside, unsent } from './beside';
import { stateTone } from './outcomes';
import { importList, mappingList } from './queries';

/** Takes workbooks whose rows are to become records, and leads to those that were sent before. */
const props = defineProps<{ workspace: string; site: string; name: string }>();
const { t } = useI18n();
const router = useRouter();
const session = useSession();
const recordTypes = useRecordTypes();
const sent = useResource(() => importList(props.site));
const kept = useResource(() => mappingList(props.site));
const mapping = ref('');
const mappings = computed(() => (kept.data.value ?? []).map((each) => ({ value: each.name, label: each.name })));
const reading = ref('');
const problem = ref('');
const findings = ref<FindingView[]>([]);

/** Samples of which this site has at least half of the types. */
const known = useResource(() => sampleList());
const samples = computed(() =>
  (known.data.value ?? []).filter(({ definitions }) => {
    const keys = definitions.flatMap((each) => (each.sort === 'type' ? [each.key] : []));
    const there = keys.filter((key) => recordTypes.all?.some((each) => each.sort === 'types' && each.key === key));
    return there.length * 2 >= keys.length;
  }),
);

async function sendSample({ name, title }: Schemas['SampleView']): Promise<void> {
  problem.value = '';
  reading.value = title;
  const { workspace, site } = props;
  try {
    const { id } = await ask(
      api.POST('/api/sites/{site}/imports/samples/{name}', { params: { path: { site, name } } }),
    );
    void renew(importList(site).queryKey);
    await router.push({ name: 'import', params: { workspace, site, import: id } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    reading.value = '';
  }
}

async function read(files: File[]): Promise<void> {
  if (!files.length || reading.value) {
    return;
  }
  problem.value = '';
  findings.value = [];
  reading.value = files.map((file) => file.name).join(', ');
  const workbooks = files.filter((file) => !isBeside(file.name));
  const beside = files.filter((file) => isBeside(file.name));
  try {
    if (!workbooks.length) {
      throw new Error(t('importer.onlyPictures'));
    }
    const query = mapping.value ? `?mapping=${encodeURIComponent(mapping.value)}` : '';
    const path = `/api/sites/${encodeURIComponent(props.site)}/imports${query}`;
    const { progress } = await upload<Schemas['ImportDetails']>(path, formOf(workbooks));
    void renew(importList(props.site).queryKey);
    const { workspace, site } = props;
    if (beside.length) {
      refused.value = await sendBeside(site, progress.id, beside).then((sent) => sent.refused, unsent);
    }
    await router.push({ name: 'import', params: { workspace, site, import: progress.id } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
    findings.value = thrown instanceof ApiError ? thrown.findings : [];
  } finally {
    reading.value = '';
  }
}
</script>

<template>
  <div class="stack">
    <h1>{{ $t('importer.title') }}</h1>
    <p class="flat intro">{{ $t('importer.intro', { site: name }) }}</p>
    <template v-if="session.mayWrite">
      <label v-if="mappings.length" class="row">
        <span>{{ $t('importer.mappings.with') }}</span>
        <Choice
          v-model:value="mapping"
          class="mapping"
          :options="[{ value: '', label: $t('importer.mappings.proposed') }, ...mappings]"
          :aria-label="$t('importer.mappings.with')"
        />
      </label>
      <FilePicker
        area
        multiple
        accept=".csv,.tsv,.txt,.xlsx,.xlsm,.ods,.zip,image/*,.pdf"
        :disabled="!!reading"
        :label="$t('importer.drop')"
        :hint="$t('importer.dropHint')"
        @files="read"
      />
    </template>
    <div v-if="session.mayWrite && samples.length" class="row">
      <span class="muted">{{ $t('importer.samples') }}</span>
      <NButton v-for="each in samples" :key="each.name" size="small" :disabled="!!reading" @click="sendSample(each)">{{
        $t('importer.sample', { title: each.title, n: each.records })
      }}</NButton>
    </div>
    <p v-if="reading" class="row flat" role="status">
      <NSpin :size="16" /><span>{{ $t('workbook.reading', { name: reading }) }}</span>
    </p>
    <Problems v-if="problem && !findings.length" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <Problems :of="findings" />
    <Problems v-if="sent.problem.value" :of="[{ sentence: sent.problem.value, severity: 'blocker' }]" />
    <template v-if="sent.data.value?.length">
      <h2>{{ $t('importer.earlier') }}</h2>
      <table class="table">
        <thead>
          <tr>
            <th>{{ $t('importer.workbook') }}</th>
            <th>{{ $t('record.state') }}</th>
            <th>{{ $t('importer.by') }}</th>
            <th>{{ $t('importer.sent') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in sent.data.value" :key="each.id">
            <td>
              <RouterLink :to="{ name: 'import', params: { workspace, site, import: each.id } }" dir="auto">{{
                each.name
              }}</RouterLink>
            </td>
            <td>
              <Tag :tone="stateTone(each.state)">{{ $t(`importer.state.${each.state}`) }}</Tag>
            </td>
            <td>{{ each.by }}</td>
            <td class="muted">{{ longTime(each.madeAt) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.flat {
  margin: 0;
}
.intro {
  max-width: 72ch;
}
.mapping {
  width: 240px;
}
</style>
