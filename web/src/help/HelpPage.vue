<script setup lang="ts">
const parts = ['model', 'release', 'site', 'record', 'keys', 'roles', 'accounts'];
</script>

<template>
  <div class="page stack">
    <h1>{{ $t('help.title') }}</h1>
    <section v-for="part in parts" :key="part" class="panel">
      <h2>{{ $t(`help.parts.${part}.title`) }}</h2>
      <p style="margin: 8px 0 0; max-width: 70ch">{{ $t(`help.parts.${part}.text`) }}</p>
    </section>
  </div>
</template>
