<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { groupsOf, newId, withGroups, type ContentType, type Group } from '@/shared/kinds';
import FieldTable from './FieldTable.vue';
import NamesPanel from './NamesPanel.vue';
import SaveState from './SaveState.vue';
import { useDraft } from './draft';

const props = defineProps<{ type: ContentType }>();
const draft = useDraft();
const session = useSession();
const locked = computed(() => !session.isArchitect);
const groups = computed(() => groupsOf(props.type));
const findings = computed(() => draft.findings.filter((finding) => finding.definition === props.type.id));
const ofType = computed(() => findings.value.filter((finding) => !finding.field));
const parts = ['title', 'summary', 'body', 'lead_image', 'author', 'position'] as const;
type Part = (typeof parts)[number];
const chosen = computed<Part[]>(() => props.type.parts ?? ['title']);

function set(change: Partial<ContentType>): void {
  draft.edit({ ...props.type, ...change });
}

function setGroups(changed: Group[]): void {
  set({ groups: withGroups(props.type, changed) });
}

function setGroup(group: Group): void {
  setGroups(groups.value.map((each) => (each.id === group.id ? group : each)));
}

function togglePart(part: Part, on: boolean): void {
  set({ parts: parts.filter((each) => (each === part ? on : chosen.value.includes(each))) });
}

function addGroup(): void {
  setGroups([...groups.value, { id: newId('g'), title: `Group ${String(groups.value.length + 1)}`, fields: [] }]);
}
</script>

<template>
  <div class="stack">
    <div class="row spread head">
      <h1>{{ type.singular || type.key }}</h1>
      <SaveState />
    </div>
    <p v-if="locked" class="hint" style="margin: 0">{{ $t('model.readOnly') }}</p>
    <fieldset :disabled="locked">
      <div class="stack">
        <Problems :of="ofType" />
        <NamesPanel :type="type" @change="set" />
        <div class="row parts" role="group" :aria-label="$t('model.parts')">
          <strong>{{ $t('model.parts') }}</strong>
          <label v-for="part in parts" :key="part" class="row">
            <input
              type="checkbox"
              :checked="chosen.includes(part)"
              :disabled="part === 'title'"
              @change="togglePart(part, ($event.target as HTMLInputElement).checked)"
            />{{ $t(`model.partNames.${part}`) }}
          </label>
        </div>
        <section v-for="group in groups" :key="group.id" class="group">
          <div class="row">
            <input
              class="input title"
              :value="group.title"
              :aria-label="$t('model.group')"
              @input="setGroup({ ...group, title: ($event.target as HTMLInputElement).value })"
            />
            <NButton
              v-if="groups.length > 1 && !group.fields?.length"
              size="small"
              :disabled="locked"
              @click="setGroups(groups.filter((each) => each.id !== group.id))"
              >{{ $t('model.removeGroup', { title: group.title }) }}</NButton
            >
          </div>
          <Problems :of="findings.filter((finding) => finding.field === group.id)" />
          <FieldTable :type="type" :group="group" :findings="findings" @change="setGroups" />
        </section>
        <div class="row spread">
          <NButton :disabled="locked" @click="addGroup">{{ $t('model.addGroup') }}</NButton>
          <NButton quaternary :disabled="locked" @click="draft.remove(type.id ?? '')">{{
            $t('model.removeType')
          }}</NButton>
        </div>
        <p class="hint">{{ $t('model.keysHint') }}</p>
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.head h1 {
  overflow-wrap: anywhere;
}
.parts {
  flex-wrap: wrap;
  gap: 4px 16px;
}
.group {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px;
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
</style>
