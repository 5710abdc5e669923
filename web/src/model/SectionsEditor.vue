<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, type FindingView } from '@/shared/api/client';
import { withInnerOf } from '@/shared/definitions';
import { isGroup, newId, type Field, type Group, type Section } from '@/shared/kinds';
import ConditionEditor from './ConditionEditor.vue';
import FieldTable from './FieldTable.vue';
import QuickLine from './QuickLine.vue';
import { copyOfGroup } from './copies';
import { useDraft } from './draft';

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

function regroup(which: 'share' | 'own', group: string): void {
  const params = { path: { ...draft.path, id: props.id }, query: draft.since() };
  void draft.act(() =>
    which === 'share'
      ? ask(api.POST('/api/workspaces/{workspace}/draft/definitions/{id}/share', { params, body: { group } }))
      : ask(api.POST('/api/workspaces/{workspace}/draft/definitions/{id}/own', { params, body: { group } })),
  );
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

const value = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <section v-for="(section, at) in sections" :key="isGroup(section) ? section.id : section.use" class="group">
    <template v-if="isGroup(section)">
      <div class="row head">
        <input
          class="input title"
          dir="auto"
          :value="section.title"
          :aria-label="$t('model.group')"
          @input="setAt(at, { ...section, title: value($event) })"
        />
        <span class="muted count">{{
          $t(
            'model.fieldCount',
            { n: withInnerOf(section.fields ?? []).length },
            withInnerOf(section.fields ?? []).length,
          )
        }}</span>
        <details class="menu">
          <summary>{{ $t('model.groupMenu') }}</summary>
          <div class="items stack">
            <div>
              <label class="small" :for="`about-${section.id}`">{{ $t('model.description') }}</label>
              <input
                :id="`about-${section.id}`"
                class="input"
                dir="auto"
                :value="section.description ?? ''"
                @input="setAt(at, { ...section, description: value($event) || undefined })"
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
              <select class="input auto" :aria-label="$t('model.copyGroup')" @change="copy(section, value($event))">
                <option value="">{{ $t('model.copyGroup') }}</option>
                <option v-for="type in draft.types" :key="type.id" :value="type.id">{{ type.singular }}</option>
              </select>
              <NButton size="small" @click="setAt(at, undefined)">{{
                $t('model.removeGroup', { title: section.title })
              }}</NButton>
            </div>
          </div>
        </details>
      </div>
      <Problems :of="findings.filter((finding) => finding.field === section.id)" />
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
        <details class="menu">
          <summary>{{ $t('model.groupMenu') }}</summary>
          <div class="items stack">
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
        </details>
      </div>
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
    <select
      v-if="unused.length"
      class="input auto"
      :aria-label="$t('model.useShared')"
      :value="''"
      @change="add({ use: value($event) })"
    >
      <option value="">{{ $t('model.useShared') }}</option>
      <option v-for="shared in unused" :key="shared.id" :value="shared.id">{{ shared.title }}</option>
    </select>
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
  font-weight: 650;
  border-color: transparent;
  max-width: 320px;
}
.title:hover,
.title:focus {
  border-color: var(--muted);
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
  width: auto;
}
.menu {
  position: relative;
}
.menu summary {
  cursor: pointer;
  color: var(--petrol);
  font-size: 13px;
  list-style: none;
}
.menu .items {
  position: absolute;
  right: 0;
  z-index: 5;
  width: min(560px, 70vw);
  padding: 12px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: 4px;
  box-shadow: 0 4px 16px rgb(0 0 0 / 18%);
}
</style>
