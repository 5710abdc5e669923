<script setup lang="ts">
import { NAlert, NButton } from 'naive-ui';
import { useEventListener, useLocalStorage } from '@vueuse/core';
import { computed, nextTick, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { onBeforeRouteLeave, onBeforeRouteUpdate, useRoute, useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { shortTime } from '@/shared/time';
import ConflictPanel from './ConflictPanel.vue';
import EntryForm from './EntryForm.vue';
import PagePreview from './PagePreview.vue';
import RecordHistory from './RecordHistory.vue';
import RecordSide from './RecordSide.vue';
import { idOf, provideForm, type FormContext } from './form';
import { noun, useRecordTypes, type RecordType } from './recordTypes';
import { pathOf, siteLinks } from './links';
import { addressOfList, neighbours } from './neighbours';
import { toneOf } from './states';
import { useRecord, type OpenRecord } from './useRecord';
import { useConfirm } from '@/shared/controls/confirming';

const { t } = useI18n();
const route = useRoute();
const router = useRouter();
const session = useSession();
const recordTypes = useRecordTypes();
const site = computed(() => String(route.params.site));
const recordType = computed(() => recordTypes.at(String(route.params.type)));
const workspace = computed(() => String(route.params.workspace));
const id = computed(() => String(route.params.id));
const record = useRecord(
  () => site.value,
  () => recordType.value,
  () => id.value,
);
const { open, values, sentence, conflict, dirty, found, place, isNew, safe, ready } = record;
const links = siteLinks(
  () => site.value,
  () => recordType.value,
  recordTypes.byId,
  () => workspace.value,
);
const form: FormContext = {
  prefix: 'v',
  readonly: () => !session.mayWrite,
  problems: (path) => record.shownProblems.value.filter((problem) => problem.path === path),
  hidden: (path) => record.hidden.value.includes(path),
  ...links,
};
provideForm(form);

const title = computed(
  () =>
    open.value?.record.title ??
    recordType.value?.wordings.add ??
    t('record.add', { name: noun(recordType.value?.singular ?? '') }),
);
const around = computed(() => neighbours(site.value, recordType.value?.id ?? '', Number(id.value)));
const list = computed(() => ({
  name: 'record-list',
  params: { workspace: workspace.value, site: site.value, type: String(route.params.type) },
  query: addressOfList(site.value, recordType.value?.id ?? ''),
}));
const one = (other: number | string) => ({ name: 'record', params: { ...route.params, id: other } });
/** Whether the page stands beside the form; as it was left in this browser. */
const previewing = useLocalStorage('jontrel.preview', false);
const isType = computed(() => recordType.value?.sort === 'types');

watch(open, (now) => {
  if (now) {
    links.know(now.links, now.files);
  }
});

const addressOf = (number: string) => [site.value, String(route.params.type), number].join('/');
const beginning = computed(() => ({ copy: String(route.query.copy ?? ''), under: String(route.query.under ?? '') }));
const address = computed(() =>
  isNew.value ? addressOf(['new', beginning.value.copy, beginning.value.under].join('/')) : addressOf(id.value),
);
/** The address of a record that was new here until it was stored: it is open already. */
let storedAt = '';

watch(
  address,
  async (now) => {
    if (now === storedAt) {
      return;
    }
    storedAt = '';
    record.clear();
    const { copy, under } = beginning.value;
    try {
      if (recordTypes.site !== site.value || !recordTypes.all) {
        await recordTypes.load(site.value);
      }
      if (now !== address.value) {
        return;
      }
      if (!recordType.value) {
        sentence.value = t('record.noSuch', { key: String(route.params.type) });
        return;
      }
      await record.load(async () => ({
        start: copy ? await copyOf(Number(copy)) : {},
        parent: await parentOf(under),
      }));
    } catch (thrown) {
      sentence.value = sentenceOf(thrown);
    }
  },
  { immediate: true },
);

/** Who makes a new one begins to type at once. */
watch(
  () => ready.value && isNew.value,
  async (begins) => {
    if (begins && session.mayWrite) {
      await nextTick();
      document.querySelector<HTMLElement>('.record .form input, .record .form textarea')?.focus();
    }
  },
);

/** The values of another record to begin with; rows become rows of their own. */
async function copyOf(other: number): Promise<Record<string, unknown>> {
  const params = { path: { ...pathOf(site.value, recordType.value as RecordType), id: other } };
  const from = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records/{id}', { params }));
  links.know(from.links, from.files);
  return JSON.parse(JSON.stringify(from.record.values, (key, value: unknown) => (key === '_row' ? undefined : value)));
}

/** What a new record is to stand under, as the address says it: the type and the number of the parent. */
async function parentOf(under: string): Promise<Schemas['ParentView'] | undefined> {
  const [type = '', number] = under.split('/');
  const above = recordTypes.byId(type);
  if (!above || !number) {
    return undefined;
  }
  const params = { path: { ...pathOf(site.value, above), id: Number(number) } };
  const { record: parent } = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records/{id}', { params }));
  links.know([{ ...parent, type }], []);
  return { type, id: parent.id };
}

async function save(state: 'draft' | 'published' | 'scheduled' | 'retired'): Promise<void> {
  const stored = await record.save(state);
  if (stored && isNew.value) {
    storedAt = addressOf(String(stored.record.id));
    await router.replace(one(stored.record.id));
  }
  if (record.refused.value) {
    await nextTick();
    document.getElementById('record-problems')?.focus();
  }
}

function restored(next: OpenRecord): void {
  record.show(next);
}

async function remove(): Promise<void> {
  const now = open.value?.record;
  if (!now || !recordType.value) {
    return;
  }
  try {
    const params = { path: { ...pathOf(site.value, recordType.value), id: now.id }, query: { version: now.version } };
    await ask(api.DELETE('/api/sites/{site}/{sort}/{key}/records/{id}', { params }));
    dirty.value = false;
    await router.push({ ...list.value, query: { ...list.value.query, deleted: String(now.id), title: now.title } });
  } catch (thrown) {
    sentence.value = sentenceOf(thrown);
  }
}

/** To the field that a problem is about, its rows unfolded. */
function jump(path: string): void {
  const target = document.getElementById(idOf(form, path)) ?? document.querySelector(`[data-field="${path}"]`);
  target?.scrollIntoView({ block: 'center' });
  const control = target?.matches('input, textarea') ? target : (target?.querySelector('input, textarea') ?? target);
  (control as HTMLElement | null)?.focus();
}

const isConfirmed = useConfirm();
const mayLeave = async () => !dirty.value || safe.value || (await isConfirmed(t('record.leave'), t('record.leaveAct')));
useEventListener(window, 'beforeunload', (event) => {
  if (dirty.value && !safe.value) {
    event.preventDefault();
  }
});
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if ((event.ctrlKey || event.metaKey) && event.key === 's' && session.mayWrite) {
    event.preventDefault();
    void save((open.value?.record.state ?? 'draft') as 'draft');
  }
});
onBeforeRouteLeave(mayLeave);
onBeforeRouteUpdate(mayLeave);
</script>

<template>
  <div class="page record" :class="{ beside: previewing }">
    <div class="row spread">
      <RouterLink :to="list">{{ $t('record.back') }}</RouterLink>
      <div v-if="!isNew" class="row">
        <RouterLink v-if="around.before" :to="one(around.before)">{{ $t('record.before') }}</RouterLink>
        <RouterLink v-if="around.after" :to="one(around.after)">{{ $t('record.after') }}</RouterLink>
      </div>
    </div>
    <div v-if="recordType" class="stack">
      <div class="row spread head">
        <div>
          <span v-if="open" class="muted">{{ recordType.wordings.edit ?? recordType.singular }}</span>
          <h1 dir="auto">{{ recordType.sort === 'values' ? recordType.singular : title }}</h1>
        </div>
        <div v-if="session.mayWrite" class="row">
          <NButton v-if="isType" quaternary :aria-pressed="previewing" @click="previewing = !previewing">{{
            $t('record.preview')
          }}</NButton>
          <template v-if="isType">
            <NButton v-if="open?.record.state !== 'published'" @click="save('draft')">{{
              $t('record.saveDraft')
            }}</NButton>
            <NButton v-else @click="save('draft')">{{ $t('record.unpublish') }}</NButton>
            <NButton v-if="open?.record.state === 'published'" @click="save('retired')">{{
              $t('record.retire')
            }}</NButton>
            <NButton type="primary" @click="save('published')">{{
              $t(open?.record.state === 'published' ? 'record.savePublished' : 'record.publish')
            }}</NButton>
          </template>
          <NButton v-else type="primary" @click="save('published')">{{ $t('record.savePublished') }}</NButton>
        </div>
      </div>
      <div v-if="open" class="row state" role="status">
        <Tag v-if="isType" :tone="toneOf(open.record.state)">{{ $t(`record.states.${open.record.state}`) }}</Tag>
        <Tag v-if="!open.record.complete" tone="bad">{{ $t('record.incomplete') }}</Tag>
        <span class="muted"
          >{{ $t('record.saved', { time: shortTime(open.record.updatedAt) }) }}
          {{ $t('record.by', { name: open.record.updatedBy }) }}</span
        >
        <span v-if="dirty" class="muted">{{ $t(safe ? 'record.unsaved' : 'record.notKept') }}</span>
        <a
          v-if="open.record.state === 'published' && open.record.address"
          :href="open.record.address"
          target="_blank"
          >{{ $t('record.seePage') }}</a
        >
      </div>
      <div aria-live="assertive">
        <Problems v-if="sentence" :of="[{ sentence, severity: 'blocker' }]" />
      </div>
      <ConflictPanel
        v-if="conflict"
        :of="conflict"
        :by="conflict.record.record.updatedBy"
        @merge="record.merge($event)"
        @theirs="record.show(conflict.record)"
      />
      <div v-if="found" class="panel row spread">
        <span>{{ $t('record.found', { time: shortTime(found.at) }) }}</span>
        <span class="row">
          <NButton size="small" @click="record.takeUnfinished()">{{ $t('record.takeFound') }}</NButton>
          <NButton size="small" quaternary @click="record.dropUnfinished()">{{ $t('record.dropFound') }}</NButton>
        </span>
      </div>
      <div
        v-if="record.refused.value || (open && !open.record.complete && record.problems.value.length)"
        id="record-problems"
        class="panel"
        tabindex="-1"
      >
        <strong>{{
          record.refused.value
            ? $t('record.problems', { n: record.problems.value.length }, record.problems.value.length)
            : $t('record.incompleteWhy')
        }}</strong>
        <ul class="problems">
          <li v-for="problem in record.problems.value" :key="problem.path + problem.sentence">
            <NButton text class="jump" @click="jump(problem.path)">{{ problem.sentence }}</NButton>
          </li>
        </ul>
      </div>
      <NAlert v-if="open?.setAside.length" type="warning" :show-icon="false">
        <div v-for="each in open.setAside" :key="each.label" class="row spread">
          <span>{{ $t('record.setAside', { label: each.label }) }}</span>
          <RouterLink :to="{ name: 'held', params: { workspace, site }, query: { run: String(each.run) } }">{{
            $t('record.toHeld')
          }}</RouterLink>
        </div>
      </NAlert>
      <div v-if="ready" class="columns" :class="{ beside: previewing }">
        <EntryForm
          v-model="values"
          class="panel main"
          :first="recordType.first"
          :groups="recordType.groups"
          @touch="record.touch"
        />
        <PagePreview
          v-if="previewing && isType && session.mayWrite"
          :id="open?.record.id"
          v-model:shown="previewing"
          :site="site"
          :type="recordType.key"
          :values="values"
        />
        <aside class="panel aside" :aria-label="$t('record.aside')">
          <RecordSide
            v-model:slug="place.slug"
            v-model:parent="place.parent"
            v-model:publish-at="place.publishAt"
            v-model:retire-at="place.retireAt"
            :problems="record.shownProblems.value"
            :site="site"
            :workspace="workspace"
            :record-type="recordType"
            :record="open?.record"
            :pointers="open?.pointers ?? []"
            :readonly="!session.mayWrite"
            @touch="record.touch('own')"
            @schedule="save('scheduled')"
            @ends="record.leads"
          />
          <div v-if="open && session.mayWrite && recordType.sort !== 'values'" class="row acts">
            <RouterLink v-if="isType" :to="{ ...one('new'), query: { copy: String(open.record.id) } }">{{
              $t('record.duplicate')
            }}</RouterLink>
            <NButton size="tiny" quaternary @click="remove">{{ $t('record.delete') }}</NButton>
          </div>
          <RecordHistory
            v-if="open"
            :site="site"
            :record-type="recordType"
            :record="open.record"
            :may-write="session.mayWrite"
            @restored="restored"
            @failed="sentence = $event"
          />
        </aside>
      </div>
    </div>
    <Problems v-if="!recordType && sentence" :of="[{ sentence, severity: 'blocker' }]" />
  </div>
</template>

<style scoped>
.record {
  max-width: 1120px;
}
.head {
  align-items: flex-start;
  margin-top: 8px;
}
.head h1 {
  overflow-wrap: anywhere;
}
.state {
  flex-wrap: wrap;
}
.problems {
  margin: 4px 0 0;
  padding-left: 18px;
}
.jump {
  white-space: normal;
  text-align: start;
  color: var(--rust);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 16px;
  align-items: start;
}
.aside {
  display: flex;
  flex-direction: column;
  gap: 16px;
}
.acts {
  justify-content: space-between;
}
.record.beside {
  max-width: 1560px;
}
.columns.beside {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.columns.beside .aside {
  grid-column: 1;
}
@media (max-width: 900px) {
  .columns.beside,
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .columns.beside .aside {
    grid-column: auto;
  }
}
</style>
