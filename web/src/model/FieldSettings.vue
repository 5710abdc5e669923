<script setup lang="ts">
import { computed, ref } from 'vue';
import IconChevron from '~icons/tabler/chevron-down';
import { innerOf } from '@/shared/definitions';
import { kinds, settingOf, withSetting, type Field, type Group } from '@/shared/kinds';
import ConditionEditor from './ConditionEditor.vue';
import OptionEditor from './OptionEditor.vue';
import RelationEditor from './RelationEditor.vue';
import SettingControl from './SettingControl.vue';
import { copyTo } from './copies';
import { useDraft } from './draft';
import { widths } from './settings';
import { useHelp } from './useHelp';

const props = defineProps<{ field: Field; groups: Group[] }>();
const emit = defineEmits<{ change: [Field] }>();

const draft = useDraft();
const help = useHelp();
const settings = computed(() => Object.entries(kinds[props.field.kind].settings));
const more = ref(
  Boolean(props.field.show_when ?? props.field.width ?? props.field.default ?? props.field.api === false),
);
const lists = computed(() => draft.ofSort('list'));
const taxonomies = computed(() => draft.ofSort('taxonomy'));

function set(name: string, value: unknown): void {
  emit('change', withSetting(props.field, name, value));
}

const value = (event: Event) => (event.target as HTMLInputElement).value;

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
      <div v-if="lists.length" :title="about('list')">
        <label class="small" :for="`${field.id}-list`">{{ $t('model.settings.list') }}</label>
        <select :id="`${field.id}-list`" class="input" :value="field.list ?? ''" @change="setList(value($event))">
          <option value="">{{ $t('model.ownOptions') }}</option>
          <option v-for="list in lists" :key="list.id" :value="list.id">{{ list.title }}</option>
        </select>
      </div>
      <OptionEditor v-if="!field.list" :options="field.options ?? []" @change="set('options', $event)" />
    </template>
    <div v-if="field.kind === 'term'" :title="about('taxonomy')">
      <label class="small" :for="`${field.id}-taxonomy`">{{ $t('model.settings.taxonomy') }}</label>
      <select
        :id="`${field.id}-taxonomy`"
        class="input"
        :value="field.taxonomy"
        @change="emit('change', { ...field, taxonomy: value($event) })"
      >
        <option value="">{{ $t('model.pickTaxonomy') }}</option>
        <option v-for="taxonomy in taxonomies" :key="taxonomy.id" :value="taxonomy.id">{{ taxonomy.singular }}</option>
      </select>
    </div>
    <RelationEditor v-if="field.kind === 'relation'" :field="field" @change="emit('change', $event)" />
    <div v-if="field.kind === 'repeater'" :title="about('row_name')">
      <label class="small" :for="`${field.id}-row_name`">{{ $t('model.settings.row_name') }}</label>
      <select
        :id="`${field.id}-row_name`"
        class="input"
        :value="field.row_name ?? ''"
        @change="set('row_name', value($event))"
      >
        <option value="">{{ $t('model.byNumber') }}</option>
        <option v-for="inner in innerOf(field)" :key="inner.id" :value="inner.id">{{ inner.label }}</option>
      </select>
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
    <button type="button" class="plain-button more" :aria-expanded="more" @click="more = !more">
      <IconChevron :style="{ transform: more ? 'rotate(180deg)' : '' }" aria-hidden="true" />{{
        $t('model.moreOfField')
      }}
    </button>
    <template v-if="more">
      <div :title="about('width')">
        <label class="small" :for="`${field.id}-width`">{{ $t('model.settings.width') }}</label>
        <select
          :id="`${field.id}-width`"
          class="input"
          :value="field.width ?? 'full'"
          @change="set('width', value($event) === 'full' ? undefined : value($event))"
        >
          <option v-for="width in widths" :key="width" :value="width">{{ $t(`model.widths.${width}`) }}</option>
        </select>
      </div>
      <SettingControl
        :field="field"
        name="default"
        control="text"
        :about="about('default')"
        @change="emit('change', $event)"
      />
      <label class="row" :title="about('api')">
        <input
          type="checkbox"
          :checked="settingOf(field, 'api') !== false"
          @change="set('api', ($event.target as HTMLInputElement).checked ? undefined : false)"
        />{{ $t('model.settings.api') }}
      </label>
      <div>
        <label class="small" :for="`${field.id}-copy`">{{ $t('model.copyField') }}</label>
        <select :id="`${field.id}-copy`" class="input" value="" @change="copyTo(field, value($event))">
          <option value="">{{ $t('model.copyNowhere') }}</option>
          <option v-for="type in draft.types" :key="type.id" :value="type.id">{{ type.singular }}</option>
        </select>
      </div>
      <ConditionEditor
        class="wide"
        :condition="field.show_when"
        :groups="groups"
        :own="field.id"
        :title="$t('model.shownWhen')"
        @change="set('show_when', $event)"
      />
    </template>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(148px, 1fr));
  gap: 8px;
  align-items: end;
}
.more {
  grid-column: 1 / -1;
  justify-self: start;
  display: flex;
  align-items: center;
  gap: 4px;
  color: var(--petrol);
  font-size: 13px;
}
.wide {
  grid-column: 1 / -1;
}
</style>
