<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { sentenceOf } from '@/shared/api/client';
import { idOf, nameOf, recordOptionsOf, sorts, type Defined, type Sort } from '@/shared/definitions';
import OutlineEntry from './OutlineEntry.vue';
import { useDraft } from './draft';
import { usePresence } from './presence';
import TextInput from '@/shared/controls/TextInput.vue';
import Choice from '@/shared/controls/Choice.vue';

const collator = new Intl.Collator('en', { numeric: true });
defineProps<{ selected: string | undefined }>();
const draft = useDraft();
const presence = usePresence();
const session = useSession();
const router = useRouter();
const filter = ref('');
const order = ref<'name' | 'uses' | 'problems'>('name');
const making = ref<Sort>('type');
const name = ref('');
const forType = ref('');
const problem = ref('');
const input = useTemplateRef<InstanceType<typeof TextInput>>('input');
const needsType = computed(() => making.value === 'layout' || making.value === 'listing');

/** Blockers and warnings of each definition. */
const problems = computed(() => {
  const counts = new Map<string, number>();
  for (const finding of draft.findings) {
    if (finding.severity !== 'note') {
      counts.set(finding.definition, (counts.get(finding.definition) ?? 0) + 1);
    }
  }
  return counts;
});
const changed = computed(() => new Set(draft.changed));

function uses(each: Defined): number {
  return draft.uses[idOf(each)]?.length ?? 0;
}

function ranked(some: Defined[]): Defined[] {
  const by = { name: () => 0, uses, problems: (each: Defined) => problems.value.get(idOf(each)) ?? 0 }[order.value];
  return [...some].sort((a, b) => by(b) - by(a) || collator.compare(nameOf(a), nameOf(b)));
}

const sections = computed(() => {
  const wanted = filter.value.trim().toLowerCase();
  const found = draft.definitions.filter(
    (each) => !wanted || nameOf(each).toLowerCase().includes(wanted) || each.definition.key.includes(wanted),
  );
  return sorts
    .map((sort) => ({ sort, all: ranked(found.filter((each) => each.sort === sort)) }))
    .filter((section) => section.all.length > 0);
});

const present = computed(() => {
  const names = new Map<string, Set<string>>();
  for (const person of presence.others) {
    names.set(person.definition, (names.get(person.definition) ?? new Set()).add(person.name));
  }
  return names;
});

function here(id: string): string {
  return [...(present.value.get(id) ?? [])].join(', ');
}

/** A double click makes one. */
const busy = ref(false);

async function add(): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problem.value = '';
  try {
    const id = await draft.add(making.value, name.value, needsType.value ? forType.value : undefined);
    name.value = '';
    await router.push({ name: 'model', params: { workspace: draft.workspace, type: id } });
    await nextTick();
    document.querySelector<HTMLElement>('.quick-line input')?.focus();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}

async function choose(sort: Sort): Promise<void> {
  making.value = sort;
  await nextTick();
  input.value?.focus();
}

defineExpose({ choose });
</script>

<template>
  <nav :aria-label="$t('model.outline')">
    <div class="find">
      <TextInput v-model:value="filter" :placeholder="$t('model.filter')" :aria-label="$t('model.filter')" />
      <Choice
        v-model:value="order"
        :aria-label="$t('model.order.title')"
        :options="[
          { value: 'name', label: $t('model.order.name') },
          { value: 'uses', label: $t('model.order.uses') },
          { value: 'problems', label: $t('model.order.problems') },
        ]"
      />
    </div>
    <section v-for="section in sections" :key="section.sort">
      <h2 class="title row">
        {{ $t(`model.sorts.${section.sort}`) }}
        <span class="muted">{{ section.all.length }}</span>
      </h2>
      <ul>
        <OutlineEntry
          v-for="each in section.all"
          :key="idOf(each)"
          :of="each"
          :workspace="draft.workspace"
          :selected="idOf(each) === selected"
          :problems="problems.get(idOf(each)) ?? 0"
          :changed="changed.has(idOf(each))"
          :uses="uses(each)"
          :here="here(idOf(each))"
        />
      </ul>
    </section>
    <p v-if="filter && !sections.length" class="hint none">{{ $t('model.noneFound', { text: filter }) }}</p>
    <form v-if="session.isArchitect && draft.definitions.length" class="add" @submit.prevent="add">
      <label class="label" for="making">{{ $t('model.newDefinition') }}</label>
      <Choice
        id="making"
        v-model:value="making"
        :options="sorts.map((sort) => ({ value: sort, label: $t(`model.sort.${sort}`) }))"
      />
      <Choice
        v-if="needsType"
        v-model:value="forType"
        :placeholder="$t('model.listing.type')"
        :aria-label="$t('model.listing.type')"
        :options="recordOptionsOf(draft.definitions)"
      />
      <label class="hidden" for="noun">{{ $t(`model.nameOf.${making}`) }}</label>
      <TextInput
        id="noun"
        ref="input"
        v-model:value="name"
        required
        maxlength="200"
        autocomplete="off"
        :placeholder="$t(`model.nameExample.${making}`)"
      />
      <p class="hint">{{ $t(`model.nameOf.${making}`) }}</p>
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <NButton attr-type="submit" size="small" block>{{ $t('model.add') }}</NButton>
    </form>
  </nav>
</template>

<style scoped>
.find {
  display: grid;
  grid-template-columns: 1fr 116px;
  gap: 4px;
  padding: 12px 12px 4px;
}
.title {
  padding: 12px 12px 4px;
  font-size: 12px;
  color: var(--muted);
}
.title .muted {
  font-weight: 400;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.none {
  padding: 0 12px;
}
.add {
  display: flex;
  flex-direction: column;
  gap: 4px;
  margin-top: 12px;
  padding: 12px;
  border-top: 1px solid var(--line);
}
</style>
