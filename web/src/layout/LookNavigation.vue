<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import IconDown from '~icons/tabler/arrow-down';
import IconUp from '~icons/tabler/arrow-up';
import IconX from '~icons/tabler/x';
import { useDraft } from '@/model/draft';
import Choice from '@/shared/controls/Choice.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import type { Look } from '@/shared/definitions';
import { filled } from './blocks';

/** Where the navigation of a look leads, in order. */
type NavigationLink = NonNullable<Look['navigation']>[number];
const props = defineProps<{ links: NavigationLink[] }>();
const emit = defineEmits<{ change: [NavigationLink[]] }>();
const draft = useDraft();
const targets = computed(() => [
  ...draft.types.map((each) => ({ value: each.id ?? '', label: each.plural })),
  ...draft.ofSort('taxonomy').map((each) => ({ value: each.id ?? '', label: each.plural })),
]);

function set(at: number, change: Partial<NavigationLink>): void {
  emit(
    'change',
    props.links.map((link, i) => (i === at ? (filled({ ...link, ...change }) ?? {}) : link)),
  );
}

/** An entry leads to an index or to an address, never to both. */
const lead = (at: number, to: string): void => set(at, { to, ...(to ? { address: '' } : {}) });

function move(at: number, by: number): void {
  const links = [...props.links];
  const [link] = links.splice(at, 1);
  if (link) {
    links.splice(at + by, 0, link);
  }
  emit('change', links);
}

function usual(link: NavigationLink): string {
  const type = draft.types.find((each) => each.id === link.to);
  return type
    ? (type.wordings?.index ?? type.plural)
    : (targets.value.find((each) => each.value === link.to)?.label ?? '');
}

const add = (): void => emit('change', [...props.links, { to: targets.value[0]?.value ?? '' }]);
</script>

<template>
  <div class="panel stack">
    <h2>{{ $t('layout.look.navigation') }}</h2>
    <p class="hint about">{{ $t('layout.look.navigationHint') }}</p>
    <div v-for="(link, at) in links" :key="at" class="entry">
      <div>
        <label class="small" :for="`link-${at}`">{{ $t('layout.look.to') }}</label>
        <Choice
          :id="`link-${at}`"
          :value="link.to ?? ''"
          :options="[...targets, { value: '', label: $t('layout.look.address') }]"
          @update:value="lead(at, $event)"
        />
      </div>
      <div v-if="!link.to">
        <label class="small" :for="`link-address-${at}`">{{ $t('layout.look.where') }}</label>
        <TypedInput
          :id="`link-address-${at}`"
          :value="link.address ?? ''"
          @typed="set(at, { address: $event.trim() })"
        />
      </div>
      <div>
        <label class="small" :for="`link-label-${at}`">{{ $t('layout.look.label') }}</label>
        <TypedInput
          :id="`link-label-${at}`"
          dir="auto"
          :value="link.label ?? ''"
          :placeholder="usual(link)"
          @typed="set(at, { label: $event })"
        />
      </div>
      <div class="moves">
        <NButton
          quaternary
          size="small"
          :disabled="at === 0"
          :aria-label="$t('layout.look.up', { n: at + 1 })"
          @click="move(at, -1)"
          ><IconUp
        /></NButton>
        <NButton
          quaternary
          size="small"
          :disabled="at === links.length - 1"
          :aria-label="$t('layout.look.down', { n: at + 1 })"
          @click="move(at, 1)"
          ><IconDown
        /></NButton>
        <NButton
          quaternary
          size="small"
          :aria-label="$t('layout.look.removeLink', { n: at + 1 })"
          @click="
            emit(
              'change',
              links.filter((_, i) => i !== at),
            )
          "
          ><IconX
        /></NButton>
      </div>
    </div>
    <div>
      <NButton size="small" @click="add">{{ $t('layout.look.addLink') }}</NButton>
    </div>
  </div>
</template>

<style scoped src="./sheet.css"></style>

<style scoped>
.entry {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
}
.entry > div {
  flex: 1;
  min-width: 120px;
}
.entry > .moves {
  display: flex;
  flex: none;
  min-width: 0;
}
</style>
