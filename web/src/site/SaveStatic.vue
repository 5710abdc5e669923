<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core';
import { NButton, NProgress } from 'naive-ui';
import { ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import TextInput from '@/shared/controls/TextInput.vue';

/** A site's public pages as a ZIP file that any web server shows; how far it is, is asked beside the download. */
const props = defineProps<{ site: string }>();
const { t } = useI18n();
const address = ref('');
const problem = ref('');
const progress = ref<Schemas['StaticProgress']>();
const id = ref('');

async function look(): Promise<void> {
  try {
    const params = { path: { site: props.site, id: id.value } };
    progress.value = await ask(api.GET('/api/sites/{site}/static/{id}', { params }));
    if (progress.value.done) {
      problem.value = progress.value.problem;
      polling.pause();
    }
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
    polling.pause();
  }
}
const polling = useIntervalFn(() => void look(), 700, { immediate: false });
watch(
  () => props.site,
  () => {
    polling.pause();
    progress.value = undefined;
  },
);

function isAddress(text: string): boolean {
  return text === '' || (/^https?:\/\//.test(text) && URL.canParse(text));
}

function save(): void {
  const place = address.value.trim();
  problem.value = isAddress(place) ? '' : t('site.static.noAddress', { address: place });
  if (problem.value || polling.isActive.value) {
    return;
  }
  id.value = crypto.randomUUID();
  progress.value = { pages: 0, known: 0, files: 0, done: false, problem: '' };
  const link = document.createElement('a');
  const asked = new URLSearchParams({ id: id.value, ...(place ? { address: place } : {}) });
  link.href = `/api/sites/${encodeURIComponent(props.site)}/static?${asked}`;
  link.download = '';
  link.click();
  polling.resume();
}
</script>

<template>
  <section class="panel stack" aria-labelledby="static-title">
    <h2 id="static-title">{{ $t('site.static.title') }}</h2>
    <p class="hint">{{ $t('site.static.hint') }}</p>
    <form class="row end" @submit.prevent="save">
      <div class="address">
        <label class="label" for="static-address">{{ $t('site.static.address') }}</label>
        <TextInput id="static-address" v-model:value="address" :placeholder="$t('site.static.example')" />
      </div>
      <NButton attr-type="submit" :disabled="polling.isActive.value">{{ $t('site.static.save') }}</NButton>
    </form>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="progress && !progress.problem" role="status">
      <NProgress
        type="line"
        :percentage="progress.known ? Math.floor((100 * progress.pages) / progress.known) : 0"
        :processing="!progress.done"
        :aria-label="$t('site.static.title')"
      />
      <p class="hint">
        {{
          $t(progress.done ? 'site.static.done' : 'site.static.going', {
            pages: progress.pages,
            known: progress.known,
            files: progress.files,
          })
        }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.end {
  align-items: flex-end;
}
.address {
  width: 320px;
}
</style>
