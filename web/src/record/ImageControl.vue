<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ApiError, ask, sentenceOf, upload, type FindingView, type Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';

const props = defineProps<{ id: string; field: Field; typeKey: string; value: unknown; site: string | undefined }>();
const emit = defineEmits<{ change: [unknown] }>();

const alt = ref('');
const file = ref<File>();
const picture = ref<Schemas['PictureView']>();
const problems = ref<Pick<FindingView, 'sentence' | 'severity'>[]>([]);
const busy = ref(false);

watch(
  () => props.value,
  async (id) => {
    if (!id || !props.site) {
      picture.value = undefined;
    } else if (picture.value?.id !== id) {
      const params = { path: { site: props.site, id: Number(id) } };
      picture.value = await ask(api.GET('/api/sites/{site}/pictures/{id}', { params })).catch(() => undefined);
    }
  },
  { immediate: true },
);

async function send(): Promise<void> {
  if (!file.value || !props.site) {
    return;
  }
  const form = new FormData();
  form.set('file', file.value);
  form.set('alt', alt.value);
  busy.value = true;
  problems.value = [];
  try {
    const path = `/api/sites/${props.site}/types/${props.typeKey}/fields/${props.field.key}/pictures`;
    picture.value = await upload<Schemas['PictureView']>(path, form);
    emit('change', picture.value.id);
    file.value = undefined;
    alt.value = '';
  } catch (thrown) {
    const found = thrown instanceof ApiError ? thrown.findings : [];
    problems.value = found.length ? found : [{ sentence: sentenceOf(thrown), severity: 'blocker' }];
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="stack image">
    <figure v-if="picture">
      <img :src="picture.address" :alt="picture.alt" :width="picture.width" :height="picture.height" />
      <figcaption class="hint">
        {{ picture.alt }} · {{ $t('form.size', { width: picture.width, height: picture.height }) }}
        <NButton size="tiny" @click="emit('change', null)">{{ $t('common.remove') }}</NButton>
      </figcaption>
    </figure>
    <p v-if="!site" class="hint">{{ $t('form.noUpload') }}</p>
    <template v-else>
      <input
        :id="id"
        class="input"
        type="file"
        accept="image/jpeg,image/png,image/gif"
        :aria-label="$t('form.fileOf', { label: field.label })"
        @change="file = ($event.target as HTMLInputElement).files?.[0]"
      />
      <template v-if="file">
        <div>
          <label class="label" :for="`${id}-alt`">{{ $t('form.alt') }}</label>
          <input :id="`${id}-alt`" v-model="alt" class="input" maxlength="1000" />
          <p class="hint">{{ $t('form.altHint') }}</p>
        </div>
        <div>
          <NButton size="small" :loading="busy" @click="send">{{
            $t(picture ? 'form.replace' : 'form.upload')
          }}</NButton>
        </div>
      </template>
      <Problems :of="problems" />
    </template>
  </div>
</template>

<style scoped>
.image {
  gap: 8px;
}
figure {
  margin: 0;
}
img {
  display: block;
  width: 240px;
  height: auto;
  max-height: 200px;
  object-fit: cover;
  border: 1px solid var(--line);
  border-radius: 4px;
}
</style>
