<script setup lang="ts">
import { computed } from 'vue';
import { useDraft } from '@/model/draft';
import { useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Choices from '@/shared/controls/Choices.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { changed, waysInRows, type BlockOf, type Block, type Way } from './blocks';
import { waysOf } from './queries';
import { typeWithin } from './scopes';

/** How the rows or records of a block are set on the page, and in which order. */
const props = defineProps<{ block: BlockOf<'rows' | 'related' | 'children'>; ways: Way[] }>();
const emit = defineEmits<{ change: [Block] }>();
const draft = useDraft();
const arrangements = ['names', 'lines', 'cards', 'table', 'blocks'];
const usual = computed(() => (props.block.block === 'rows' ? 'table' : 'names'));
const as = computed(() => props.block.as ?? usual.value);
const id = (name: string): string => `${props.block.id ?? ''}-${name}`;
const fields = computed(() =>
  props.ways.filter((way) =>
    props.block.block === 'rows' ? way.block === 'rows' : ['related', 'terms'].includes(way.block) || way.leads.length,
  ),
);
const inner = computed(() => typeWithin(props.block, props.ways, draft.types, []));
const { data: reached } = useResource(() => waysOf(draft.workspace, inner.value, draft.revision), { keepsLast: true });
const columns = computed(() =>
  props.block.block === 'rows' ? waysInRows(props.ways, props.block.field) : (reached.value ?? []),
);
const sorts = computed(() =>
  columns.value.filter((way) => !way.path.includes('.') && !way.many && way.kind !== 'records'),
);
const order = computed(() => ('order' in props.block ? props.block.order?.[0] : undefined));

function set(change: Record<string, unknown>): void {
  emit('change', changed(props.block, change));
}

function sort(field: string, descending: boolean): void {
  set({ order: field ? [{ field, ...(descending ? { descending } : {}) }] : undefined });
}
</script>

<template>
  <div v-if="block.block !== 'children'">
    <label class="small" :for="id('field')">{{ $t('layout.settings.field') }}</label>
    <Choice
      :id="id('field')"
      filterable
      :value="block.field"
      :options="fields.map((each) => ({ value: each.path, label: each.label }))"
      @update:value="set({ field: $event, columns: undefined, order: undefined })"
    />
  </div>
  <div>
    <label class="small" :for="id('as')">{{ $t('layout.settings.as') }}</label>
    <Choice
      :id="id('as')"
      :value="as"
      :options="arrangements.map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
      @update:value="set({ as: $event === usual ? undefined : $event })"
    />
  </div>
  <div v-if="as === 'table' || block.block === 'rows'">
    <label class="small" :for="id('columns')">{{ $t('layout.settings.columns') }}</label>
    <Choices
      :id="id('columns')"
      :values="block.columns ?? []"
      :placeholder="$t('layout.allFields')"
      :options="columns.map((each) => ({ value: each.path, label: each.label }))"
      @update:values="set({ columns: $event.length ? $event : undefined })"
    />
  </div>
  <template v-if="block.block !== 'rows'">
    <div>
      <label class="small" :for="id('order')">{{ $t('layout.settings.order') }}</label>
      <Choice
        :id="id('order')"
        :value="order?.field ?? ''"
        :options="[
          { value: '', label: $t('layout.asLinked') },
          ...sorts.map((each) => ({ value: each.path, label: each.label })),
        ]"
        @update:value="sort($event, order?.descending === true)"
      />
    </div>
    <Check v-if="order" :checked="order.descending === true" @update:checked="sort(order?.field ?? '', $event)">{{
      $t('layout.settings.descending')
    }}</Check>
    <div>
      <label class="small" :for="id('limit')">{{ $t('layout.settings.limit') }}</label>
      <TypedInput
        :id="id('limit')"
        inputmode="numeric"
        :value="String(block.limit ?? 200)"
        @typed="set({ limit: Number($event) || undefined })"
      />
    </div>
  </template>
</template>
