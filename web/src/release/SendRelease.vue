<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ApiError, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import TextInput from '@/shared/controls/TextInput.vue';

/** Sends a release to another installation, after showing what would change there. The token is kept nowhere. */
const props = defineProps<{ workspace: string; version: string }>();
const address = useLocalStorage('jontrel.sent-to', '');
const token = ref('');
const compared = ref<Schemas['SentView']>();
const isSent = ref(false);
const isBusy = ref(false);
const failed = ref<{ sentence: string; severity: string }[]>([]);
const named = computed(() => ({ title: compared.value?.title ?? '', version: props.version }));

watch([address, token], () => {
  compared.value = undefined;
  isSent.value = false;
  failed.value = [];
});

async function send(look: boolean): Promise<void> {
  failed.value = [];
  isBusy.value = true;
  try {
    const params = { path: { workspace: props.workspace, version: props.version } };
    const body = { address: address.value, token: token.value, look };
    compared.value = await ask(api.POST('/api/workspaces/{workspace}/releases/{version}/send', { params, body }));
    isSent.value = !look;
  } catch (thrown) {
    const clashes = thrown instanceof ApiError ? thrown.clashes : [];
    failed.value = [sentenceOf(thrown), ...clashes].map((sentence) => ({ sentence, severity: 'blocker' }));
  } finally {
    isBusy.value = false;
  }
}
</script>

<template>
  <form class="stack" @submit.prevent="send(true)">
    <p class="hint">{{ $t('release.send.hint') }}</p>
    <div>
      <label class="label" for="send-address">{{ $t('release.send.address') }}</label>
      <TextInput id="send-address" v-model:value="address" required placeholder="https://" />
    </div>
    <div>
      <label class="label" for="send-token">{{ $t('release.send.token') }}</label>
      <TextInput
        id="send-token"
        v-model:value="token"
        secret
        required
        autocomplete="off"
        aria-describedby="send-token-hint"
      />
      <p id="send-token-hint" class="hint">{{ $t('release.send.tokenHint') }}</p>
    </div>
    <div aria-live="polite" class="stack">
      <Problems v-if="failed.length" :of="failed" />
      <template v-else-if="compared">
        <p v-if="compared.changes.length === 0" class="flat">{{ $t('release.send.nothing', named) }}</p>
        <template v-else>
          <strong>{{ $t(isSent ? 'release.send.sent' : 'release.send.wouldChange', named) }}</strong>
          <ul class="changes">
            <li v-for="change in compared.changes" :key="change">{{ change }}</li>
          </ul>
        </template>
      </template>
    </div>
    <div class="row">
      <NButton attr-type="submit" :loading="isBusy" :disabled="isBusy">{{ $t('release.send.look') }}</NButton>
      <NButton
        v-if="compared && compared.changes.length > 0 && !isSent"
        type="primary"
        :disabled="isBusy"
        @click="send(false)"
        >{{ $t('release.send.send', named) }}</NButton
      >
    </div>
  </form>
</template>

<style scoped>
.flat {
  margin: 0;
}
.changes {
  max-height: 260px;
  margin: 0;
  padding-left: 20px;
  overflow: auto;
}
.changes li {
  overflow-wrap: anywhere;
}
</style>
