<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import IconX from '~icons/tabler/x';
import ConditionEditor from '@/model/ConditionEditor.vue';
import SaveState from '@/model/SaveState.vue';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import type { Schemas } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { nameOf, ownGroupsOf, type Defined } from '@/shared/definitions';
import ValueTextInput from './ValueTextInput.vue';
import { filled } from './blocks';
import { waysOf } from './queries';

/** What search engines, and people with whom a page is shared, are told of the pages of records. */
const props = defineProps<{ of: Extract<Defined, { sort: 'type' | 'taxonomy' }> }>();
/** As they stand in files. */
const examples = {
  title: '{title}',
  description: '{summary}',
  schema: 'Place',
  property: 'address.addressLocality',
};
const draft = useDraft();
const session = useSession();
type Head = NonNullable<Schemas['ContentType']['head']>;
type Property = NonNullable<Head['properties']>[number];
const head = computed<Head>(() => props.of.definition.head ?? {});
const properties = computed<Property[]>(() => head.value.properties ?? []);
const { data: ways } = useResource(() => waysOf(draft.workspace, props.of.definition.id ?? '', draft.revision), {
  keepsLast: true,
});
const all = computed(() => ways.value ?? []);
const pictures = computed(() => all.value.filter((way) => way.kind === 'image'));
const groups = computed(() => ownGroupsOf(props.of));
const findings = computed(() =>
  draft.findings.filter(
    (finding) => finding.definition === props.of.definition.id && finding.property.startsWith('head'),
  ),
);

function set(change: Partial<Head>): void {
  const definition = { ...props.of.definition, head: filled({ ...head.value, ...change }) };
  draft.edit({ ...props.of, definition });
}

function setProperty(at: number, change: Partial<Property>): void {
  set({ properties: properties.value.map((each, i) => (i === at ? { ...each, ...change } : each)) });
}
</script>

<template>
  <div class="sheet stack">
    <div class="row spread head">
      <h1 dir="auto">
        {{ $t('layout.uses.head') }} <span class="muted" dir="auto">{{ nameOf(of) }}</span>
      </h1>
      <SaveState />
    </div>
    <p class="hint about">{{ $t('layout.about.head') }}</p>
    <Problems :of="findings" />
    <!-- what is typed is kept by ids, which are known with the ways -->
    <ControlSet :disabled="!session.isArchitect || !ways">
      <div class="panel stack">
        <h2>{{ $t('layout.head.search') }}</h2>
        <ValueTextInput
          id="head-title"
          data-explain="head.title"
          :label="$t('layout.head.title')"
          :text="head.title ?? ''"
          :ways="all"
          :placeholder="examples.title"
          @change="set({ title: $event })"
        />
        <ValueTextInput
          id="head-description"
          data-explain="head.description"
          multiline
          :label="$t('layout.head.description')"
          :text="head.description ?? ''"
          :ways="all"
          :placeholder="examples.description"
          @change="set({ description: $event })"
        />
        <div data-explain="head.picture">
          <label class="small" for="head-picture">{{ $t('layout.head.picture') }}</label>
          <Choice
            id="head-picture"
            class="choice"
            :value="head.picture ?? ''"
            :options="[
              { value: '', label: $t('layout.head.leadImage') },
              ...pictures.map((way) => ({ value: way.path, label: way.label })),
            ]"
            @update:value="set({ picture: $event })"
          />
        </div>
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.head.leftOut') }}</h2>
        <Check
          data-explain="head.hidden"
          :checked="head.hidden ?? false"
          @update:checked="set({ hidden: $event || undefined })"
          >{{ $t('layout.head.hidden') }}</Check
        >
        <ConditionEditor
          v-if="!head.hidden"
          of-record
          data-explain="head.hidden_when"
          :condition="head.hidden_when"
          :groups="groups"
          :own="undefined"
          :title="$t('layout.head.hiddenWhen')"
          @change="set({ hidden_when: $event })"
        />
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.head.programs') }}</h2>
        <p class="hint about">{{ $t('layout.head.programsHint') }}</p>
        <div data-explain="head.schema">
          <label class="small" for="head-schema">{{ $t('layout.head.schema') }}</label>
          <TypedInput
            id="head-schema"
            mono
            class="choice"
            :value="head.schema ?? ''"
            :placeholder="examples.schema"
            @typed="set({ schema: $event.trim() })"
          />
        </div>
        <div v-for="(property, at) in properties" :key="at" class="property">
          <div data-explain="head_property.name">
            <label class="small" :for="`property-${at}`">{{ $t('layout.head.property') }}</label>
            <TypedInput
              :id="`property-${at}`"
              mono
              :value="property.name"
              :placeholder="examples.property"
              @typed="setProperty(at, { name: $event.trim() })"
            />
          </div>
          <ValueTextInput
            :id="`property-value-${at}`"
            data-explain="head_property.value"
            :label="$t('layout.head.value')"
            :text="property.value"
            :ways="all"
            @change="setProperty(at, { value: $event })"
          />
          <NButton
            quaternary
            size="small"
            :aria-label="$t('layout.head.remove', { name: property.name })"
            @click="set({ properties: properties.filter((_, i) => i !== at) })"
            ><IconX
          /></NButton>
        </div>
        <div v-if="head.schema">
          <NButton size="small" @click="set({ properties: [...properties, { name: '', value: '' }] })">{{
            $t('layout.head.add')
          }}</NButton>
        </div>
      </div>
    </ControlSet>
  </div>
</template>

<style scoped src="./sheet.css"></style>

<style scoped>
.choice {
  max-width: 260px;
}
.property {
  display: grid;
  grid-template-columns: minmax(130px, 1fr) 3fr auto;
  gap: 8px;
  align-items: end;
}
</style>
