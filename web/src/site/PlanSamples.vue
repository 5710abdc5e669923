<script setup lang="ts">
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import SampleTable from './SampleTable.vue';
import { planSamples } from './queries';

/** Some records as a plan would change them, computed while nothing is run. */
const props = defineProps<{ site: string; version: string }>();
const { data: samples, problem } = useResource(() => planSamples(props.site, props.version));
</script>

<template>
  <section class="panel" aria-labelledby="planned">
    <h2 id="planned">{{ $t('plan.samples.title') }}</h2>
    <p class="hint">{{ $t('plan.samples.hint') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <p v-else-if="!samples" class="muted flat" role="status">{{ $t('plan.samples.reading') }}</p>
    <p v-else-if="!samples.length" class="muted flat">{{ $t('plan.samples.none') }}</p>
    <SampleTable v-else :of="samples" copy="" />
  </section>
</template>

<style scoped>
.flat {
  margin: 0;
}
</style>
