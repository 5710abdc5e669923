<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import { tokenList } from './queries';
import { shortTime } from '@/shared/time';
import TextInput from '@/shared/controls/TextInput.vue';
import Choice from '@/shared/controls/Choice.vue';
import { useConfirm } from '@/shared/controls/confirming';
import DateInput from '@/shared/controls/DateInput.vue';

/** Tokens with which programs read drafts, or write, over the site's content API. */
const props = defineProps<{ site: string }>();
type Role = Schemas['NewToken']['role'];
const { t } = useI18n();
const isConfirmed = useConfirm();
const listed = useResource(() => tokenList(props.site));
const tokens = computed(() => listed.data.value ?? []);
const made = ref<Schemas['MadeToken']>();
const name = ref('');
const role = ref<Role>('editor');
const expires = ref('');
const failed = ref('');
const problem = computed(() => failed.value || listed.problem.value);
const copied = ref(false);

const path = () => ({ site: props.site });

async function trying(work: () => Promise<unknown>): Promise<void> {
  failed.value = '';
  try {
    await work();
    await renew(tokenList(props.site).queryKey);
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

watch(
  () => props.site,
  () => {
    made.value = undefined;
    failed.value = '';
  },
);

/** What cannot be read as a time is sent as it was typed, for the server to say so. */
function timeOf(typed: string): string {
  const at = new Date(typed);
  return Number.isNaN(at.getTime()) ? typed : at.toISOString();
}

const add = () =>
  trying(async () => {
    const expiresAt = expires.value ? timeOf(expires.value) : undefined;
    const body = { name: name.value, role: role.value, expiresAt };
    made.value = await ask(api.POST('/api/sites/{site}/tokens', { params: { path: path() }, body }));
    copied.value = false;
    name.value = '';
    expires.value = '';
  });

async function revoke(token: Schemas['TokenView']): Promise<void> {
  if (await isConfirmed(t('token.reallyRevoke', { name: token.name }), t('token.revoke'))) {
    await trying(async () => {
      await ask(api.DELETE('/api/sites/{site}/tokens/{id}', { params: { path: { ...path(), id: token.id } } }));
      made.value = made.value?.token.id === token.id ? undefined : made.value;
    });
  }
}

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(made.value?.secret ?? '');
  copied.value = true;
}
</script>

<template>
  <section class="panel stack" aria-labelledby="tokens-title">
    <h2 id="tokens-title">{{ $t('token.title') }}</h2>
    <p class="hint">
      {{ $t('token.hint') }}
      <a :href="`/at/${site}/api/openapi.json`" target="_blank">{{ $t('token.description') }}</a>
    </p>
    <table v-if="tokens.length" class="table">
      <thead>
        <tr>
          <th>{{ $t('session.name') }}</th>
          <th>{{ $t('token.may') }}</th>
          <th>{{ $t('token.made') }}</th>
          <th>{{ $t('token.used') }}</th>
          <th>{{ $t('token.expires') }}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="token in tokens" :key="token.id">
          <td>{{ token.name }}</td>
          <td>{{ $t(`token.roles.${token.role}`) }}</td>
          <td class="muted">
            {{ token.createdAt ? shortTime(token.createdAt) : '' }} {{ $t('record.by', { name: token.createdBy }) }}
          </td>
          <td class="muted">{{ token.usedAt ? shortTime(token.usedAt) : $t('token.never') }}</td>
          <td class="muted">{{ token.expiresAt ? shortTime(token.expiresAt) : $t('token.never') }}</td>
          <td class="act">
            <NButton size="tiny" quaternary @click="revoke(token)">{{ $t('token.revoke') }}</NButton>
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="made" class="secret" role="status">
      <strong>{{ $t('token.once', { name: made.token.name }) }}</strong>
      <div class="row">
        <code class="mono">{{ made.secret }}</code>
        <NButton size="tiny" @click="copy">{{ $t(copied ? 'token.copied' : 'token.copy') }}</NButton>
      </div>
      <p class="hint mono">Authorization: Bearer …</p>
    </div>
    <form class="row new" @submit.prevent="add">
      <div>
        <label class="label" for="token-name">{{ $t('session.name') }}</label>
        <TextInput id="token-name" v-model:value="name" required maxlength="100" autocomplete="off" />
      </div>
      <div>
        <label class="label" for="token-role">{{ $t('token.may') }}</label>
        <Choice
          id="token-role"
          v-model:value="role"
          :options="[
            { value: 'editor', label: $t('token.roles.editor') },
            { value: 'viewer', label: $t('token.roles.viewer') },
          ]"
        />
      </div>
      <div>
        <label class="label" for="token-expires">{{ $t('token.expires') }}</label>
        <DateInput id="token-expires" v-model:value="expires" kind="date_time" :label="$t('token.expires')" />
      </div>
      <NButton attr-type="submit">{{ $t('token.add') }}</NButton>
    </form>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
  </section>
</template>

<style scoped>
.new {
  align-items: flex-end;
}
.new .text-input,
.new .choice {
  width: 260px;
}
.act {
  text-align: end;
}
.secret {
  padding: 8px 12px;
  background: var(--petrol-soft);
  border-radius: 4px;
}
code {
  overflow-wrap: anywhere;
}
</style>
