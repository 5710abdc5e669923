<script setup lang="ts">
const parts = ['model', 'release', 'site', 'record', 'keys', 'roles', 'accounts'];
</script>

<template>
  <div class="page help">
    <nav :aria-label="$t('help.contents')">
      <a v-for="part in parts" :key="part" :href="`#help-${part}`">{{ $t(`help.parts.${part}.title`) }}</a>
    </nav>
    <div>
      <h1>{{ $t('help.title') }}</h1>
      <section v-for="part in parts" :id="`help-${part}`" :key="part">
        <h2>{{ $t(`help.parts.${part}.title`) }}</h2>
        <p>{{ $t(`help.parts.${part}.text`) }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.help {
  display: grid;
  grid-template-columns: 200px minmax(0, 68ch);
  gap: 48px;
}
nav {
  position: sticky;
  top: 24px;
  align-self: start;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
section {
  padding-top: 24px;
}
p {
  margin: 8px 0 0;
  line-height: 22px;
}
@media (max-width: 700px) {
  .help {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
  nav {
    position: static;
  }
}
</style>
