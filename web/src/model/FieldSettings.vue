<script setup lang="ts">
import { computed } from 'vue';
import { innerOf } from '@/shared/definitions';
import { kinds, settingOf, withSetting, type Field, type Group } from '@/shared/kinds';
import ConditionEditor from './ConditionEditor.vue';
import FieldPages from './FieldPages.vue';
import OptionEditor from './OptionEditor.vue';
import RelationEditor from './RelationEditor.vue';
import SettingControl from './SettingControl.vue';
import { copyTo } from './copies';
import { useDraft } from './draft';
import { widths } from './settings';
import { useHelp } from './useHelp';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Disclosure from '@/shared/controls/Disclosure.vue';

const props = defineProps<{ field: Field; groups: Group[] }>();
const emit = defineEmits<{ change: [Field] }>();

const draft = useDraft();
const help = useHelp();
const settings = computed(() => Object.entries(kinds[props.field.kind].settings));
const more = Boolean(props.field.show_when ?? props.field.width ?? props.field.default ?? props.field.api === false);
const lists = computed(() => draft.ofSort('list'));
const taxonomies = computed(() => draft.ofSort('taxonomy'));

function set(name: string, value: unknown): void {
  emit('change', withSetting(props.field, name, value));
}

/** A list of its own, or options: never both. */
function setList(id: string): void {
  const others = Object.fromEntries(
    Object.entries(props.field).filter(([name]) => !['list', 'options'].includes(name)),
  );
  emit('change', { ...others, ...(id ? { list: id } : { options: [] }) } as unknown as Field);
}

function about(name: string): string | undefined {
  return help.value[props.field.kind]?.[name] ?? help.value.field?.[name];
}
</script>

<template>
  <div class="settings" role="group" :aria-label="$t('model.settingsOf', { label: field.label })">
    <template v-if="field.kind === 'choice'">
      <div v-if="lists.length" :data-explain="`${field.kind}.list`">
        <label class="small" :for="`${field.id}-list`">{{ $t('model.settings.list') }}</label>
        <Choice
          :id="`${field.id}-list`"
          :value="field.list ?? ''"
          :options="[
            { value: '', label: $t('model.ownOptions') },
            ...lists.map((list) => ({ value: list.id, label: list.title })),
          ]"
          @update:value="setList($event)"
        />
      </div>
      <OptionEditor v-if="!field.list" :options="field.options ?? []" @change="set('options', $event)" />
    </template>
    <div v-if="field.kind === 'term'" :data-explain="`${field.kind}.taxonomy`">
      <label class="small" :for="`${field.id}-taxonomy`">{{ $t('model.settings.taxonomy') }}</label>
      <Choice
        :id="`${field.id}-taxonomy`"
        :value="field.taxonomy"
        :options="[
          { value: '', label: $t('model.pickTaxonomy') },
          ...taxonomies.map((taxonomy) => ({ value: taxonomy.id, label: taxonomy.singular })),
        ]"
        @update:value="emit('change', { ...field, taxonomy: $event })"
      />
    </div>
    <RelationEditor v-if="field.kind === 'relation'" :field="field" @change="emit('change', $event)" />
    <div v-if="field.kind === 'repeater'" :data-explain="`${field.kind}.row_name`">
      <label class="small" :for="`${field.id}-row_name`">{{ $t('model.settings.row_name') }}</label>
      <Choice
        :id="`${field.id}-row_name`"
        :value="field.row_name ?? ''"
        :options="[
          { value: '', label: $t('model.byNumber') },
          ...innerOf(field).map((inner) => ({ value: inner.id, label: inner.label })),
        ]"
        @update:value="set('row_name', $event)"
      />
    </div>
    <SettingControl
      v-for="[name, control] in settings"
      :key="name"
      :field="field"
      :name="name"
      :control="control"
      :about="about(name)"
      @change="emit('change', $event)"
    />
    <FieldPages v-if="field.id" class="wide" :field="field.id" />
    <Disclosure class="wide" :title="$t('model.moreOfField')" :open="more"
      ><div class="settings">
        <div data-explain="field.width">
          <label class="small" :for="`${field.id}-width`">{{ $t('model.settings.width') }}</label>
          <Choice
            :id="`${field.id}-width`"
            :value="field.width ?? 'full'"
            :options="widths.map((width) => ({ value: width, label: $t(`model.widths.${width}`) }))"
            @update:value="set('width', $event === 'full' ? undefined : $event)"
          />
        </div>
        <SettingControl
          :field="field"
          name="default"
          control="text"
          :about="about('default')"
          @change="emit('change', $event)"
        />
        <Check
          data-explain="field.api"
          :checked="settingOf(field, 'api') !== false"
          @update:checked="set('api', $event ? undefined : false)"
          >{{ $t('model.settings.api') }}</Check
        >
        <div>
          <label class="small" :for="`${field.id}-copy`">{{ $t('model.copyField') }}</label>
          <Choice
            :id="`${field.id}-copy`"
            :value="undefined"
            :placeholder="$t('model.copyNowhere')"
            :options="[...draft.types.map((type) => ({ value: type.id, label: type.singular }))]"
            @update:value="copyTo(field, $event)"
          />
        </div>
        <ConditionEditor
          class="wide"
          data-explain="field.show_when"
          :condition="field.show_when"
          :groups="groups"
          :own="field.id"
          :title="$t('model.shownWhen')"
          @change="set('show_when', $event)"
        /></div
    ></Disclosure>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(148px, 1fr));
  gap: 8px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
</style>
