<script setup lang="ts">
import { NButton, NInput, NTable } from 'naive-ui';
import { onMounted, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { longTime } from '@/shared/time';
import { useTrying } from '@/shared/trying';
import { useSession } from './session';

const session = useSession();
const sessions = ref<Schemas['SessionInfo'][]>([]);
const old = ref('');
const password = ref('');
const changed = ref(false);
const { problem, busy, trying } = useTrying();

const load = async () => (sessions.value = await ask(api.GET('/api/account/sessions')));

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

onMounted(() => trying(load));
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
          <NInput
            v-model:value="old"
            type="password"
            :input-props="{ id: 'old-password', required: true, autocomplete: 'current-password' }"
            placeholder=""
          />
        </div>
        <div>
          <label class="label" for="next-password">{{ $t('session.newPassword') }}</label>
          <NInput
            v-model:value="password"
            type="password"
            show-password-on="click"
            :input-props="{ id: 'next-password', required: true, autocomplete: 'new-password' }"
            placeholder=""
          />
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
