<script setup lang="ts">
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import TokenPanel from '@/shared/TokenPanel.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { renew, useResource } from '@/shared/api/queries';
import Check from '@/shared/controls/Check.vue';
import { accessTokens } from './queries';

/** Tokens with which commands and pipelines work on a workspace. */
const props = defineProps<{ workspace: string }>();
type Scope = Schemas['AccessView']['scopes'][number];
const grantable: Scope[] = ['draft', 'release', 'plan', 'run'];
const { t } = useI18n();
const listed = useResource(() => accessTokens(props.workspace));
const tokens = computed(() => listed.data.value ?? []);
const scopes = ref<Scope[]>([]);
const renewed = () => renew(accessTokens(props.workspace).queryKey);
const rights = (token: Schemas['AccessView']) => token.scopes.map((scope) => t(`access.scopes.${scope}`)).join(', ');

function grant(scope: Scope, isGranted: boolean): void {
  scopes.value = grantable.filter((each) => (each === scope ? isGranted : scopes.value.includes(each)));
}

async function make(name: string, expiresAt?: string): Promise<Schemas['MadeAccess']> {
  const params = { path: { workspace: props.workspace } };
  const body = { name, scopes: scopes.value, expiresAt };
  const made = await ask(api.POST('/api/workspaces/{workspace}/access-tokens', { params, body }));
  scopes.value = [];
  await renewed();
  return made;
}

async function revoke(token: Schemas['AccessView']): Promise<void> {
  const path = { workspace: props.workspace, id: token.id };
  await ask(api.DELETE('/api/workspaces/{workspace}/access-tokens/{id}', { params: { path } }));
  await renewed();
}
</script>

<template>
  <TokenPanel
    :key="workspace"
    :title="$t('access.title')"
    :tokens="tokens"
    :problem="listed.problem.value"
    :rights="rights"
    :make="make"
    :revoke="revoke"
  >
    <template #hint>{{ $t('access.hint') }}</template>
    <template #use>{{ $t('access.use') }}</template>
    <template #rights>
      <div role="group" aria-labelledby="access-may">
        <span id="access-may" class="label">{{ $t('access.may') }}</span>
        <div class="rights">
          <Check
            v-for="scope in grantable"
            :key="scope"
            :checked="scopes.includes(scope)"
            @update:checked="
              (isGranted: boolean) => {
                grant(scope, isGranted);
              }
            "
            >{{ $t(`access.scopes.${scope}`) }}</Check
          >
        </div>
      </div>
    </template>
  </TokenPanel>
</template>

<style scoped>
.rights {
  display: flex;
  gap: 16px;
  min-height: 34px;
  white-space: nowrap;
  align-items: center;
}
</style>
