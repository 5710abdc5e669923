<script setup lang="ts">
import { computed, ref } from 'vue';
import IconChevron from '~icons/tabler/chevron-down';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { isGroup, type ContentType } from '@/shared/kinds';
import { useDraft } from './draft';
import { useHelp } from './useHelp';

/** The rare settings of a content type, each with its consequence. */
const props = defineProps<{ type: ContentType }>();
const emit = defineEmits<{ change: [Partial<ContentType>] }>();
const draft = useDraft();
const help = useHelp();
const open = ref(false);
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
  const next = { ...props.type.index, ...change };
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

const value = (event: Event) => (event.target as HTMLInputElement).value;
const checked = (event: Event) => (event.target as HTMLInputElement).checked;
</script>

<template>
  <section class="panel">
    <button type="button" class="plain-button row" :aria-expanded="open" @click="open = !open">
      <IconChevron :style="{ transform: open ? 'rotate(180deg)' : '' }" aria-hidden="true" />
      <h2>{{ $t('model.rare.title') }}</h2>
      <span class="muted">{{ $t('model.rare.hint') }}</span>
    </button>
    <div v-if="open" class="stack inside">
      <fieldset>
        <legend>{{ $t('model.rare.visible') }}</legend>
        <label v-for="flag in flags" :key="flag" class="line">
          <input
            type="checkbox"
            :checked="type[flag] !== false"
            @change="emit('change', { [flag]: checked($event) ? undefined : false })"
          />
          <span>{{ $t(`model.rare.${flag}`) }}</span>
          <span class="hint">{{ about[flag] }}</span>
        </label>
        <div class="row wrap">
          <div>
            <label class="small" for="api-path">{{ $t('model.rare.apiPath') }}</label>
            <TypedInput
              id="api-path"
              class="input mono"
              :value="type.api_path ?? ''"
              :placeholder="type.path"
              @typed="emit('change', { api_path: $event || undefined })"
            />
          </div>
          <div>
            <label class="small" for="new-records">{{ $t('model.rare.newRecords') }}</label>
            <select
              id="new-records"
              class="input"
              :value="type.new_records ?? 'draft'"
              @change="
                emit('change', { new_records: value($event) === 'draft' ? undefined : (value($event) as 'published') })
              "
            >
              <option v-for="state in states" :key="state" :value="state">{{ $t(`model.words.${state}`) }}</option>
            </select>
          </div>
          <div>
            <label class="small" for="type-icon">{{ $t('model.rare.icon') }}</label>
            <TypedInput
              id="type-icon"
              class="input mono"
              :value="type.icon ?? ''"
              @typed="emit('change', { icon: $event || undefined })"
            />
          </div>
        </div>
      </fieldset>
      <fieldset>
        <legend>{{ $t('model.rare.index') }}</legend>
        <label class="row"
          ><input
            type="checkbox"
            :checked="type.index?.on !== false"
            @change="index({ on: checked($event) ? undefined : false })"
          />{{ $t('model.rare.indexOn') }}</label
        >
        <div class="row wrap">
          <div>
            <label class="small" for="index-order">{{ $t('model.rare.order') }}</label>
            <select
              id="index-order"
              class="input"
              :value="type.index?.order ?? 'part_title'"
              @change="index({ order: value($event) === 'part_title' ? undefined : value($event) })"
            >
              <option v-for="field in fields" :key="field.id" :value="field.id">{{ field.label }}</option>
            </select>
          </div>
          <label class="row"
            ><input
              type="checkbox"
              :checked="type.index?.descending ?? false"
              @change="index({ descending: checked($event) || undefined })"
            />{{ $t('model.rare.descending') }}</label
          >
          <div>
            <label class="small" for="index-size">{{ $t('model.rare.pageSize') }}</label>
            <TypedInput
              id="index-size"
              class="input size"
              inputmode="numeric"
              :value="String(type.index?.page_size ?? 24)"
              @typed="index({ page_size: Number($event) || undefined })"
            />
          </div>
        </div>
      </fieldset>
      <fieldset>
        <legend>{{ $t('model.rare.nested') }}</legend>
        <p class="hint">{{ about.nested }}</p>
        <div class="row wrap">
          <label v-for="other in draft.types" :key="other.id" class="row"
            ><input type="checkbox" :checked="under.includes(other.id ?? '')" @change="nest(other.id ?? '')" />{{
              other.singular
            }}</label
          >
        </div>
        <div v-if="type.nested" class="row wrap">
          <label class="row"
            ><input
              type="checkbox"
              :checked="type.nested.required ?? false"
              @change="emit('change', { nested: { ...type.nested!, required: checked($event) || undefined } })"
            />{{ $t('model.rare.nestedRequired') }}</label
          >
          <label class="row"
            ><input
              type="checkbox"
              :checked="type.nested.parents_in_address !== false"
              @change="
                emit('change', { nested: { ...type.nested!, parents_in_address: checked($event) ? undefined : false } })
              "
            />{{ $t('model.parentsInAddress') }}</label
          >
        </div>
      </fieldset>
      <fieldset>
        <legend>{{ $t('model.rare.columns') }}</legend>
        <p class="hint">{{ about.columns }}</p>
        <div class="row wrap">
          <label v-for="field in fields" :key="field.id" class="row"
            ><input type="checkbox" :checked="(type.columns ?? []).includes(field.id)" @change="column(field.id)" />{{
              field.label
            }}</label
          >
        </div>
      </fieldset>
    </div>
  </section>
</template>

<style scoped>
.panel {
  padding: 12px;
}
.inside {
  margin-top: 12px;
}
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
  min-width: 0;
}
legend {
  padding: 0;
  font-weight: 600;
}
.line {
  display: grid;
  grid-template-columns: 20px 150px 1fr;
  gap: 4px;
  align-items: baseline;
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
