<script setup lang="ts">
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import TokenPanel from '@/shared/TokenPanel.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import Choice from '@/shared/controls/Choice.vue';
import { tokenList } from './queries';

/** Tokens with which programs read drafts, or write, over the site's content API. */
const props = defineProps<{ site: string }>();
type Role = Schemas['NewToken']['role'];
const { t } = useI18n();
const listed = useResource(() => tokenList(props.site));
const tokens = computed(() => listed.data.value ?? []);
const role = ref<Role>('editor');
const renewed = () => renew(tokenList(props.site).queryKey);

async function make(name: string, expiresAt?: string): Promise<Schemas['MadeToken']> {
  const params = { path: { site: props.site } };
  const made = await ask(api.POST('/api/sites/{site}/tokens', { params, body: { name, role: role.value, expiresAt } }));
  await renewed();
  return made;
}

async function revoke(token: Schemas['TokenView']): Promise<void> {
  await ask(api.DELETE('/api/sites/{site}/tokens/{id}', { params: { path: { site: props.site, id: token.id } } }));
  await renewed();
}
</script>

<template>
  <TokenPanel
    :key="site"
    :title="$t('token.title')"
    :tokens="tokens"
    :problem="listed.problem.value"
    :rights="(token) => t(`token.roles.${token.role}`)"
    :make="make"
    :revoke="revoke"
  >
    <template #hint>
      {{ $t('token.hint') }}
      <a :href="`/at/${site}/api/openapi.json`" target="_blank">{{ $t('token.description') }}</a>
    </template>
    <template #use>Authorization: Bearer …</template>
    <template #rights>
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
    </template>
  </TokenPanel>
</template>

<style scoped>
.choice {
  width: 260px;
}
</style>
