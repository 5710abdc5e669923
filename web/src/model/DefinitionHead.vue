<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import IconClosed from '~icons/tabler/chevron-right';
import IconOpen from '~icons/tabler/chevron-down';
import { nameOf, sortIcons, type Defined } from '@/shared/definitions';
import SaveState from './SaveState.vue';
import { useDraft } from './draft';
import { usePresence } from './presence';

/** Name, sort, users and state of the definition that is open; its names and settings are unfolded from here. */
const props = defineProps<{ of: Defined }>();
const names = defineModel<boolean>('names', { required: true });
const draft = useDraft();
const presence = usePresence();
const id = computed(() => props.of.definition.id ?? '');
const users = computed(() => (draft.uses[id.value] ?? []).flatMap((each) => draft.find(each) ?? []));
const plural = computed(() => ('plural' in props.of.definition ? props.of.definition.plural : ''));
const address = computed(() => ('path' in props.of.definition ? props.of.definition.path : ''));
const others = computed(() => presence.others.filter((person) => person.definition === id.value));
</script>

<template>
  <div class="head">
    <div class="row spread">
      <div class="row title">
        <h1 dir="auto"><component :is="sortIcons[of.sort]" aria-hidden="true" />{{ nameOf(of) }}</h1>
        <span v-if="!names" class="muted called">
          <span v-if="plural" dir="auto">{{ plural }}</span>
          <span class="mono">{{ of.definition.key }}</span>
          <span v-if="address" class="mono">{{ $t('model.address', { path: address }) }}</span>
        </span>
      </div>
      <NButton text type="primary" class="fold" :aria-expanded="names" @click="names = !names">
        <template #icon><component :is="names ? IconOpen : IconClosed" aria-hidden="true" /></template>
        {{ $t('model.namesAndSettings') }}
      </NButton>
    </div>
    <p class="muted about">
      {{ $t(`model.sort.${of.sort}`) }}
      <template v-if="users.length">
        · {{ $t('model.usedBy') }}
        <template v-for="(user, i) in users" :key="i"
          ><template v-if="i">, </template
          ><RouterLink :to="{ name: 'model', params: { workspace: draft.workspace, type: user.definition.id } }">{{
            nameOf(user)
          }}</RouterLink></template
        >
      </template>
      <span v-if="others.length" class="others">
        · {{ $t('model.alsoHere', { names: [...new Set(others.map((person) => person.name))].join(', ') }) }}</span
      >
    </p>
    <SaveState />
    <p v-if="draft.joined === id" class="hint" role="status">{{ $t('model.joined') }}</p>
  </div>
</template>

<style scoped>
h1 {
  overflow-wrap: anywhere;
}
h1 svg {
  margin-inline-end: 8px;
  vertical-align: -4px;
}
.title {
  align-items: baseline;
  flex-wrap: wrap;
  gap: 0 12px;
}
.called > span + span::before {
  content: '·';
  padding-inline: 6px;
}
.fold {
  flex: none;
}
.about {
  margin: 2px 0 0;
  font-size: 13px;
}
.others {
  color: var(--brass);
}
</style>
