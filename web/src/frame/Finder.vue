<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch, type Component } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRouter } from 'vue-router';
import IconCommand from '~icons/tabler/bolt';
import IconAlert from '~icons/tabler/alert-triangle';
import { useDraft } from '@/model/draft';
import { fieldsWithin, idOf, nameOf, sortIcons } from '@/shared/definitions';
import { kinds } from '@/shared/kinds';
import { useWorkspace } from './workspace';
import SearchInput from '@/shared/controls/SearchInput.vue';
import { NModal } from 'naive-ui';

/** Any definition, field, finding or command by a few letters of it. */
const open = defineModel<boolean>({ required: true });
const { t } = useI18n();
const draft = useDraft();
const workspace = useWorkspace();
const router = useRouter();
const text = ref('');
const isGrown = ref(false);
const input = useTemplateRef<InstanceType<typeof SearchInput>>('input');
const MOST = 40;
/** Where somebody was; the library's own way back comes late and would take the focus away from where they went. */
let came: HTMLElement | null = null;

interface Entry {
  icon: Component;
  label: string;
  about: string;
  go: () => unknown;
}

function to(name: string, params: Record<string, string> = {}, hash = ''): () => unknown {
  return () => router.push({ name, params: { workspace: draft.workspace, ...params }, hash });
}

const commands = computed<Entry[]>(() => {
  const areas = ['model', 'map', 'findings', 'history', 'exchange', 'records', 'releases', 'sites'].map((name) => ({
    icon: IconCommand,
    label: t(`finder.go.${name}`),
    about: '',
    go: to(name),
  }));
  const sites = workspace.sites.map((site) => ({
    icon: IconCommand,
    label: t('finder.plan', { site: site.name }),
    about: '',
    go: to('plan', { site: site.path }),
  }));
  const steps = [
    { icon: IconCommand, label: t('frame.undo'), about: draft.undoTitle ?? '', go: () => draft.undo() },
    { icon: IconCommand, label: t('frame.redo'), about: draft.redoTitle ?? '', go: () => draft.redo() },
  ];
  return [...areas, ...sites, ...steps];
});

const entries = computed<Entry[]>(() => [
  ...draft.definitions.map((each) => ({
    icon: sortIcons[each.sort],
    label: nameOf(each),
    about: t(`model.sort.${each.sort}`),
    go: to('model', { type: idOf(each) }),
  })),
  ...commands.value,
  ...draft.definitions.flatMap((each) =>
    fieldsWithin(each).map((field) => ({
      icon: kinds[field.kind].icon,
      label: field.label || field.key,
      about: nameOf(each),
      go: to('model', { type: idOf(each) }, `#${field.id ?? ''}`),
    })),
  ),
  ...draft.findings.map((finding) => ({
    icon: IconAlert,
    label: finding.sentence,
    about: t(`model.severityWord.${finding.severity}`),
    go: to('model', { type: finding.definition }, finding.field ? `#${finding.field}` : ''),
  })),
]);

const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean);
  const begins = (entry: Entry) => (entry.label.toLowerCase().startsWith(words[0] ?? '') ? 0 : 1);
  return (open.value ? entries.value : [])
    .filter((entry) => words.every((word) => `${entry.label} ${entry.about}`.toLowerCase().includes(word)))
    .sort((a, b) => begins(a) - begins(b))
    .slice(0, MOST);
});
const offers = computed(() =>
  found.value.map(({ icon, label, about }, at) => ({ value: String(at), label, detail: about, icon })),
);

watch(open, async (is) => {
  if (is) {
    came = document.activeElement as HTMLElement | null;
    text.value = '';
    isGrown.value = false;
    await nextTick();
    input.value?.focus();
  }
});

function go(entry: Entry | undefined): void {
  open.value = false;
  came?.focus();
  entry?.go();
}

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Tab') {
    event.preventDefault();
  } else if (event.key === 'Escape') {
    event.stopPropagation();
    go(undefined);
  }
}
</script>

<template>
  <NModal
    v-model:show="open"
    transform-origin="center"
    :trap-focus="false"
    :auto-focus="false"
    @after-enter="isGrown = true"
  >
    <div class="finder" role="dialog" aria-modal="true" :aria-label="$t('finder.title')" @keydown.capture="onKey">
      <SearchInput
        ref="input"
        v-model:words="text"
        in-place
        :held="!isGrown"
        settled
        :found="offers"
        :none="$t('model.noneFound', { text })"
        :aria-label="$t('finder.title')"
        :placeholder="$t('finder.hint')"
        @pick="go(found[Number($event)])"
      />
    </div>
  </NModal>
</template>

<style scoped>
.finder {
  width: min(640px, 92vw);
  align-self: flex-start;
  margin: 10vh auto auto;
  padding: 8px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.finder :deep(.n-base-select-menu[role='listbox']) {
  max-height: 56vh;
}
</style>
