<script setup lang="ts">
import { NButton, NTable } from 'naive-ui';
import { computed, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import { sessionList } from './queries';
import { longTime } from '@/shared/time';
import { useTrying } from '@/shared/trying';
import { useSession } from './session';
import TextInput from '@/shared/controls/TextInput.vue';

const session = useSession();
const listed = useResource(sessionList);
const sessions = computed(() => listed.data.value ?? []);
const old = ref('');
const password = ref('');
const changed = ref(false);
const { problem: failed, busy, trying } = useTrying();
const problem = computed(() => failed.value || listed.problem.value);

const load = () => renew(sessionList().queryKey);

async function change(): Promise<void> {
  changed.value = await trying(async () => {
    await ask(api.PUT('/api/account/password', { body: { old: old.value, password: password.value } }));
    old.value = '';
    password.value = '';
    await load();
  });
}

const end = (id: string) =>
  trying(async () => {
    await ask(api.DELETE('/api/account/sessions/{id}', { params: { path: { id } } }));
    await load();
  });
</script>

<template>
  <div class="page stack">
    <h1>{{ $t('session.own', { name: session.name }) }}</h1>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <form class="panel stack" @submit.prevent="change">
      <h2>{{ $t('session.changePassword') }}</h2>
      <div class="row fields">
        <div>
          <label class="label" for="old-password">{{ $t('session.oldPassword') }}</label>
          <TextInput id="old-password" v-model:value="old" required autocomplete="current-password" secret />
        </div>
        <div>
          <label class="label" for="next-password">{{ $t('session.newPassword') }}</label>
          <TextInput id="next-password" v-model:value="password" required autocomplete="new-password" secret />
        </div>
        <NButton type="primary" attr-type="submit" :loading="busy">{{ $t('session.changePassword') }}</NButton>
      </div>
      <p class="hint" role="status">{{ $t(changed ? 'session.passwordChanged' : 'session.passwordHint') }}</p>
    </form>
    <section class="panel stack" aria-labelledby="sessions-title">
      <h2 id="sessions-title">{{ $t('session.sessions') }}</h2>
      <NTable :bordered="false" size="small">
        <thead>
          <tr>
            <th>{{ $t('session.since') }}</th>
            <th>{{ $t('session.lastUsed') }}</th>
            <th>{{ $t('session.from') }}</th>
            <th class="act" />
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in sessions" :key="each.id">
            <td>{{ longTime(each.since) }}</td>
            <td>{{ longTime(each.lastUsed) }}</td>
            <td class="mono">{{ each.address }}</td>
            <td class="act">
              <Tag v-if="each.present" tone="safe">{{ $t('session.present') }}</Tag>
              <NButton v-else size="small" @click="end(each.id)">{{ $t('session.end') }}</NButton>
            </td>
          </tr>
        </tbody>
      </NTable>
    </section>
  </div>
</template>

<style scoped>
.fields {
  align-items: flex-end;
}
.fields > div {
  flex: 1;
}
.act {
  text-align: end;
}
</style>
