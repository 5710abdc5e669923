<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import OpenImport from './OpenImport.vue';

/** Another import is another page. */
const route = useRoute();
const workspace = computed(() => String(route.params.workspace));
const site = computed(() => String(route.params.site));
const id = computed(() => Number(route.params.import));
</script>

<template>
  <OpenImport :key="`${site} ${id}`" :workspace="workspace" :site="site" :import="id" />
</template>
