<script setup lang="ts">
/** The plain page before the frame: a title and a form. */
defineProps<{ title: string }>();
defineEmits<{ submit: [] }>();
</script>

<template>
  <main class="door">
    <form class="panel stack" @submit.prevent="$emit('submit')">
      <div class="row mark">
        <img src="/mark.svg" alt="" width="32" height="32" />
        <div>
          <strong>Jontrel</strong>
          <div class="muted">{{ $t('session.tagline') }}</div>
        </div>
      </div>
      <h1>{{ title }}</h1>
      <slot />
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100%;
  display: grid;
  place-items: center;
  padding: 24px;
}
.panel {
  width: 380px;
  max-width: 100%;
  padding: 24px;
}
.mark {
  gap: 12px;
  padding-bottom: 12px;
  border-bottom: 1px solid var(--line);
}
</style>
