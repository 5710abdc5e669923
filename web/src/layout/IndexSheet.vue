<script setup lang="ts">
import { computed } from 'vue';
import SaveState from '@/model/SaveState.vue';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import type { Schemas } from '@/shared/api/client';
import { useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Choices from '@/shared/controls/Choices.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import Segments from '@/shared/controls/Segments.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import type { ContentType } from '@/shared/kinds';
import { filled, filterable, groupable, sortable } from './blocks';
import { waysOf } from './queries';

/** The page that lists the records of a type: how, in what order and groups, with which words and filters. */
const props = defineProps<{ type: ContentType }>();
const draft = useDraft();
const session = useSession();
type Index = NonNullable<Schemas['ContentType']['index']>;
const index = computed<Index>(() => props.type.index ?? {});
const forms = ['cards', 'lines', 'table'] as const;
const widths = ['narrow', 'medium', 'wide'] as const;
const { data: ways } = useResource(() => waysOf(draft.workspace, props.type.id ?? '', draft.revision), {
  keepsLast: true,
});
const all = computed(() => ways.value ?? []);
const own = computed(() => all.value.filter((way) => !way.path.includes('.')));
const findings = computed(() => draft.findings.filter((finding) => finding.definition === props.type.id));
const wordings = computed(() => props.type.wordings ?? {});

const optionsOf = (some: { path: string; label: string }[]): { value: string; label: string }[] =>
  some.map((way) => ({ value: way.path, label: way.label }));

function change(of: Partial<ContentType>): void {
  draft.edit({ sort: 'type', definition: { ...props.type, ...of } });
}

const set = (of: Partial<Index>): void => change({ index: filled({ ...index.value, ...of }) });

const across = (width: string, cards: string): void =>
  set({ across: filled({ ...index.value.across, [width]: cards === '0' ? undefined : Number(cards) }) });

const word = (name: string, text: string): void => change({ wordings: filled({ ...wordings.value, [name]: text }) });
</script>

<template>
  <div class="sheet stack">
    <div class="row spread head">
      <h1 dir="auto">
        {{ $t('layout.uses.index') }} <span class="muted" dir="auto">{{ type.plural }}</span>
      </h1>
      <SaveState />
    </div>
    <p class="hint about">{{ $t('layout.about.index') }}</p>
    <Problems :of="findings.filter((finding) => finding.property.startsWith('index'))" />
    <ControlSet :disabled="!session.isArchitect">
      <div class="panel stack">
        <h2>{{ $t('layout.index.list') }}</h2>
        <Check
          data-explain="index.on"
          :checked="index.on !== false"
          @update:checked="set({ on: $event ? undefined : false })"
          >{{ $t('layout.index.on') }}</Check
        >
        <Segments
          data-explain="index.as"
          :value="index.as ?? 'cards'"
          :aria-label="$t('layout.index.as')"
          :options="forms.map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
          @update:value="set({ as: $event === 'cards' ? undefined : ($event as 'lines') })"
        />
        <div v-if="index.as === 'table'" data-explain="index.columns">
          <label class="small" for="index-columns">{{ $t('layout.index.columns') }}</label>
          <Choices
            id="index-columns"
            :placeholder="$t('layout.index.titleAlone')"
            :values="index.columns ?? []"
            :options="optionsOf(all)"
            @update:values="set({ columns: $event })"
          />
        </div>
        <ControlSet v-if="(index.as ?? 'cards') === 'cards'" :legend="$t('layout.index.across')">
          <div class="row wrap">
            <div v-for="width in widths" :key="width" :data-explain="`across.${width}`">
              <label class="small" :for="`index-${width}`">{{ $t(`layout.index.${width}`) }}</label>
              <Choice
                :id="`index-${width}`"
                class="across"
                :value="String(index.across?.[width] ?? 0)"
                :options="[
                  { value: '0', label: $t('layout.index.fitting') },
                  ...[1, 2, 3, 4, 5, 6].map((each) => ({ value: String(each), label: String(each) })),
                ]"
                @update:value="across(width, $event)"
              />
            </div>
          </div>
        </ControlSet>
        <div class="row wrap">
          <div data-explain="index.order">
            <label class="small" for="index-sort">{{ $t('layout.index.order') }}</label>
            <Choice
              id="index-sort"
              :value="index.order ?? 'part_title'"
              :options="optionsOf(own.filter(sortable))"
              @update:value="set({ order: $event === 'part_title' ? undefined : $event })"
            />
          </div>
          <Check
            data-explain="index.descending"
            :checked="index.descending ?? false"
            @update:checked="set({ descending: $event || undefined })"
            >{{ $t('layout.index.descending') }}</Check
          >
          <div data-explain="index.page_size">
            <label class="small" for="index-page-size">{{ $t('layout.index.pageSize') }}</label>
            <TypedInput
              id="index-page-size"
              class="size"
              inputmode="numeric"
              :value="String(index.page_size ?? 24)"
              @typed="set({ page_size: Number($event) || undefined })"
            />
          </div>
          <div data-explain="index.group_by">
            <label class="small" for="index-group">{{ $t('layout.index.group') }}</label>
            <Choice
              id="index-group"
              :value="index.group_by ?? ''"
              :options="[{ value: '', label: $t('layout.index.noGroup') }, ...optionsOf(own.filter(groupable))]"
              @update:value="set({ group_by: $event })"
            />
          </div>
        </div>
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.index.filters') }}</h2>
        <p class="hint about">{{ $t('layout.index.filtersHint') }}</p>
        <div data-explain="index.filters">
          <label class="small" for="index-filters">{{ $t('layout.index.filterBy') }}</label>
          <Choices
            id="index-filters"
            :placeholder="$t('layout.index.noFilters')"
            :values="index.filters ?? []"
            :options="optionsOf(own.filter(filterable))"
            @update:values="set({ filters: $event })"
          />
        </div>
        <Check
          data-explain="index.search"
          :checked="index.search ?? false"
          @update:checked="set({ search: $event || undefined })"
          >{{ $t('layout.index.search') }}</Check
        >
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.index.words') }}</h2>
        <div data-explain="index.intro">
          <label class="small" for="index-intro">{{ $t('layout.index.intro') }}</label>
          <TypedInput
            id="index-intro"
            dir="auto"
            :value="index.intro ?? ''"
            :placeholder="type.description"
            @typed="set({ intro: $event })"
          />
        </div>
        <div class="row wrap">
          <div class="long">
            <label class="small" for="index-none">{{ $t('layout.index.none') }}</label>
            <TypedInput
              id="index-none"
              dir="auto"
              :value="wordings.empty ?? ''"
              :placeholder="$t('layout.index.noneDerived', { plural: type.plural })"
              @typed="word('empty', $event)"
            />
          </div>
          <div class="long">
            <label class="small" for="index-link">{{ $t('layout.index.link') }}</label>
            <TypedInput
              id="index-link"
              dir="auto"
              :value="wordings.index ?? ''"
              :placeholder="type.plural"
              @typed="word('index', $event)"
            />
          </div>
        </div>
      </div>
    </ControlSet>
  </div>
</template>

<style scoped src="./sheet.css"></style>

<style scoped>
.across {
  width: 130px;
}
</style>
