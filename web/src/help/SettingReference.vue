<script setup lang="ts">
import { computed } from 'vue';
import { useI18n } from 'vue-i18n';
import { useHelp } from '@/model/useHelp';
import { kinds, type KindCode } from '@/shared/kinds';

/** Every kind of field, and what each of its settings does, in the words of the description of files. */
const { t, te } = useI18n();
const help = useHelp();
const codes = Object.keys(kinds) as KindCode[];

/** Those that the interface has a word for. */
function settingsOf(kind: string): { name: string; label: string; about: string }[] {
  return Object.entries(help.value[kind] ?? {})
    .filter(([name]) => te(`model.settings.${name}`))
    .map(([name, about]) => ({ name, label: t(`model.settings.${name}`), about }));
}
const common = computed(() => settingsOf('field'));
</script>

<template>
  <section id="kinds">
    <h2>{{ $t('help.settings') }}</h2>
    <p>{{ $t('help.settingsHint') }}</p>
    <div v-if="common.length" id="kind-all" class="kind">
      <h3>{{ $t('help.common') }}</h3>
      <dl>
        <template v-for="setting in common" :key="setting.name">
          <dt>{{ setting.label }}</dt>
          <dd>{{ setting.about }}</dd>
        </template>
      </dl>
    </div>
    <div v-for="code in codes" :id="`kind-${code}`" :key="code" class="kind">
      <h3><component :is="kinds[code].icon" aria-hidden="true" /> {{ $t(`model.kinds.${code}`) }}</h3>
      <p>{{ $t(`model.kindAbout.${code}`) }}</p>
      <dl v-if="settingsOf(code).length">
        <template v-for="setting in settingsOf(code)" :key="setting.name">
          <dt>{{ setting.label }}</dt>
          <dd>{{ setting.about }}</dd>
        </template>
      </dl>
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
dl {
  display: grid;
  grid-template-columns: minmax(120px, max-content) minmax(0, 1fr);
  gap: 4px 24px;
  margin: 8px 0 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
</style>
