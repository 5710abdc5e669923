<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useRoute } from 'vue-router';
import Problems from '@/shared/Problems.vue';
import { api, ask } from '@/shared/api/client';
import { useTrying } from '@/shared/trying';
import DoorPage from './DoorPage.vue';
import TextInput from '@/shared/controls/TextInput.vue';

/** Somebody chooses a new password by a link that an architect handed out. */
const route = useRoute();
const password = ref('');
const done = ref(false);
const { problem, busy, trying } = useTrying();

async function choose(): Promise<void> {
  const body = { secret: route.hash.slice(1), password: password.value };
  done.value = await trying(() => ask(api.POST('/api/reset', { body })));
}
</script>

<template>
  <DoorPage :title="$t('session.resetTitle')" @submit="choose">
    <template v-if="done">
      <p>{{ $t('session.resetDone') }}</p>
      <RouterLink :to="{ name: 'sign-in' }">{{ $t('session.signIn') }}</RouterLink>
    </template>
    <template v-else>
      <div>
        <label class="label" for="password">{{ $t('session.newPassword') }}</label>
        <TextInput id="password" v-model:value="password" required autocomplete="new-password" secret />
        <p class="hint">{{ $t('session.passwordHint') }}</p>
        <div aria-live="polite"><Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" /></div>
      </div>
      <NButton type="primary" attr-type="submit" :loading="busy">{{ $t('session.choose') }}</NButton>
    </template>
  </DoorPage>
</template>
