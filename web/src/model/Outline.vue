<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import Tag from '@/shared/Tag.vue';
import { sentenceOf } from '@/shared/api/client';
import { allFields } from '@/shared/kinds';
import { useDraft } from './draft';

defineProps<{ selected: string | undefined }>();
const draft = useDraft();
const session = useSession();
const router = useRouter();
const noun = ref('');
const problem = ref('');

async function add(): Promise<void> {
  problem.value = '';
  try {
    const id = await draft.add(noun.value);
    noun.value = '';
    await router.push({ name: 'model', params: { workspace: draft.workspace, type: id } });
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

function problems(id: string | undefined): number {
  return draft.findings.filter((finding) => finding.definition === id && finding.severity === 'blocker').length;
}
</script>

<template>
  <nav :aria-label="$t('model.outline')">
    <h2 class="title">{{ $t('model.types') }}</h2>
    <ul>
      <li v-for="type in draft.types" :key="type.id">
        <RouterLink
          :to="{ name: 'model', params: { workspace: draft.workspace, type: type.id } }"
          :class="{ selected: type.id === selected }"
          :aria-current="type.id === selected ? 'true' : undefined"
        >
          <span class="name">{{ type.singular || type.key }}</span>
          <span class="muted">{{ $t('model.fieldCount', { n: allFields(type).length }, allFields(type).length) }}</span>
          <Tag v-if="problems(type.id)" tone="bad">{{
            $t('model.findings', { n: problems(type.id) }, problems(type.id))
          }}</Tag>
          <Tag v-else-if="draft.changed.includes(type.id ?? '')" tone="draft">{{ $t('model.changed') }}</Tag>
        </RouterLink>
      </li>
    </ul>
    <form v-if="session.isArchitect" class="add" @submit.prevent="add">
      <label class="label" for="noun">{{ $t('model.newType') }}</label>
      <input id="noun" v-model="noun" class="input" required maxlength="200" :placeholder="$t('model.nounExample')" />
      <p class="hint">{{ $t('model.nounHint') }}</p>
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <NButton attr-type="submit" size="small" block :type="draft.types.length ? 'default' : 'primary'">{{
        $t('model.add')
      }}</NButton>
    </form>
  </nav>
</template>

<style scoped>
.title {
  padding: 12px 12px 8px;
  font-size: 13px;
  color: var(--muted);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li a {
  display: flex;
  flex-direction: column;
  padding: 6px 12px 6px 9px;
  color: var(--ink);
  text-decoration: none;
  border-left: 3px solid transparent;
}
li a:hover {
  background: var(--ground);
}
li a.selected {
  border-left-color: var(--petrol);
  background: var(--petrol-soft);
}
.name {
  font-weight: 600;
  overflow-wrap: anywhere;
}
.add {
  display: flex;
  flex-direction: column;
  gap: 4px;
  margin-top: 12px;
  padding: 12px;
  border-top: 1px solid var(--line);
}
</style>
