<script setup lang="ts">
import SettingList from './SettingList.vue';
import { kinds, type KindCode } from '@/shared/kinds';
import { sorts } from '@/shared/definitions';

/** Every kind of field and sort of definitions, and what each setting does, in the words of the description of files. */
const codes = Object.keys(kinds) as KindCode[];
const parts = ['option', 'inverse', 'index', 'nested', 'taxonomy_use'] as const;
</script>

<template>
  <section id="settings">
    <h2>{{ $t('help.settings') }}</h2>
    <p>{{ $t('help.settingsHint') }}</p>
    <div id="kind-all" class="kind">
      <h3>{{ $t('help.common') }}</h3>
      <SettingList of="field" />
    </div>
    <div v-for="code in codes" :id="`kind-${code}`" :key="code" class="kind">
      <h3><component :is="kinds[code].icon" aria-hidden="true" /> {{ $t(`model.kinds.${code}`) }}</h3>
      <p>{{ $t(`model.kindAbout.${code}`) }}</p>
      <SettingList :of="code" />
    </div>
    <h2>{{ $t('help.definitionSettings') }}</h2>
    <div v-for="sort in sorts" :key="sort" class="kind">
      <h3>{{ $t(`model.sorts.${sort}`) }}</h3>
      <SettingList :of="`a_${sort}`" />
    </div>
    <div v-for="part in parts" :key="part" class="kind">
      <h3>{{ $t(`help.parts.${part}`) }}</h3>
      <SettingList :of="part" />
    </div>
  </section>
</template>

<style scoped>
.kind {
  padding-top: 20px;
  scroll-margin-top: 16px;
}
h3 {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 0;
}
p {
  margin: 4px 0 0;
}
</style>
