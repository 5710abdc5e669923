<script setup lang="ts">
import { computed } from 'vue';
import { nameOf, sortIcons, type Defined } from '@/shared/definitions';
import SaveState from './SaveState.vue';
import { useDraft } from './draft';
import { usePresence } from './presence';

/** Name, sort, users and state of the definition that is open. */
const props = defineProps<{ of: Defined }>();
const draft = useDraft();
const presence = usePresence();
const id = computed(() => props.of.definition.id ?? '');
const users = computed(() => (draft.uses[id.value] ?? []).flatMap((each) => draft.find(each) ?? []));
const others = computed(() => presence.others.filter((person) => person.definition === id.value));
</script>

<template>
  <div class="head">
    <div class="row spread">
      <h1 class="row" dir="auto"><component :is="sortIcons[of.sort]" aria-hidden="true" />{{ nameOf(of) }}</h1>
      <SaveState />
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
    <p v-if="draft.joined === id" class="hint" role="status">{{ $t('model.joined') }}</p>
  </div>
</template>

<style scoped>
h1 {
  overflow-wrap: anywhere;
}
.about {
  margin: 2px 0 0;
  font-size: 13px;
}
.others {
  color: var(--brass);
}
</style>
