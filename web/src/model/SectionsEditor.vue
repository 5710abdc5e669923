<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ApiError, ask, sentenceOf, type FindingView } from '@/shared/api/client';
import { withInnerOf } from '@/shared/definitions';
import { isGroup, newId, type Field, type Group, type Section } from '@/shared/kinds';
import ConditionEditor from './ConditionEditor.vue';
import FieldTable from './FieldTable.vue';
import QuickLine from './QuickLine.vue';
import { copyOfGroup } from './copies';
import { useDraft } from './draft';
import TextInput from '@/shared/controls/TextInput.vue';
import Choice from '@/shared/controls/Choice.vue';
import Menu from '@/shared/controls/Menu.vue';

/** The groups of fields of a definition, its own and shared ones, in order. */
const props = defineProps<{
  id: string;
  sections: Section[];
  findings: FindingView[];
  locked: boolean;
  ofRecord?: boolean;
}>();
const emit = defineEmits<{ change: [Section[]] }>();
const draft = useDraft();
/** Why a group could not be made shared or a definition's own; gone with the next change. */
const refusal = ref<{ group: string; why: { sentence: string; severity: string }[] }>();
watch(
  () => props.sections,
  () => (refusal.value = undefined),
);
const groups = computed(() => props.sections.filter(isGroup));
const taken = computed(() => groups.value.flatMap((group) => group.fields ?? []).map((field) => field.key));
const unused = computed(() =>
  draft.ofSort('group').filter((shared) => !props.sections.some((each) => !isGroup(each) && each.use === shared.id)),
);

function setGroups(changed: Group[]): void {
  const byId = new Map(changed.map((group) => [group.id, group]));
  emit(
    'change',
    props.sections.map((each) => (isGroup(each) ? (byId.get(each.id) ?? each) : each)),
  );
}

function setAt(at: number, section: Section | undefined): void {
  emit(
    'change',
    props.sections.flatMap((each, i) => (i === at ? (section ?? []) : each)),
  );
}

function addFields(group: Group, fields: Field[]): void {
  setGroups([{ ...group, fields: [...(group.fields ?? []), ...fields] }]);
}

function add(section: Section): void {
  emit('change', [...props.sections, section]);
}

function move(at: number, by: -1 | 1): void {
  const next = [...props.sections];
  const [moved] = next.splice(at, 1);
  if (moved) {
    next.splice(at + by, 0, moved);
    emit('change', next);
  }
}

async function regroup(which: 'share' | 'own', group: string): Promise<void> {
  refusal.value = undefined;
  try {
    await draft.act(() => {
      const params = { path: { ...draft.path, id: props.id }, query: draft.since() };
      return which === 'share'
        ? ask(api.POST('/api/workspaces/{workspace}/draft/definitions/{id}/share', { params, body: { group } }))
        : ask(api.POST('/api/workspaces/{workspace}/draft/definitions/{id}/own', { params, body: { group } }));
    });
  } catch (thrown) {
    const why = thrown instanceof ApiError ? thrown.findings : [];
    refusal.value = { group, why: [{ sentence: sentenceOf(thrown), severity: 'blocker' }, ...why] };
  }
}

async function copy(group: Group, to: string): Promise<void> {
  const target = draft.find(to);
  if (!target || !('groups' in target.definition || target.sort === 'type')) {
    return;
  }
  const made = await copyOfGroup(group);
  if (target.sort === 'type' || target.sort === 'values' || target.sort === 'taxonomy') {
    draft.edit({
      ...target,
      definition: { ...target.definition, groups: [...(target.definition.groups ?? []), made] },
    } as typeof target);
  }
}

function sharedOf(id: string) {
  return draft.ofSort('group').find((each) => each.id === id);
}
</script>

<template>
  <section v-for="(section, at) in sections" :key="isGroup(section) ? section.id : section.use" class="group">
    <template v-if="isGroup(section)">
      <div class="row head">
        <TextInput
          cell
          class="title"
          dir="auto"
          :value="section.title"
          :aria-label="$t('model.group')"
          @update:value="setAt(at, { ...section, title: $event })"
        />
        <span class="muted count">{{
          $t(
            'model.fieldCount',
            { n: withInnerOf(section.fields ?? []).length },
            withInnerOf(section.fields ?? []).length,
          )
        }}</span>
        <Menu :label="$t('model.groupMenu')"
          ><div class="stack">
            <div>
              <label class="small" :for="`about-${section.id}`">{{ $t('model.description') }}</label>
              <TextInput
                :id="`about-${section.id}`"
                dir="auto"
                :value="section.description ?? ''"
                @update:value="setAt(at, { ...section, description: $event || undefined })"
              />
            </div>
            <ConditionEditor
              :condition="section.show_when"
              :groups="groups.filter((group) => group.id !== section.id)"
              :own="section.id"
              :title="$t('model.shownWhen')"
              :of-record="ofRecord"
              @change="setAt(at, { ...section, show_when: $event })"
            />
            <div class="row wrap">
              <NButton size="small" :disabled="at === 0" @click="move(at, -1)">{{ $t('model.groupUp') }}</NButton>
              <NButton size="small" :disabled="at === sections.length - 1" @click="move(at, 1)">{{
                $t('model.groupDown')
              }}</NButton>
              <NButton size="small" @click="regroup('share', section.id ?? '')">{{ $t('model.share') }}</NButton>
              <Choice
                class="auto"
                :value="undefined"
                :placeholder="$t('model.copyGroup')"
                :aria-label="$t('model.copyGroup')"
                :options="[...draft.types.map((type) => ({ value: type.id, label: type.singular }))]"
                @update:value="copy(section, $event)"
              />
              <NButton size="small" @click="setAt(at, undefined)">{{
                $t('model.removeGroup', { title: section.title })
              }}</NButton>
            </div>
          </div>
        </Menu>
      </div>
      <Problems :of="findings.filter((finding) => finding.field === section.id)" />
      <Problems v-if="refusal?.group === section.id" :of="refusal!.why" />
      <FieldTable :groups="groups" :group="section" :findings="findings" :locked="locked" @change="setGroups" />
      <QuickLine v-if="!locked" :taken="taken" :into="section.id ?? ''" @add="addFields(section, $event)" />
    </template>
    <template v-else>
      <div class="row head">
        <strong class="grow">{{ sharedOf(section.use)?.title ?? section.use }}</strong>
        <span class="muted">{{ $t('model.sharedGroup') }}</span>
        <RouterLink :to="{ name: 'model', params: { workspace: draft.workspace, type: section.use } }">{{
          $t('model.openShared')
        }}</RouterLink>
        <Menu :label="$t('model.groupMenu')"
          ><div class="stack">
            <ConditionEditor
              :condition="section.show_when"
              :groups="groups"
              :own="section.use"
              :title="$t('model.shownWhen')"
              :of-record="ofRecord"
              @change="setAt(at, { ...section, show_when: $event })"
            />
            <div class="row wrap">
              <NButton size="small" :disabled="at === 0" @click="move(at, -1)">{{ $t('model.groupUp') }}</NButton>
              <NButton size="small" :disabled="at === sections.length - 1" @click="move(at, 1)">{{
                $t('model.groupDown')
              }}</NButton>
              <NButton size="small" @click="regroup('own', section.use)">{{ $t('model.makeOwn') }}</NButton>
              <NButton size="small" @click="setAt(at, undefined)">{{ $t('model.stopUsing') }}</NButton>
            </div>
          </div>
        </Menu>
      </div>
      <Problems v-if="refusal?.group === section.use" :of="refusal!.why" />
      <p class="hint first">
        {{ (sharedOf(section.use)?.fields ?? []).map((field) => field.label).join(' · ') }}
      </p>
    </template>
  </section>
  <div v-if="!locked" class="row wrap">
    <NButton
      size="small"
      @click="add({ id: newId('g'), title: $t('model.newGroup', { n: groups.length + 1 }), fields: [] })"
      >{{ $t('model.addGroup') }}</NButton
    >
    <Choice
      v-if="unused.length"
      class="auto"
      :aria-label="$t('model.useShared')"
      :value="undefined"
      :placeholder="$t('model.useShared')"
      :options="[...unused.map((shared) => ({ value: shared.id, label: shared.title }))]"
      @update:value="add({ use: $event })"
    />
  </div>
</template>

<style scoped>
.group {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px;
}
.head {
  position: relative;
}
.title {
  width: auto;
}
.title :deep(input) {
  field-sizing: content;
  min-width: 60px;
  font-size: 15px;
  font-weight: 650;
}
.count,
.head .muted {
  font-size: 13px;
  white-space: nowrap;
}
.grow {
  flex: 1;
  padding: 5px 8px;
}
.count {
  flex: 1;
}
.first {
  padding: 0 8px;
}
.wrap {
  flex-wrap: wrap;
}
.auto {
  width: 200px;
}
</style>
