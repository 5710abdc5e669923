<script setup lang="ts">
import { NButton } from 'naive-ui';
import { nextTick, ref, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';
import { queryClient, useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import { siteSettings } from './queries';

/** What is set for a site and belongs to no definition: its look, its address, and whether search engines show it. */
const props = defineProps<{ site: string; locked: boolean }>();
const { data, problem: unread } = useResource(() => siteSettings(props.site));
const look = ref('');
const address = ref('');
const unlisted = ref(false);
const problem = ref('');
const saved = ref(false);
const busy = ref(false);

watch(
  data,
  (now) => {
    if (now) {
      ({ look: look.value, address: address.value, unlisted: unlisted.value } = now.settings);
    }
  },
  { immediate: true },
);
watch([look, address, unlisted, () => props.site], () => (saved.value = false));

async function save(): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problem.value = '';
  try {
    const params = { path: { site: props.site } };
    const body = { look: look.value, address: address.value, unlisted: unlisted.value };
    const now = await ask(api.PUT('/api/sites/{site}/settings', { params, body }));
    queryClient.setQueryData(siteSettings(props.site).queryKey, now);
    address.value = now.settings.address;
    await nextTick();
    saved.value = true;
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section v-if="data" class="panel stack" aria-labelledby="settings-title">
    <h2 id="settings-title">{{ $t('site.settings.title') }}</h2>
    <form class="stack" @submit.prevent="save">
      <div class="row end">
        <div>
          <label class="label" for="site-look">{{ $t('site.settings.look') }}</label>
          <Choice
            id="site-look"
            v-model:value="look"
            class="look"
            :disabled="locked"
            :options="[
              { value: '', label: $t('site.settings.firstLook') },
              ...data.looks.map((each) => ({ value: each.look, label: each.title })),
            ]"
          />
        </div>
        <div class="address">
          <label class="label" for="site-address">{{ $t('site.settings.address') }}</label>
          <TextInput
            id="site-address"
            v-model:value="address"
            :disabled="locked"
            :placeholder="$t('site.settings.example')"
          />
        </div>
        <NButton v-if="!locked" attr-type="submit" :disabled="busy">{{ $t('site.settings.save') }}</NButton>
      </div>
      <p v-if="look && !data.looks.some((each) => each.look === look)" class="hint">
        {{ $t('site.settings.lookGone') }}
      </p>
      <Check v-model:checked="unlisted" :disabled="locked">{{ $t('site.settings.unlisted') }}</Check>
    </form>
    <Problems v-if="problem || unread" :of="[{ sentence: problem || unread, severity: 'blocker' }]" />
    <p v-if="saved" class="hint" role="status">{{ $t('site.settings.saved') }}</p>
  </section>
</template>

<style scoped>
.end {
  align-items: flex-end;
}
.look {
  width: 260px;
}
.address {
  width: 320px;
}
</style>
