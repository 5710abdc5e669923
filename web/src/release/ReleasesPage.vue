<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, onMounted, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ApiError, ask, sentenceOf } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import { nextRelease, ofWorkspace, releaseList } from './queries';
import { longTime } from '@/shared/time';
import TextInput from '@/shared/controls/TextInput.vue';
import Dialog from '@/shared/controls/Dialog.vue';
import Disclosure from '@/shared/controls/Disclosure.vue';
import GeneratedCode from './GeneratedCode.vue';
import SendRelease from './SendRelease.vue';
import WorkspaceTokens from './WorkspaceTokens.vue';

const { t } = useI18n();
const route = useRoute();
const session = useSession();
const draft = useDraft();
const workspace = computed(() => String(route.params.workspace));
/** What the next release would be is asked once the draft is stored. */
const stored = ref(false);
const comes = useResource(() => nextRelease(workspace.value), { enabled: stored });
const made = useResource(() => releaseList(workspace.value));
const next = comes.data;
const releases = computed(() => made.data.value ?? []);
const version = ref('');
const notes = ref('');
const refused = ref<{ sentence: string; severity: string }[]>([]);
const problems = computed(() => [
  ...[comes.problem.value, made.problem.value].filter(Boolean).map((sentence) => ({ sentence, severity: 'blocker' })),
  ...refused.value,
]);
/** The release, or the draft, of which code is looked at; empty for none. */
const code = ref('');
const isCode = computed({ get: () => code.value !== '', set: (open) => (code.value = open ? code.value : '') });
/** The release that is to be sent; empty for none. */
const sent = ref('');
const isSent = computed({ get: () => sent.value !== '', set: (open) => (sent.value = open ? sent.value : '') });
const codeTitle = computed(() =>
  code.value === 'draft' ? t('release.code.draft') : t('release.code.title', { version: code.value }),
);
const params = computed(() => ({ path: { workspace: workspace.value } }));
const blockers = computed(() => (next.value?.findings ?? []).filter((finding) => finding.severity === 'blocker'));

/** As it is suggested, until somebody types another. */
watch(
  () => next.value?.nextVersion ?? '',
  (now, before = '') => {
    if (version.value === before) {
      version.value = now;
    }
  },
  { immediate: true },
);

async function release(): Promise<void> {
  refused.value = [];
  try {
    const body = { version: version.value, notes: notes.value };
    await ask(api.POST('/api/workspaces/{workspace}/releases', { params: params.value, body }));
    notes.value = '';
    await renew(ofWorkspace(workspace.value));
    await draft.refresh();
    await useWorkspace().loadSites();
  } catch (thrown) {
    const found = thrown instanceof ApiError ? thrown.findings : [];
    refused.value = [{ sentence: sentenceOf(thrown), severity: 'blocker' }, ...found];
  }
}

onMounted(async () => {
  await draft.flush();
  stored.value = true;
});
</script>

<template>
  <div class="page stack">
    <section v-if="next" class="panel stack">
      <h1>{{ $t(next.lastVersion ? 'release.next' : 'release.first') }}</h1>
      <p v-if="next.changes.length === 0" class="muted flat">
        {{ next.lastVersion ? $t('release.nothing', { version: next.lastVersion }) : $t('release.emptyDraft') }}
      </p>
      <template v-else>
        <div>
          <h2 v-if="next.lastVersion">{{ $t('release.since', { version: next.lastVersion }) }}</h2>
          <ul class="changes">
            <li v-for="change in next.changes" :key="change.sentence">{{ change.sentence }}</li>
          </ul>
        </div>
        <div v-if="blockers.length">
          <strong>{{ $t('release.blocked') }}</strong>
          <Problems :of="blockers" />
        </div>
        <form v-if="session.isArchitect" class="stack" @submit.prevent="release">
          <div class="row top">
            <div class="version">
              <label class="label" for="version">{{ $t('release.version') }}</label>
              <TextInput id="version" v-model:value="version" mono required aria-describedby="advice" />
            </div>
            <div id="advice" class="advice">
              <template v-if="next.lastVersion">
                {{
                  $t('release.advised', { version: next.nextVersion, advice: $t(`release.adviceWords.${next.advice}`) })
                }}
                <ul>
                  <li v-for="cause in next.causes" :key="cause.sentence">{{ cause.sentence }}</li>
                </ul>
              </template>
              <template v-else>{{ $t('release.advisedFirst') }}</template>
            </div>
          </div>
          <div>
            <label class="label" for="notes">{{ $t('release.notes') }}</label>
            <TextInput id="notes" v-model:value="notes" multiline rows="2" :placeholder="$t('release.notesHint')" />
          </div>
          <div>
            <NButton type="primary" attr-type="submit" :disabled="blockers.length > 0">{{
              $t('release.release', { version })
            }}</NButton>
          </div>
        </form>
      </template>
      <div aria-live="polite"><Problems :of="problems" /></div>
    </section>
    <div class="row spread">
      <h2 class="flat">{{ $t('release.history') }}</h2>
      <NButton v-if="blockers.length === 0" size="small" @click="code = 'draft'">{{
        $t('release.code.draft')
      }}</NButton>
    </div>
    <p v-if="releases.length === 0" class="muted flat">{{ $t('release.none') }}</p>
    <article v-for="each in releases" :key="each.version" class="panel">
      <div class="row spread">
        <h3 class="mono">{{ each.version }}</h3>
        <span class="row ways">
          <NButton v-if="session.isArchitect" size="small" @click="sent = each.version">{{
            $t('release.send.open')
          }}</NButton>
          <NButton size="small" @click="code = each.version">{{ $t('release.code.open') }}</NButton>
          <a :href="`/api/workspaces/${params.path.workspace}/releases/${each.version}/package`" download>{{
            $t('release.export')
          }}</a>
        </span>
      </div>
      <p class="muted flat">{{ $t('release.by', { name: each.by, time: longTime(each.at) }) }}</p>
      <p v-if="each.notes" class="notes">{{ each.notes }}</p>
      <Disclosure :title="$t('release.changes', { n: each.changes.length }, each.changes.length)">
        <ul class="changes">
          <li v-for="change in each.changes" :key="change.sentence">{{ change.sentence }}</li>
        </ul>
      </Disclosure>
    </article>
    <WorkspaceTokens v-if="session.isArchitect" :workspace="workspace" />
    <Dialog v-model="isSent" :title="$t('release.send.title', { version: sent })" :width="640">
      <SendRelease :key="sent" :workspace="workspace" :version="sent" />
    </Dialog>
    <Dialog v-model="isCode" :title="codeTitle" :width="1100">
      <GeneratedCode :key="code" :workspace="workspace" :version="code" />
    </Dialog>
  </div>
</template>

<style scoped>
.ways {
  gap: 16px;
}
.flat {
  margin: 0;
}
.changes,
.advice ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
.changes li,
.notes,
.advice {
  overflow-wrap: anywhere;
}
.top {
  align-items: flex-start;
  gap: 24px;
}
.version {
  width: 140px;
  flex: none;
}
.notes {
  margin: 8px 0;
  white-space: pre-line;
}
</style>
