<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import RunPanel from './RunPanel.vue';

const route = useRoute();
const router = useRouter();
const workspace = useWorkspace();
const site = computed(() => String(route.params.site));
const id = computed(() => String(route.params.run));
const name = computed(() => workspace.site(site.value)?.name ?? site.value);
</script>

<template>
  <div class="page stack">
    <RouterLink :to="{ name: 'plan', params: { workspace: route.params.workspace, site } }">{{
      $t('site.plan', { site: name })
    }}</RouterLink>
    <RunPanel
      :id="id"
      :site="site"
      :fresh="false"
      heading="h1"
      @started="router.push({ params: { ...route.params, run: $event } })"
    />
  </div>
</template>
