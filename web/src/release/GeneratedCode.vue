<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import Choice from '@/shared/controls/Choice.vue';
import { codeTargets, generatedCode, versionList } from './queries';

/** Code for other programs, made of a release or the draft: looked at, copied, or downloaded whole. */
const props = defineProps<{ workspace: string; version: string }>();
const { t } = useI18n();
const targets = useResource(() => codeTargets(props.workspace));
const options = computed(() =>
  (targets.data.value ?? []).map(({ target, about }) => ({ value: target, label: about })),
);
const target = ref('');
const migrates = computed(() => targets.data.value?.some((each) => each.target === target.value && each.migrates));
const versions = useResource(() => versionList(props.workspace), { enabled: () => migrates.value === true });
/** The release of which there is something to bring on; nothing for something new. */
const from = ref('');
const origins = computed(() => [
  { value: '', label: t('release.code.empty') },
  ...(versions.data.value ?? [])
    .filter(({ version }) => version !== props.version)
    .map(({ version }) => ({ value: version, label: t('release.code.since', { version }) })),
]);
const since = computed(() => (migrates.value ? from.value : ''));
const made = useResource(() => generatedCode(props.workspace, props.version, target.value, since.value), {
  enabled: () => target.value !== '',
});
const files = computed(() => (made.data.value?.files ?? []).map(({ path }) => ({ value: path, label: path })));
const path = ref('');
const text = computed(() => made.data.value?.files.find((file) => file.path === path.value)?.text ?? '');
const copied = ref(false);
const problem = computed(() => targets.problem.value || made.problem.value);
const zip = computed(() => {
  const query = new URLSearchParams({ version: props.version, ...(since.value ? { from: since.value } : {}) });
  return `/api/workspaces/${props.workspace}/generate/${target.value}/zip?${query.toString()}`;
});

watch(
  options,
  ([first]) => {
    target.value ||= first?.value ?? '';
  },
  { immediate: true },
);
watch([files, since], ([now], [, sinceBefore]) => {
  if (since.value !== sinceBefore || !now.some((file) => file.value === path.value)) {
    // what is of this model comes before what is the same for all, what brings something on before what is made anew
    const first =
      now.find(({ value }) => value.startsWith('migrate.')) ?? now.find(({ value }) => value.startsWith('model.'));
    path.value = (first ?? now[0])?.value ?? '';
  }
});
watch([target, path, since], () => {
  copied.value = false;
});

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(text.value);
  copied.value = true;
}
</script>

<template>
  <div class="stack">
    <div :class="['row', 'choices', { three: migrates && origins.length > 1 }]">
      <Choice v-model:value="target" class="target" :options="options" :aria-label="$t('release.code.target')" />
      <Choice
        v-if="migrates && origins.length > 1"
        v-model:value="from"
        class="origin"
        :options="origins"
        :aria-label="$t('release.code.from')"
      />
      <Choice v-model:value="path" class="path" filterable :options="files" :aria-label="$t('release.code.file')" />
      <NButton :disabled="!text" @click="copy">{{ $t('release.code.copy') }}</NButton>
      <a v-if="text" :href="zip" download>{{ $t('release.code.download') }}</a>
      <span class="muted" role="status">{{ copied ? $t('release.code.copied') : '' }}</span>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <p v-for="note in made.data.value?.notes" :key="note" class="hint flat">{{ note }}</p>
    <pre v-if="text" class="mono code" tabindex="0" :aria-label="path">{{ text }}</pre>
    <p v-else-if="!problem" class="muted flat" role="status">{{ $t('release.code.making') }}</p>
  </div>
</template>

<style scoped>
.choices {
  flex-wrap: wrap;
  gap: 8px 16px;
}
.target {
  width: 400px;
}
.path {
  width: 340px;
}
.three .target,
.origin {
  width: 256px;
}
.three .path {
  width: 200px;
}
.flat {
  margin: 0;
}
.code {
  height: 52vh;
  margin: 0;
  padding: 12px;
  overflow: auto;
  border: 1px solid var(--line);
  border-radius: 4px;
  font-size: 13px;
  white-space: pre;
}
</style>
