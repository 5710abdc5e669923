<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { isGroup, type ContentType } from '@/shared/kinds';
import { useDraft } from './draft';
import NavigationOrder from './NavigationOrder.vue';
import { useHelp } from './useHelp';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Disclosure from '@/shared/controls/Disclosure.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';

const IconControl = defineAsyncComponent(() => import('@/record/IconControl.vue'));
/** The rare settings of a content type, each with its consequence. */
const props = defineProps<{ type: ContentType }>();
const emit = defineEmits<{ change: [Partial<ContentType>] }>();
const draft = useDraft();
const help = useHelp();
const about = computed(() => help.value.a_type ?? {});
const flags = ['public', 'searchable', 'navigation', 'api'] as const;
const states = ['draft', 'published', 'scheduled', 'retired'] as const;
const fields = computed(() => [
  ...(props.type.parts ?? ['title']).map((part) => ({ id: `part_${part}`, label: part.replace('_', ' ') })),
  ...(props.type.groups ?? []).flatMap((section) =>
    (isGroup(section)
      ? (section.fields ?? [])
      : (draft.ofSort('group').find((each) => each.id === section.use)?.fields ?? [])
    ).map((field) => ({ id: field.id ?? '', label: field.label || field.key })),
  ),
]);
const under = computed(() => props.type.nested?.under ?? []);

function index(change: object): void {
  const next: Record<string, unknown> = { ...props.type.index, ...change };
  emit('change', { index: Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)) });
}

function nest(id: string): void {
  const next = under.value.includes(id) ? under.value.filter((each) => each !== id) : [...under.value, id];
  emit('change', { nested: next.length ? { ...props.type.nested, under: next } : undefined });
}

function column(id: string): void {
  const now = props.type.columns ?? [];
  const next = now.includes(id) ? now.filter((each) => each !== id) : [...now, id];
  emit('change', { columns: next.length ? next : undefined });
}
</script>

<template>
  <section class="panel">
    <Disclosure :title="$t('model.rare.title')">
      <div class="stack">
        <ControlSet :legend="$t('model.rare.visible')">
          <Check
            v-for="flag in flags"
            :key="flag"
            class="line"
            :data-explain="`a_type.${flag}`"
            :checked="type[flag] !== false"
            @update:checked="emit('change', { [flag]: $event ? undefined : false })"
            ><span>{{ $t(`model.rare.${flag}`) }}</span
            ><span class="hint">{{ about[flag] }}</span></Check
          >
          <div class="row wrap">
            <div data-explain="a_type.api_path">
              <label class="small" for="api-path">{{ $t('model.rare.apiPath') }}</label>
              <TypedInput
                id="api-path"
                mono
                :value="type.api_path ?? ''"
                :placeholder="type.path"
                @typed="emit('change', { api_path: $event || undefined })"
              />
            </div>
            <div data-explain="a_type.new_records">
              <label class="small" for="new-records">{{ $t('model.rare.newRecords') }}</label>
              <Choice
                id="new-records"
                :value="type.new_records ?? 'draft'"
                :options="states.map((state) => ({ value: state, label: $t(`model.words.${state}`) }))"
                @update:value="
                  emit('change', { new_records: $event === 'draft' ? undefined : ($event as 'published') })
                "
              />
            </div>
            <div data-explain="a_type.icon">
              <label class="small" for="type-icon">{{ $t('model.rare.icon') }}</label>
              <IconControl
                id="type-icon"
                :label="$t('model.rare.icon')"
                :value="type.icon ?? ''"
                :invalid="false"
                @change="emit('change', { icon: $event || undefined })"
              />
            </div>
          </div>
        </ControlSet>
        <ControlSet :legend="$t('model.rare.index')">
          <Check
            data-explain="index.on"
            :checked="type.index?.on !== false"
            @update:checked="index({ on: $event ? undefined : false })"
            >{{ $t('model.rare.indexOn') }}</Check
          >
          <div class="row wrap">
            <div data-explain="index.order">
              <label class="small" for="index-order">{{ $t('model.rare.order') }}</label>
              <Choice
                id="index-order"
                :value="type.index?.order ?? 'part_title'"
                :options="fields.map((field) => ({ value: field.id, label: field.label }))"
                @update:value="index({ order: $event === 'part_title' ? undefined : $event })"
              />
            </div>
            <Check
              data-explain="index.descending"
              :checked="type.index?.descending ?? false"
              @update:checked="index({ descending: $event || undefined })"
              >{{ $t('model.rare.descending') }}</Check
            >
            <div data-explain="index.page_size">
              <label class="small" for="index-size">{{ $t('model.rare.pageSize') }}</label>
              <TypedInput
                id="index-size"
                class="size"
                inputmode="numeric"
                :value="String(type.index?.page_size ?? 24)"
                @typed="index({ page_size: Number($event) || undefined })"
              />
            </div>
          </div>
        </ControlSet>
        <ControlSet data-explain="a_type.navigation_place" :legend="$t('model.navigation.title')">
          <NavigationOrder :type="type" />
        </ControlSet>
        <ControlSet data-explain="a_type.nested" :legend="$t('model.rare.nested')">
          <p class="hint">{{ about.nested }}</p>
          <div class="row wrap">
            <Check
              v-for="other in draft.types"
              :key="other.id"
              :checked="under.includes(other.id ?? '')"
              @update:checked="nest(other.id ?? '')"
              >{{ other.singular }}</Check
            >
          </div>
          <div v-if="type.nested" class="row wrap">
            <Check
              data-explain="nested.required"
              :checked="type.nested.required ?? false"
              @update:checked="emit('change', { nested: { ...type.nested!, required: $event || undefined } })"
              >{{ $t('model.rare.nestedRequired') }}</Check
            >
            <Check
              data-explain="nested.parents_in_address"
              :checked="type.nested.parents_in_address !== false"
              @update:checked="
                emit('change', { nested: { ...type.nested!, parents_in_address: $event ? undefined : false } })
              "
              >{{ $t('model.parentsInAddress') }}</Check
            >
          </div>
        </ControlSet>
        <ControlSet data-explain="a_type.columns" :legend="$t('model.rare.columns')">
          <p class="hint">{{ about.columns }}</p>
          <div class="row wrap">
            <Check
              v-for="field in fields"
              :key="field.id"
              :checked="(type.columns ?? []).includes(field.id)"
              @update:checked="column(field.id)"
              >{{ field.label }}</Check
            >
          </div>
        </ControlSet>
      </div>
    </Disclosure>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px;
}
.line {
  display: flex;
}
.line .hint {
  margin-inline-start: 8px;
}
.wrap {
  flex-wrap: wrap;
  gap: 4px 16px;
}
.size {
  width: 72px;
}
.hint {
  margin: 0;
}
</style>
