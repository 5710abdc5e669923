<script setup lang="ts">
import { NButton, NDropdown, NInput, NPopconfirm, NSelect, NTabPane, NTable, NTabs } from 'naive-ui';
import { computed, onMounted, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { useTrying } from '@/shared/trying';
import TrailList from './TrailList.vue';
import { useSession } from './session';

type Account = Schemas['AccountView'];
type Role = Account['role'];
const { t } = useI18n();
const session = useSession();
const accounts = ref<Account[]>([]);
const name = ref('');
const password = ref('');
const role = ref<Role>('editor');
const link = ref<{ name: string; address: string }>();
const copied = ref(false);
const deleting = ref<number>();
const { problem, busy, trying } = useTrying();
const roles = computed(() =>
  (['architect', 'editor', 'viewer'] as const).map((value) => ({ value, label: t(`session.roles.${value}`) })),
);

const load = () => trying(async () => (accounts.value = await ask(api.GET('/api/accounts'))));

/** Does something, and shows what there is then. */
const doing = (work: () => Promise<unknown>) =>
  trying(async () => {
    await work();
    accounts.value = await ask(api.GET('/api/accounts'));
  });

const add = () =>
  doing(async () => {
    await ask(api.POST('/api/accounts', { body: { name: name.value, password: password.value, role: role.value } }));
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

onMounted(load);
</script>

<template>
  <div class="page stack">
    <h1>{{ $t('session.accounts') }}</h1>
    <NTabs type="line" animated>
      <NTabPane name="people" :tab="$t('session.people')">
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
                  <NSelect
                    size="small"
                    :value="account.role"
                    :options="roles"
                    :disabled="busy"
                    :aria-label="$t('session.roleOf', { name: account.name })"
                    @update:value="(to: Role) => change(account, { role: to })"
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
                <NInput
                  v-model:value="name"
                  :input-props="{ id: 'new-name', required: true, autocomplete: 'off' }"
                  placeholder=""
                />
              </div>
              <div>
                <label class="label" for="new-password">{{ $t('session.password') }}</label>
                <NInput
                  v-model:value="password"
                  type="password"
                  show-password-on="click"
                  :input-props="{ id: 'new-password', required: true, autocomplete: 'new-password' }"
                  placeholder=""
                />
              </div>
              <div>
                <span id="new-role" class="label">{{ $t('session.role') }}</span>
                <NSelect v-model:value="role" :options="roles" aria-labelledby="new-role" />
              </div>
              <NButton type="primary" attr-type="submit" :loading="busy">{{ $t('session.addAccount') }}</NButton>
            </div>
            <p class="hint">{{ $t('session.passwordHint') }}</p>
          </form>
        </div>
      </NTabPane>
      <NTabPane name="trail" :tab="$t('session.trail')"><TrailList /></NTabPane>
    </NTabs>
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
