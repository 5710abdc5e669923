<script setup lang="ts">
import { computed } from 'vue';
import ConditionEditor from '@/model/ConditionEditor.vue';
import { useDraft } from '@/model/draft';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { fieldsWithin } from '@/shared/definitions';
import type { Group } from '@/shared/kinds';
import BlockLists from './BlockLists.vue';
import { changed, setting, storedText, typedText, type Block, type Way } from './blocks';

/** The settings of a block: what it shows and how, then what all blocks have. */
const props = defineProps<{
  block: Block;
  /** What can be shown where the block stands. */
  ways: Way[];
  groups: Group[];
}>();
const emit = defineEmits<{ change: [Block] }>();
const draft = useDraft();

function set(change: Record<string, unknown>): void {
  emit('change', changed(props.block, change));
}

const text = (name: string): string => {
  const value = setting(props.block, name);
  return typeof value === 'string' ? value : '';
};
const id = (name: string): string => `${props.block.id ?? ''}-${name}`;
const way = computed(() => props.ways.find((each) => each.path === text('field')));
const values = computed(() => props.ways.map((each) => ({ value: each.path, label: each.label })));
const isPicture = computed(() => way.value?.kind === 'image');
const hasWording = computed(() => ['url', 'email', 'phone', 'file', 'place'].includes(way.value?.kind ?? ''));
const leads = computed(() => ['records', 'relation', 'term'].includes(way.value?.kind ?? ''));
const sizes = ['small', 'medium', 'large', 'full'];
const shapes = ['original', 'square', 'wide', 'tall', 'round'];
const roles = ['plain', 'heading', 'lead', 'note'];
const condition = computed(() => props.block.show_when);
const widths = ['equal', 'first_wide', 'last_wide'];
const taxonomies = computed(() => props.ways.filter((each) => each.block === 'terms' && !each.path.includes('.')));
/** The colours that a term of the taxonomy has; the first of them is the usual one. */
const colours = computed(() => {
  const found = draft.find(text('taxonomy'));
  return found?.sort === 'taxonomy' ? fieldsWithin(found).filter((each) => each.kind === 'colour') : [];
});

function insert(path: string): void {
  set({ text: `${text('text')}{${path}}` });
}
</script>

<template>
  <div class="settings">
    <template v-if="block.block === 'field'">
      <div>
        <label class="small" :for="id('field')">{{ $t('layout.settings.field') }}</label>
        <Choice
          :id="id('field')"
          filterable
          :value="block.field"
          :options="values"
          @update:value="set({ field: $event, as: undefined, size: undefined, shape: undefined })"
        />
      </div>
      <div v-if="way?.presentations.length">
        <label class="small" :for="id('as')">{{ $t('layout.settings.as') }}</label>
        <Choice
          :id="id('as')"
          :value="block.as ?? 'usual'"
          :options="['usual', ...way.presentations].map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
          @update:value="set({ as: $event === 'usual' ? undefined : $event })"
        />
      </div>
      <template v-if="isPicture">
        <div>
          <label class="small" :for="id('size')">{{ $t('layout.settings.size') }}</label>
          <Choice
            :id="id('size')"
            :value="block.size ?? 'medium'"
            :options="sizes.map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
            @update:value="set({ size: $event === 'medium' ? undefined : $event })"
          />
        </div>
        <div>
          <label class="small" :for="id('shape')">{{ $t('layout.settings.shape') }}</label>
          <Choice
            :id="id('shape')"
            :value="block.shape ?? 'original'"
            :options="shapes.map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
            @update:value="set({ shape: $event === 'original' ? undefined : $event })"
          />
        </div>
      </template>
      <div v-if="hasWording">
        <label class="small" :for="id('wording')">{{ $t('layout.settings.wording') }}</label>
        <TypedInput :id="id('wording')" :value="text('wording')" @typed="set({ wording: $event || undefined })" />
      </div>
      <Check
        v-if="leads"
        :checked="block.linked !== false"
        @update:checked="set({ linked: $event ? undefined : false })"
        >{{ $t('layout.settings.linked') }}</Check
      >
    </template>
    <template v-else-if="block.block === 'text'">
      <div class="wide">
        <label class="small" :for="id('text')">{{ $t('layout.settings.text') }}</label>
        <TypedInput
          :id="id('text')"
          multiline
          rows="2"
          dir="auto"
          :value="typedText(block.text, ways)"
          @typed="set({ text: storedText($event, ways) })"
        />
      </div>
      <div>
        <label class="small" :for="id('insert')">{{ $t('layout.settings.insert') }}</label>
        <Choice :id="id('insert')" filterable :value="undefined" :options="values" @update:value="insert" />
      </div>
      <div>
        <label class="small" :for="id('as')">{{ $t('layout.settings.as') }}</label>
        <Choice
          :id="id('as')"
          :value="block.as ?? 'plain'"
          :options="roles.map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
          @update:value="set({ as: $event === 'plain' ? undefined : $event })"
        />
      </div>
    </template>
    <BlockLists
      v-else-if="block.block === 'rows' || block.block === 'related' || block.block === 'children'"
      :block="block"
      :ways="ways"
      @change="emit('change', $event)"
    />
    <template v-else-if="block.block === 'terms'">
      <div>
        <label class="small" :for="id('taxonomy')">{{ $t('layout.settings.taxonomy') }}</label>
        <Choice
          :id="id('taxonomy')"
          :value="block.taxonomy ?? ''"
          :options="[
            { value: '', label: $t('layout.all') },
            ...taxonomies.map((each) => ({ value: each.path, label: each.label })),
          ]"
          @update:value="set({ taxonomy: $event || undefined, colour: undefined })"
        />
      </div>
      <div v-if="colours.length > 1">
        <label class="small" :for="id('colour')">{{ $t('layout.settings.colour') }}</label>
        <Choice
          :id="id('colour')"
          :value="block.colour ?? colours[0]?.id ?? ''"
          :options="colours.map((each) => ({ value: each.id ?? '', label: each.label }))"
          @update:value="set({ colour: $event === colours[0]?.id ? undefined : $event })"
        />
      </div>
      <Check :checked="block.linked !== false" @update:checked="set({ linked: $event ? undefined : false })">{{
        $t('layout.settings.linked')
      }}</Check>
    </template>
    <div v-else-if="block.block === 'listing'">
      <label class="small" :for="id('listing')">{{ $t('layout.settings.listing') }}</label>
      <Choice
        :id="id('listing')"
        :value="block.listing"
        :options="draft.ofSort('listing').map((each) => ({ value: each.id ?? '', label: each.title }))"
        @update:value="set({ listing: $event })"
      />
    </div>
    <div v-else-if="block.block === 'part'">
      <label class="small" :for="id('part')">{{ $t('layout.settings.part') }}</label>
      <Choice
        :id="id('part')"
        :value="block.part"
        :options="draft.ofSort('part').map((each) => ({ value: each.id ?? '', label: each.title }))"
        @update:value="set({ part: $event })"
      />
    </div>
    <div v-else-if="block.block === 'columns'">
      <label class="small" :for="id('widths')">{{ $t('layout.settings.widths') }}</label>
      <Choice
        :id="id('widths')"
        :value="block.widths ?? 'equal'"
        :options="widths.map((each) => ({ value: each, label: $t(`layout.words.${each}`) }))"
        @update:value="set({ widths: $event === 'equal' ? undefined : $event })"
      />
    </div>
    <div v-else-if="block.block === 'section'">
      <label class="small" :for="id('anchor')">{{ $t('layout.settings.anchor') }}</label>
      <TypedInput :id="id('anchor')" mono :value="text('anchor')" @typed="set({ anchor: $event || undefined })" />
    </div>
    <Check
      v-else-if="block.block === 'fold'"
      :checked="block.open === true"
      @update:checked="set({ open: $event || undefined })"
      >{{ $t('layout.settings.open') }}</Check
    >
    <div>
      <label class="small" :for="id('label')">{{ $t('layout.settings.label') }}</label>
      <TypedInput
        :id="id('label')"
        dir="auto"
        :value="text('label')"
        :placeholder="way?.label.split(' › ').at(-1) ?? ''"
        @typed="set({ label: $event || undefined })"
      />
    </div>
    <div>
      <label class="small" :for="id('before')">{{ $t('layout.settings.before') }}</label>
      <TypedInput
        :id="id('before')"
        dir="auto"
        :value="typedText(text('before'), ways)"
        @typed="set({ before: storedText($event, ways) || undefined })"
      />
    </div>
    <div>
      <label class="small" :for="id('after')">{{ $t('layout.settings.after') }}</label>
      <TypedInput
        :id="id('after')"
        dir="auto"
        :value="typedText(text('after'), ways)"
        @typed="set({ after: storedText($event, ways) || undefined })"
      />
    </div>
    <div>
      <label class="small" :for="id('empty')">{{ $t('layout.settings.empty') }}</label>
      <TypedInput :id="id('empty')" dir="auto" :value="text('empty')" @typed="set({ empty: $event || undefined })" />
    </div>
    <Check :checked="block.labelled !== false" @update:checked="set({ labelled: $event ? undefined : false })">{{
      $t('layout.settings.labelled')
    }}</Check>
    <ConditionEditor
      class="wide"
      of-record
      of-page
      :condition="condition"
      :groups="groups"
      :own="undefined"
      :title="$t('layout.settings.show_when')"
      @change="set({ show_when: $event })"
    />
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 8px 12px;
  align-items: end;
  padding: 8px 12px 12px;
}
.wide {
  grid-column: 1 / -1;
}
</style>
