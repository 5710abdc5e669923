<script setup lang="ts">
import { NConfigProvider, NDialogProvider, NGlobalStyle } from 'naive-ui';
import { computed, watchEffect } from 'vue';
import { naiveTheme, overrides, variables } from './theme';
import { useTheme } from './useTheme';

/** Whatever stands within has the colours and sizes of the theme that is chosen, and may ask questions. */
const { isDark } = useTheme();
const theme = computed(() => naiveTheme(isDark.value));
const themeOverrides = computed(() => overrides(isDark.value));

watchEffect(() => {
  const root = document.documentElement;
  root.style.colorScheme = isDark.value ? 'dark' : 'light';
  Object.entries(variables(isDark.value)).forEach(([name, colour]) => {
    root.style.setProperty(name, colour);
  });
});
</script>

<template>
  <NConfigProvider :theme="theme" :theme-overrides="themeOverrides" style="height: 100%">
    <NGlobalStyle />
    <NDialogProvider><slot /></NDialogProvider>
  </NConfigProvider>
</template>
