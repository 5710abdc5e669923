<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import Check from '@/shared/controls/Check.vue';

/** The whole site as one file, as it is when the button is pressed. */
const props = defineProps<{
  site: string;
  /** Whether a run has begun and not ended: there is no archive of its middle. */
  busy: boolean;
}>();
const history = ref(false);
const link = computed(() => `/api/sites/${encodeURIComponent(props.site)}/archive?history=${history.value}`);
</script>

<template>
  <section class="panel stack" aria-labelledby="archive-title">
    <h2 id="archive-title">{{ $t('site.archive.title') }}</h2>
    <p class="hint">{{ $t('site.archive.hint') }}</p>
    <div class="row">
      <NButton tag="a" :href="busy ? undefined : link" download :disabled="busy">{{ $t('site.archive.save') }}</NButton>
      <Check v-model:checked="history">{{ $t('site.archive.history') }}</Check>
    </div>
    <p v-if="busy" class="hint">{{ $t('site.archive.busy') }}</p>
  </section>
</template>
