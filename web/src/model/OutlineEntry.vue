<script setup lang="ts">
import { computed } from 'vue';
import { countOf, idOf, nameOf, type Defined } from '@/shared/definitions';

/** One definition in the outline; drawn anew only where something of it changes. */
const props = defineProps<{
  of: Defined;
  workspace: string;
  selected: boolean;
  problems: number;
  changed: boolean;
  uses: number;
  /** Names of others who have it open. */
  here: string;
}>();
const count = computed(() => countOf(props.of));
</script>

<template>
  <li>
    <RouterLink
      :to="{ name: 'model', params: { workspace, type: idOf(of) } }"
      :class="{ selected }"
      :aria-current="selected ? 'true' : undefined"
    >
      <span class="name" dir="auto">{{ nameOf(of) }}</span>
      <span class="facts">
        <span v-if="problems" class="bad">{{ $t('model.findings', { n: problems }, problems) }} · </span>
        <span v-if="changed" class="draft" :title="$t('model.changedLong')">{{ $t('model.changed') }} · </span>
        <span v-if="count.what !== 'none'">{{ $t(`model.count.${count.what}`, { n: count.n }, count.n) }}</span>
        <span v-if="uses"> · {{ $t('model.usedTimes', { n: uses }, uses) }}</span>
        <span v-if="here" class="draft"> · {{ here }}</span>
      </span>
    </RouterLink>
  </li>
</template>

<style scoped>
li {
  content-visibility: auto;
  contain-intrinsic-size: auto 44px;
}
li a {
  display: flex;
  flex-direction: column;
  padding: 4px 12px 4px 9px;
  color: var(--ink);
  text-decoration: none;
  border-left: 3px solid transparent;
}
li a:hover {
  background: var(--ground);
}
li a.selected {
  border-left-color: var(--petrol);
  background: var(--petrol-soft);
}
.name {
  font-weight: 600;
  overflow-wrap: anywhere;
}
.facts {
  font-size: 12px;
  line-height: 16px;
  color: var(--muted);
}
.facts .bad {
  color: var(--rust);
}
.facts .draft {
  color: var(--brass);
}
</style>
