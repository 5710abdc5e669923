<script setup lang="ts">
import Themed from './theme/Themed.vue';
</script>

<template>
  <Themed><RouterView /></Themed>
</template>
