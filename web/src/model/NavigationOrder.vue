<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { NButton } from 'naive-ui';
import { useI18n } from 'vue-i18n';
import IconDown from '~icons/tabler/arrow-down';
import IconUp from '~icons/tabler/arrow-up';
import type { ContentType } from '@/shared/kinds';
import { useDraft } from './draft';
import { moved, navigation } from './navigation';

/** The site's navigation as this draft makes it, moved by hand: by its buttons, or Alt and the arrows. */
defineProps<{ type: ContentType }>();
const { t } = useI18n();
const draft = useDraft();
const types = computed(() => navigation(draft.types));
const list = ref<HTMLElement>();
const said = ref('');

async function move(id: string | undefined, by: number): Promise<void> {
  const changes = moved(draft.types, id ?? '', by);
  for (const change of changes) {
    draft.edit({ sort: 'type', definition: change });
  }
  await nextTick();
  const at = types.value.findIndex((each) => each.id === id);
  const row = list.value?.children[at];
  // at an end one of the buttons is off: the other one keeps the focus
  const buttons = [...(row?.querySelectorAll('button') ?? [])];
  (
    buttons.find((button, n) => !button.disabled && (n === 1) === by > 0) ?? buttons.find((each) => !each.disabled)
  )?.focus();
  if (changes.length) {
    said.value = t('model.navigation.moved', { name: types.value[at]?.plural, at: at + 1, count: types.value.length });
  }
}
</script>

<template>
  <div>
    <p class="hint">{{ $t('model.navigation.hint') }}</p>
    <ol ref="list" :aria-label="$t('model.navigation.title')">
      <li
        v-for="(each, at) in types"
        :key="each.id"
        :class="{ own: each.id === type.id }"
        @keydown.alt.up.prevent="move(each.id, -1)"
        @keydown.alt.down.prevent="move(each.id, 1)"
      >
        <span class="number muted">{{ at + 1 }}</span>
        <span class="name">{{ each.plural }}</span>
        <NButton
          size="tiny"
          quaternary
          :disabled="at === 0"
          :aria-label="$t('model.navigation.up', { name: each.plural })"
          @click="move(each.id, -1)"
          ><IconUp
        /></NButton>
        <NButton
          size="tiny"
          quaternary
          :disabled="at === types.length - 1"
          :aria-label="$t('model.navigation.down', { name: each.plural })"
          @click="move(each.id, 1)"
          ><IconDown
        /></NButton>
      </li>
    </ol>
    <p class="hidden" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
ol {
  max-width: 420px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  border: 1px solid var(--line);
  border-radius: 4px;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 32px;
  padding: 0 8px 0 12px;
}
li + li {
  border-top: 1px solid var(--line);
}
.own .name {
  font-weight: 600;
}
.number {
  min-width: 16px;
  text-align: end;
  font-variant-numeric: tabular-nums;
}
.name {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
