<script setup lang="ts">
import { NButton } from 'naive-ui';
import { onMounted, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';

type Account = Schemas['AccountView'];
type Role = Schemas['NewAccount']['role'];
const accounts = ref<Account[]>([]);
const name = ref('');
const password = ref('');
const role = ref<Role>('editor');
const problem = ref('');
const roles: Role[] = ['architect', 'editor', 'viewer'];

async function load(): Promise<void> {
  try {
    accounts.value = await ask(api.GET('/api/accounts'));
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

async function add(): Promise<void> {
  problem.value = '';
  try {
    await ask(api.POST('/api/accounts', { body: { name: name.value, password: password.value, role: role.value } }));
    name.value = '';
    password.value = '';
    await load();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

onMounted(load);
</script>

<template>
  <div class="page stack">
    <h1>{{ $t('session.accounts') }}</h1>
    <p class="muted" style="margin: 0">{{ $t('session.accountsHint') }}</p>
    <div class="panel">
      <table class="table">
        <thead>
          <tr>
            <th>{{ $t('session.name') }}</th>
            <th>{{ $t('session.role') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="account in accounts" :key="account.name">
            <td>{{ account.name }}</td>
            <td>{{ account.role }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <form class="panel row" style="align-items: end" @submit.prevent="add">
      <div style="flex: 1">
        <label class="label" for="new-name">{{ $t('session.name') }}</label>
        <input id="new-name" v-model="name" class="input" required autocomplete="off" />
      </div>
      <div style="flex: 1">
        <label class="label" for="new-password">{{ $t('session.password') }}</label>
        <input
          id="new-password"
          v-model="password"
          class="input"
          type="password"
          required
          autocomplete="new-password"
        />
      </div>
      <div>
        <label class="label" for="new-role">{{ $t('session.role') }}</label>
        <select id="new-role" v-model="role" class="input">
          <option v-for="each in roles" :key="each" :value="each">{{ each }}</option>
        </select>
      </div>
      <NButton type="primary" attr-type="submit">{{ $t('session.addAccount') }}</NButton>
    </form>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
  </div>
</template>
