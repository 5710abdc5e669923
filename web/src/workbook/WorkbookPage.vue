<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import OpenWorkbook from './OpenWorkbook.vue';

/** The workbook of the address; another one is another page. */
const route = useRoute();
const workspace = computed(() => String(route.params.workspace));
const workbook = computed(() => Number(route.params.workbook));
</script>

<template>
  <OpenWorkbook :key="`${workspace}/${workbook}`" :workspace="workspace" :workbook="workbook" />
</template>
