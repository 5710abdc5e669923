<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import Choice from '@/shared/controls/Choice.vue';
import { codeTargets, generatedCode } from './queries';

/** Code for other programs, made of a release or the draft: looked at, copied, or downloaded whole. */
const props = defineProps<{ workspace: string; version: string }>();
const targets = useResource(() => codeTargets(props.workspace));
const options = computed(() =>
  (targets.data.value ?? []).map(({ target, about }) => ({ value: target, label: about })),
);
const target = ref('');
const made = useResource(() => generatedCode(props.workspace, props.version, target.value), {
  enabled: () => target.value !== '',
});
const files = computed(() => (made.data.value?.files ?? []).map(({ path }) => ({ value: path, label: path })));
const path = ref('');
const text = computed(() => made.data.value?.files.find((file) => file.path === path.value)?.text ?? '');
const copied = ref(false);
const problem = computed(() => targets.problem.value || made.problem.value);
const zip = computed(
  () => `/api/workspaces/${props.workspace}/generate/${target.value}/zip?version=${encodeURIComponent(props.version)}`,
);

watch(
  options,
  ([first]) => {
    target.value ||= first?.value ?? '';
  },
  { immediate: true },
);
watch(files, (now) => {
  if (!now.some((file) => file.value === path.value)) {
    // what is of this model comes before what is the same for all
    path.value = (now.find((file) => file.value.startsWith('model.')) ?? now[0])?.value ?? '';
  }
});
watch([target, path], () => {
  copied.value = false;
});

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(text.value);
  copied.value = true;
}
</script>

<template>
  <div class="stack">
    <div class="row choices">
      <Choice v-model:value="target" class="target" :options="options" :aria-label="$t('release.code.target')" />
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
