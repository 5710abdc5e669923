<script setup lang="ts">
import { NButton, NModal, NProgress } from 'naive-ui';
import { computed, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { useTrying } from '@/shared/trying';
import Check from '@/shared/controls/Check.vue';

/** Brings held values back, some records at a time, and tells what came of it. */
const props = defineProps<{ site: string; held: Schemas['HeldView']; title: string }>();
const emit = defineEmits<{ close: [] }>();
const MOST_TOLD = 100;
const replace = ref(false);
const looked = ref(0);
const brought = ref(0);
const drafts = ref(0);
const kept = ref(0);
const refused = ref<Schemas['NotBroughtView'][]>([]);
const next = ref<number | undefined>(0);
const ended = ref(false);
const { problem, busy, trying } = useTrying();
const begun = computed(() => busy.value || looked.value > 0 || ended.value);
const part = computed(() =>
  ended.value ? 100 : Math.min(99, Math.round((100 * looked.value) / Math.max(1, props.held.values))),
);

const start = () =>
  trying(async () => {
    const params = { path: { site: props.site, name: props.held.name } };
    while (next.value !== undefined) {
      const body = { replace: replace.value, after: next.value };
      const done = await ask(api.POST('/api/sites/{site}/held/{name}/bring-back', { params, body }));
      looked.value += done.looked;
      brought.value += done.brought;
      drafts.value += done.drafts;
      kept.value += done.kept;
      refused.value.push(...done.refused);
      next.value = done.next ?? undefined;
    }
    ended.value = true;
  });
</script>

<template>
  <NModal
    :show="true"
    preset="card"
    :aria-label="$t('held.backTitle', { what: title })"
    :close-on-esc="!busy"
    class="back"
    :title="$t('held.backTitle', { what: title })"
    :mask-closable="false"
    :closable="!busy"
    @update:show="emit('close')"
  >
    <div class="stack">
      <p class="flat">{{ $t(held.field ? 'held.backHint' : 'held.backRecordsHint') }}</p>
      <Check v-if="held.field" v-model:checked="replace" :disabled="begun">{{ $t('held.replace') }}</Check>
      <NProgress
        v-if="begun"
        type="line"
        :show-indicator="false"
        color="var(--petrol)"
        :percentage="part"
        :aria-label="$t('held.progress')"
      />
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <div v-if="begun" role="status" class="stack">
        <p class="flat">
          {{ $t('held.brought', { n: brought }, brought) }}
          <template v-if="kept">{{ ' ' + $t('held.kept', { n: kept }, kept) }}</template>
          <template v-if="drafts">{{ ' ' + $t('held.drafts', { n: drafts }, drafts) }}</template>
        </p>
        <template v-if="refused.length">
          <p class="flat">{{ $t('held.refused', { n: refused.length }, refused.length) }}</p>
          <ul>
            <li v-for="each in refused.slice(0, MOST_TOLD)" :key="each.id">
              <strong>{{ each.title || each.id }}</strong>: {{ each.reason }}
            </li>
          </ul>
        </template>
      </div>
    </div>
    <template #footer>
      <div class="row">
        <NButton v-if="!ended" type="primary" :loading="busy" @click="start">{{ $t('held.backNow') }}</NButton>
        <NButton :disabled="busy" @click="emit('close')">{{ $t(ended ? 'held.close' : 'common.cancel') }}</NButton>
      </div>
    </template>
  </NModal>
</template>

<style scoped>
.flat {
  margin: 0;
}
ul {
  margin: 0;
  padding-left: 20px;
  max-height: 240px;
  overflow: auto;
}
</style>

<style>
.back {
  width: 560px;
}
</style>
