<script setup lang="ts">
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import { countOf, idOf, nameOf, sortIcons, type Defined } from '@/shared/definitions';

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
const { t } = useI18n();
const count = computed(() => countOf(props.of));
const facts = computed(() =>
  [
    count.value.what === 'none' ? '' : t(`model.count.${count.value.what}`, { n: count.value.n }, count.value.n),
    props.uses ? t('model.usedTimes', { n: props.uses }, props.uses) : '',
  ]
    .filter(Boolean)
    .join(' · '),
);
</script>

<template>
  <li>
    <RouterLink
      :to="{ name: 'model', params: { workspace, type: idOf(of) } }"
      :class="{ selected }"
      :aria-current="selected ? 'true' : undefined"
      :title="facts"
    >
      <component :is="sortIcons[of.sort]" class="icon" aria-hidden="true" />
      <span class="name" dir="auto">{{ nameOf(of) }}</span>
      <span v-if="here" class="draft">{{ here }}</span>
      <span v-if="changed" class="dot" role="img" :aria-label="$t('model.changed')" :title="$t('model.changedLong')" />
      <span v-if="problems" class="bad">{{ $t('model.findings', { n: problems }, problems) }}</span>
      <span v-if="count.what !== 'none'" class="count" :aria-label="facts">{{ count.n }}</span>
    </RouterLink>
  </li>
</template>

<style scoped>
li {
  content-visibility: auto;
  contain-intrinsic-size: auto 28px;
}
li a {
  display: flex;
  gap: 8px;
  align-items: center;
  height: 28px;
  padding: 0 12px;
  color: var(--ink);
  text-decoration: none;
}
li a:hover {
  background: var(--ground);
}
li a.selected {
  font-weight: 600;
  background: var(--petrol-soft);
  box-shadow: inset 3px 0 var(--petrol);
}
.icon {
  flex: none;
  color: var(--muted);
}
.name {
  flex: 0 1 auto;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.dot {
  flex: none;
  width: 7px;
  height: 7px;
  border-radius: 50%;
  background: var(--brass);
}
.count {
  flex: 1;
  text-align: end;
}
.count,
.draft,
.bad {
  font-size: 12px;
  font-weight: 400;
  color: var(--muted);
  white-space: nowrap;
}
.bad {
  color: var(--rust);
}
.draft {
  color: var(--brass);
}
</style>
