<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useDebounceFn, useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ApiError, ask, sentenceOf, type FindingView, type Schemas } from '@/shared/api/client';
import { shortTime } from '@/shared/time';
import EntryForm from './EntryForm.vue';

const { t } = useI18n();
const route = useRoute();
const router = useRouter();
const session = useSession();
const type = ref<Schemas['InstalledType']>();
const record = ref<Schemas['RecordView']>();
const values = ref<Record<string, unknown>>({});
const problems = ref<FindingView[]>([]);
const touched = ref(new Set<string>());
const sentence = ref('');
const newer = ref<Schemas['RecordView']>();
const dirty = ref(false);
const at = computed(() => ({ site: String(route.params.site), type: String(route.params.type) }));
const isNew = computed(() => route.params.id === 'new');

function show(found: Schemas['RecordView']): void {
  record.value = found;
  values.value = { ...found.values };
  problems.value = [];
  sentence.value = '';
  newer.value = undefined;
  dirty.value = false;
}

watch(
  () => route.params.id,
  async (id) => {
    if (id === undefined || record.value?.id === Number(id)) {
      return;
    }
    try {
      const types = await ask(api.GET('/api/sites/{site}/types', { params: { path: { site: at.value.site } } }));
      type.value = types.find((each) => each.definition.key === at.value.type);
      if (id !== 'new') {
        const params = { path: { ...at.value, id: Number(id) } };
        show(await ask(api.GET('/api/sites/{site}/types/{type}/records/{id}', { params })));
      }
    } catch (thrown) {
      sentence.value = sentenceOf(thrown);
    }
  },
  { immediate: true },
);

const check = useDebounceFn(async () => {
  const body = { values: values.value };
  const found = await ask(api.POST('/api/sites/{site}/types/{type}/check', { params: { path: at.value }, body }));
  problems.value = found.filter((problem) => touched.value.has(problem.field));
}, 300);

function touch(field: string): void {
  dirty.value = true;
  touched.value.add(field);
  if (session.mayWrite) {
    check()?.catch(() => undefined);
  }
}

async function save(state: 'draft' | 'published'): Promise<void> {
  sentence.value = '';
  const body = { version: record.value?.version ?? 0, state, values: values.value };
  try {
    const stored = record.value
      ? await ask(
          api.PUT('/api/sites/{site}/types/{type}/records/{id}', {
            params: { path: { ...at.value, id: record.value.id } },
            body,
          }),
        )
      : await ask(api.POST('/api/sites/{site}/types/{type}/records', { params: { path: at.value }, body }));
    show(stored);
    if (isNew.value) {
      await router.replace({ params: { ...route.params, id: stored.id } });
    }
  } catch (thrown) {
    sentence.value = sentenceOf(thrown);
    if (thrown instanceof ApiError) {
      problems.value = thrown.findings;
      newer.value = thrown.current as Schemas['RecordView'] | undefined;
    }
  }
}

useEventListener(window, 'beforeunload', (event) => {
  if (dirty.value) {
    event.preventDefault();
  }
});
onBeforeRouteLeave(() => !dirty.value || window.confirm(t('record.leave')));
</script>

<template>
  <div class="page record">
    <RouterLink :to="{ name: 'record-list', params: { workspace: route.params.workspace, ...at } }">{{
      $t('record.back')
    }}</RouterLink>
    <div v-if="type" class="stack">
      <div class="row spread head">
        <div>
          <span v-if="record && session.mayWrite" class="muted">{{ type.wordings.edit }}</span>
          <h1>{{ record ? record.shown.title : type.wordings.add }}</h1>
        </div>
        <div v-if="session.mayWrite" class="row">
          <NButton v-if="record?.state !== 'published'" @click="save('draft')">{{ $t('record.saveDraft') }}</NButton>
          <NButton v-else @click="save('draft')">{{ $t('record.unpublish') }}</NButton>
          <NButton type="primary" @click="save('published')">{{
            $t(record?.state === 'published' ? 'record.savePublished' : 'record.publish')
          }}</NButton>
        </div>
      </div>
      <div v-if="record" class="row" role="status">
        <Tag :tone="record.state === 'draft' ? 'draft' : 'safe'">{{ $t(`record.${record.state}`) }}</Tag>
        <span class="muted"
          >{{ $t('record.saved', { time: shortTime(record.updatedAt) }) }}
          {{ $t('record.by', { name: record.updatedBy }) }}</span
        >
        <a v-if="record.state === 'published'" :href="record.page" target="_blank">{{ $t('record.seePage') }}</a>
      </div>
      <div aria-live="assertive">
        <Problems v-if="sentence" :of="[{ sentence, severity: 'blocker' }]" />
        <NButton v-if="newer" size="small" @click="show(newer)">{{ $t('record.conflict') }}</NButton>
      </div>
      <div v-if="record && !record.complete" class="panel">
        <strong>{{ $t('record.incompleteWhy') }}</strong>
        <Problems :of="record.problems" />
      </div>
      <EntryForm
        v-model="values"
        class="panel"
        :type="type.definition"
        :parts="type.parts"
        :problems="problems"
        :site="at.site"
        :readonly="!session.mayWrite"
        @touch="touch"
      />
    </div>
    <Problems v-else-if="sentence" :of="[{ sentence, severity: 'blocker' }]" />
  </div>
</template>

<style scoped>
.record {
  max-width: 760px;
}
.head {
  align-items: flex-start;
  margin-top: 8px;
}
.head h1 {
  overflow-wrap: anywhere;
}
</style>
