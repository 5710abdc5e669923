<script setup lang="ts" generic="T extends Token">
import { NButton } from 'naive-ui';
import { nextTick, ref, useTemplateRef } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from './Problems.vue';
import { sentenceOf } from './api/client';
import { shortTime } from './time';
import type { Token } from './tokens';
import TextInput from './controls/TextInput.vue';
import { useConfirm } from './controls/confirming';
import DateInput from './controls/DateInput.vue';

/** Tokens that programs come with: what there are, and making and revoking them. A secret is shown once. */
const props = defineProps<{
  title: string;
  tokens: T[];
  problem: string;
  /** What a token may do, in words. */
  rights: (token: T) => string;
  make: (name: string, expiresAt: string | undefined) => Promise<{ token: T; secret: string }>;
  revoke: (token: T) => Promise<void>;
}>();
const { t } = useI18n();
const isConfirmed = useConfirm();
const made = ref<{ name: string; secret: string; id: number }>();
const name = ref('');
const expires = ref('');
const failed = ref('');
const copied = ref(false);
const secretBox = useTemplateRef<HTMLElement>('secretBox');

async function trying(work: () => Promise<void>): Promise<void> {
  failed.value = '';
  try {
    await work();
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

/** What cannot be read as a time is sent as it was typed, for the server to say so. */
function timeOf(typed: string): string {
  const at = new Date(typed);
  return Number.isNaN(at.getTime()) ? typed : at.toISOString();
}

const add = () =>
  trying(async () => {
    const { token, secret } = await props.make(name.value, expires.value ? timeOf(expires.value) : undefined);
    made.value = { name: token.name, id: token.id, secret };
    copied.value = false;
    await nextTick();
    secretBox.value?.scrollIntoView({ block: 'nearest' });
    name.value = '';
    expires.value = '';
  });

async function end(token: T): Promise<void> {
  if (await isConfirmed(t('token.reallyRevoke', { name: token.name }), t('token.revoke'))) {
    await trying(async () => {
      await props.revoke(token);
      made.value = made.value?.id === token.id ? undefined : made.value;
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
    <h2 id="tokens-title">{{ title }}</h2>
    <p class="hint"><slot name="hint" /></p>
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
          <td>{{ rights(token) }}</td>
          <td class="muted">
            {{ token.createdAt ? shortTime(token.createdAt) : '' }} {{ $t('record.by', { name: token.createdBy }) }}
          </td>
          <td class="muted">{{ token.usedAt ? shortTime(token.usedAt) : $t('token.never') }}</td>
          <td class="muted">{{ token.expiresAt ? shortTime(token.expiresAt) : $t('token.never') }}</td>
          <td class="act">
            <NButton size="tiny" quaternary @click="end(token)">{{ $t('token.revoke') }}</NButton>
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="made" ref="secretBox" class="secret" role="status">
      <strong>{{ $t('token.once', { name: made.name }) }}</strong>
      <div class="row">
        <code class="mono">{{ made.secret }}</code>
        <NButton size="tiny" @click="copy">{{ $t(copied ? 'token.copied' : 'token.copy') }}</NButton>
      </div>
      <p class="hint mono"><slot name="use" /></p>
    </div>
    <form class="row new" @submit.prevent="add">
      <div>
        <label class="label" for="token-name">{{ $t('session.name') }}</label>
        <TextInput id="token-name" v-model:value="name" required maxlength="100" autocomplete="off" />
      </div>
      <slot name="rights" />
      <div>
        <label class="label" for="token-expires">{{ $t('token.expires') }}</label>
        <DateInput id="token-expires" v-model:value="expires" kind="date_time" :label="$t('token.expires')" />
      </div>
      <NButton attr-type="submit">{{ $t('token.add') }}</NButton>
    </form>
    <Problems v-if="failed || problem" :of="[{ sentence: failed || problem, severity: 'blocker' }]" />
  </section>
</template>

<style scoped>
.new {
  flex-wrap: wrap;
  align-items: flex-end;
}
.new .text-input {
  width: 200px;
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
