<script setup lang="ts">
import { NButton, NDropdown, NPopconfirm, NTable } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import { accountList } from './queries';
import { useTrying } from '@/shared/trying';
import TrailList from './TrailList.vue';
import { useSession } from './session';
import Tabs from '@/shared/controls/Tabs.vue';
import Choice from '@/shared/controls/Choice.vue';
import TextInput from '@/shared/controls/TextInput.vue';

type Account = Schemas['AccountView'];
type Role = Account['role'];
const { t } = useI18n();
const session = useSession();
const listed = useResource(accountList);
const accounts = computed(() => listed.data.value ?? []);
const name = ref('');
const password = ref('');
const role = ref<string>('editor');
const link = ref<{ name: string; address: string }>();
const copied = ref(false);
const shown = ref('people');
const deleting = ref<number>();
const { problem: failed, busy, trying } = useTrying();
const problem = computed(() => failed.value || listed.problem.value);
const roles = computed(() =>
  (['architect', 'editor', 'viewer'] as const).map((value) => ({ value, label: t(`session.roles.${value}`) })),
);

/** Does something, and shows what there is then. */
const doing = (work: () => Promise<unknown>) =>
  trying(async () => {
    await work();
    await renew(accountList().queryKey);
  });

const add = () =>
  doing(async () => {
    await ask(
      api.POST('/api/accounts', { body: { name: name.value, password: password.value, role: role.value as Role } }),
    );
    name.value = '';
    password.value = '';
  });

const change = (account: Account, to: Partial<Pick<Account, 'role' | 'disabled'>>) =>
  doing(() =>
    ask(
      api.PUT('/api/accounts/{id}', {
        params: { path: { id: account.id } },
        body: { role: account.role, disabled: account.disabled, ...to },
      }),
    ),
  );

const remove = (account: Account) =>
  doing(() => ask(api.DELETE('/api/accounts/{id}', { params: { path: { id: account.id } } })));

const acts = (account: Account) => [
  { key: 'reset', label: t('session.resetLink') },
  { key: 'sessions', label: t('session.endSessions') },
  { key: 'disabled', label: t(account.disabled ? 'session.enable' : 'session.disable') },
  { key: 'delete', label: t('session.delete') },
];

async function act(key: string, account: Account): Promise<void> {
  const params = { path: { id: account.id } };
  if (key === 'reset') {
    await doing(async () => {
      const made = await ask(api.POST('/api/accounts/{id}/reset', { params }));
      link.value = { name: account.name, address: `${location.origin}/reset#${made.secret}` };
      copied.value = false;
    });
  } else if (key === 'sessions') {
    await doing(() => ask(api.DELETE('/api/accounts/{id}/sessions', { params })));
  } else if (key === 'disabled') {
    await change(account, { disabled: !account.disabled });
  } else {
    deleting.value = account.id;
  }
}

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(link.value?.address ?? '');
  copied.value = true;
}
</script>

<template>
  <div class="page stack">
    <h1>{{ $t('session.accounts') }}</h1>
    <Tabs
      v-model:value="shown"
      :label="$t('session.accounts')"
      :tabs="[
        { name: 'people', label: $t('session.people') },
        { name: 'trail', label: $t('session.trail') },
      ]"
    >
      <template #people>
        <div class="stack">
          <p class="muted flat">{{ $t('session.accountsHint') }}</p>
          <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
          <div v-if="link" class="panel link" role="status">
            <strong>{{ $t('session.linkMade', { name: link.name }) }}</strong>
            <div class="row">
              <code class="mono">{{ link.address }}</code>
              <NButton size="small" @click="copy">{{ $t(copied ? 'token.copied' : 'token.copy') }}</NButton>
            </div>
            <p class="hint">{{ $t('session.linkHint') }}</p>
          </div>
          <NTable :bordered="false">
            <thead>
              <tr>
                <th>{{ $t('session.name') }}</th>
                <th class="role">{{ $t('session.role') }}</th>
                <th>{{ $t('session.state') }}</th>
                <th class="act" />
              </tr>
            </thead>
            <tbody>
              <tr v-for="account in accounts" :key="account.id">
                <td>
                  <strong>{{ account.name }}</strong>
                  <span v-if="account.name === session.name" class="muted you">{{ $t('session.you') }}</span>
                </td>
                <td>
                  <Choice
                    small
                    :value="account.role"
                    :options="roles"
                    :disabled="busy"
                    :aria-label="$t('session.roleOf', { name: account.name })"
                    @update:value="change(account, { role: $event as Role })"
                  />
                </td>
                <td>
                  <Tag :tone="account.disabled ? 'bad' : 'safe'">{{
                    $t(account.disabled ? 'session.disabled' : 'session.active')
                  }}</Tag>
                </td>
                <td class="act">
                  <NPopconfirm
                    :show="deleting === account.id"
                    :positive-text="$t('session.delete')"
                    :negative-text="$t('common.cancel')"
                    @positive-click="remove(account)"
                    @update:show="(open: boolean) => !open && (deleting = undefined)"
                  >
                    <template #trigger>
                      <NDropdown :options="acts(account)" trigger="click" @select="(key: string) => act(key, account)">
                        <NButton size="small" :aria-label="$t('session.actsOf', { name: account.name })">{{
                          $t('session.acts')
                        }}</NButton>
                      </NDropdown>
                    </template>
                    {{ $t('session.reallyDelete', { name: account.name }) }}
                  </NPopconfirm>
                </td>
              </tr>
            </tbody>
          </NTable>
          <form class="panel stack" @submit.prevent="add">
            <h2>{{ $t('session.addTitle') }}</h2>
            <div class="row new">
              <div>
                <label class="label" for="new-name">{{ $t('session.name') }}</label>
                <TextInput id="new-name" v-model:value="name" required autocomplete="off" />
              </div>
              <div>
                <label class="label" for="new-password">{{ $t('session.password') }}</label>
                <TextInput id="new-password" v-model:value="password" required autocomplete="new-password" secret />
              </div>
              <div>
                <label class="label" for="new-role">{{ $t('session.role') }}</label>
                <Choice id="new-role" v-model:value="role" :options="roles" />
              </div>
              <NButton type="primary" attr-type="submit" :loading="busy">{{ $t('session.addAccount') }}</NButton>
            </div>
            <p class="hint">{{ $t('session.passwordHint') }}</p>
          </form>
        </div>
      </template>
      <template #trail><TrailList /></template>
    </Tabs>
  </div>
</template>

<style scoped>
.role {
  width: 180px;
}
.act {
  text-align: end;
  width: 120px;
}
.flat {
  margin: 0;
}
.new {
  align-items: flex-end;
}
.new > div {
  flex: 1;
}
.you {
  margin-inline-start: 8px;
}
.link code {
  overflow-wrap: anywhere;
}
</style>
