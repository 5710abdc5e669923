<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import Problems from '@/shared/Problems.vue';
import { sentenceOf } from '@/shared/api/client';
import DoorPage from './DoorPage.vue';
import { useSession } from './session';
import TextInput from '@/shared/controls/TextInput.vue';

const session = useSession();
const route = useRoute();
const router = useRouter();
const name = ref('');
const password = ref('');
const problem = ref('');
const busy = ref(false);

async function signIn(): Promise<void> {
  busy.value = true;
  problem.value = '';
  try {
    await session.signIn(name.value, password.value);
    const back = route.query.back;
    await router.push(typeof back === 'string' && /^\/(?!\/)/.test(back) ? back : '/');
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <DoorPage :title="$t('session.title')" @submit="signIn">
    <div>
      <label class="label" for="name">{{ $t('session.name') }}</label>
      <TextInput id="name" v-model:value="name" autocomplete="username" required autofocus />
    </div>
    <div>
      <label class="label" for="password">{{ $t('session.password') }}</label>
      <TextInput
        id="password"
        v-model:value="password"
        secret
        autocomplete="current-password"
        required
        aria-describedby="sign-in-problem"
      />
      <div aria-live="polite">
        <Problems v-if="problem" id="sign-in-problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      </div>
    </div>
    <NButton type="primary" attr-type="submit" :loading="busy">{{ $t('session.signIn') }}</NButton>
  </DoorPage>
</template>
