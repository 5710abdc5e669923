<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf } from '@/shared/api/client';
import DoorPage from './DoorPage.vue';
import { useSession } from './session';
import TextInput from '@/shared/controls/TextInput.vue';

const session = useSession();
const router = useRouter();
const code = ref('');
const name = ref('');
const password = ref('');
const problem = ref('');

async function setUp(): Promise<void> {
  problem.value = '';
  try {
    await ask(api.POST('/api/setup', { body: { code: code.value, name: name.value, password: password.value } }));
    session.setup = false;
    await session.signIn(name.value, password.value);
    await router.push('/');
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <DoorPage :title="$t('session.setUpTitle')" @submit="setUp">
    <p class="hint">{{ $t('session.setUpHint') }}</p>
    <div>
      <label class="label" for="code">{{ $t('session.code') }}</label>
      <TextInput id="code" v-model:value="code" mono autocomplete="off" required />
    </div>
    <div>
      <label class="label" for="name">{{ $t('session.name') }}</label>
      <TextInput id="name" v-model:value="name" autocomplete="username" required />
    </div>
    <div>
      <label class="label" for="password">{{ $t('session.password') }}</label>
      <TextInput id="password" v-model:value="password" secret autocomplete="new-password" required />
      <p class="hint">{{ $t('session.passwordHint') }}</p>
      <div aria-live="polite"><Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" /></div>
    </div>
    <NButton type="primary" attr-type="submit">{{ $t('session.create') }}</NButton>
  </DoorPage>
</template>
