<script setup lang="ts" generic="S extends { sheet: number; name: string; file: string }">
import { computed } from 'vue';
import { useRoute } from 'vue-router';

/** The sheets of a workbook on the left, each with what is said about it, and the one that is looked at. */
const props = defineProps<{ sheets: readonly S[]; at: number }>();
defineSlots<{ about: (each: { sheet: S }) => unknown; below?: () => unknown; default: () => unknown }>();
const route = useRoute();
const severalFiles = computed(() => new Set(props.sheets.map((each) => each.file)).size > 1);
</script>

<template>
  <div class="panes">
    <nav class="sheets" :aria-label="$t('workbook.sheets')">
      <p class="label flat">{{ $t('workbook.sheets') }}</p>
      <ul>
        <li v-for="each in sheets" :key="each.sheet">
          <RouterLink
            class="sheet-line"
            :class="{ active: each.sheet === at }"
            :aria-current="each.sheet === at ? 'true' : undefined"
            :to="{ query: { ...route.query, sheet: each.sheet, rows: undefined } }"
            replace
          >
            <span class="name" dir="auto">{{ each.name }}</span>
            <slot name="about" :sheet="each" />
            <span v-if="severalFiles" class="muted file" dir="auto">{{ each.file }}</span>
          </RouterLink>
        </li>
      </ul>
      <slot name="below" />
    </nav>
    <main class="main"><slot /></main>
  </div>
</template>

<style scoped>
.panes {
  display: flex;
  flex: 1;
  gap: 24px;
  align-items: flex-start;
}
.flat {
  margin: 0;
}
.sheets {
  position: sticky;
  top: 12px;
  flex: none;
  width: 196px;
}
.sheets ul {
  margin: 4px 0 16px;
  padding: 0;
  list-style: none;
}
.sheet-line {
  display: flex;
  flex-direction: column;
  padding: 6px 10px;
  border-radius: 4px;
  color: inherit;
  text-decoration: none;
}
.sheet-line:hover {
  background: var(--raised);
}
.sheet-line.active {
  background: var(--petrol-soft);
}
.name {
  font-weight: 500;
  overflow-wrap: anywhere;
}
.file {
  overflow: hidden;
  font-size: 13px;
  text-overflow: ellipsis;
  white-space: nowrap;
  max-width: 100%;
}
.main {
  flex: 1;
  min-width: 0;
}
@media (max-width: 900px) {
  .panes {
    flex-direction: column;
  }
  .sheets {
    position: static;
    width: 100%;
  }
  .main {
    width: 100%;
    overflow-x: auto;
  }
}
</style>
