<script setup lang="ts">
import { NButton } from 'naive-ui';
import { nextTick, onMounted, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import IconCode from '~icons/tabler/file-code';
import IconType from '~icons/tabler/file-text';
import IconPaste from '~icons/tabler/clipboard-text';
import IconSample from '~icons/tabler/books';
import IconTable from '~icons/tabler/table';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import TextInput from '@/shared/controls/TextInput.vue';
import type { ContentType, Field, Group } from '@/shared/kinds';
import WorkbookDrop from '@/workbook/WorkbookDrop.vue';
import Proposals from './Proposals.vue';
import SampleModels from './SampleModels.vue';
import { useDraft } from './draft';

/** An empty workspace: the ways into a first model. */
const draft = useDraft();
const router = useRouter();
const noun = ref('');
const planned = ref('');
const pasted = ref('');
const problem = ref('');
const proposals = ref<Schemas['ProposalView'][]>();
const first = useTemplateRef<InstanceType<typeof TextInput>>('first');

onMounted(() => first.value?.focus());

function withFirstFields(type: ContentType, fields: Field[]): ContentType {
  const [first, ...others] = type.groups ?? [];
  const group = first as Group | undefined;
  return group ? { ...type, groups: [{ ...group, fields: [...(group.fields ?? []), ...fields] }, ...others] } : type;
}

/** A double click makes one. */
const busy = ref(false);

async function make(name: string, fields: Field[]): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problem.value = '';
  try {
    const id = await draft.add('type', name);
    const made = draft.find(id);
    if (made?.sort === 'type' && fields.length) {
      draft.edit({ sort: 'type', definition: withFirstFields(made.definition, fields) });
    }
    await router.push({ name: 'model', params: { workspace: draft.workspace, type: id } });
    await nextTick();
    document.querySelector<HTMLElement>('.quick-line input')?.focus();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}

async function read(): Promise<void> {
  problem.value = '';
  try {
    const body = { text: pasted.value, taken: ['title'] };
    proposals.value = await ask(
      api.POST('/api/workspaces/{workspace}/draft/infer', { params: { path: draft.path }, body }),
    );
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}
</script>

<template>
  <section class="stack">
    <h1>{{ $t('model.first.title') }}</h1>
    <p class="muted flat">{{ $t('model.first.hint') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <form class="panel way" @submit.prevent="make(noun, [])">
      <IconType class="picture" aria-hidden="true" />
      <div class="words">
        <h2>{{ $t('model.first.noun') }}</h2>
        <label class="hint" for="first-noun">{{ $t('model.first.nounHint') }}</label>
        <div class="row">
          <TextInput
            id="first-noun"
            ref="first"
            v-model:value="noun"
            required
            maxlength="200"
            autocomplete="off"
            dir="auto"
            :placeholder="$t('model.nameExample.type')"
          />
          <NButton type="primary" attr-type="submit" :disabled="!noun.trim()">{{ $t('model.first.create') }}</NButton>
        </div>
      </div>
    </form>
    <div class="panel way">
      <IconTable class="picture" aria-hidden="true" />
      <div class="words">
        <h2>{{ $t('model.first.workbook') }}</h2>
        <p class="hint flat">{{ $t('model.first.workbookHint') }}</p>
        <WorkbookDrop />
      </div>
    </div>
    <form class="panel way" @submit.prevent="read">
      <IconPaste class="picture" aria-hidden="true" />
      <div class="words">
        <h2>{{ $t('model.first.table') }}</h2>
        <p class="hint flat">{{ $t('model.first.tableHint') }}</p>
        <TextInput
          v-model:value="pasted"
          multiline
          rows="3"
          dir="auto"
          :aria-label="$t('model.first.pasteHere')"
          :placeholder="$t('model.first.pasteHere')"
        />
        <div v-if="!proposals" class="row">
          <NButton attr-type="submit" :disabled="!pasted.trim()">{{ $t('model.first.read') }}</NButton>
        </div>
      </div>
    </form>
    <p v-if="proposals && !proposals.length" class="hint" role="status">{{ $t('model.first.nothing') }}</p>
    <div v-if="proposals?.length" class="panel">
      <label class="label" for="planned-noun">{{ $t('model.first.whatIs') }}</label>
      <TextInput
        id="planned-noun"
        v-model:value="planned"
        class="noun"
        maxlength="200"
        autocomplete="off"
        dir="auto"
        :placeholder="$t('model.nameExample.type')"
      />
      <Proposals
        :proposals="proposals"
        :blocked="!planned.trim()"
        @take="make(planned, $event)"
        @cancel="proposals = undefined"
      />
    </div>
    <div class="panel way">
      <IconSample class="picture" aria-hidden="true" />
      <div class="words">
        <h2>{{ $t('model.samples.title') }}</h2>
        <p class="hint flat">{{ $t('model.samples.hint') }}</p>
        <SampleModels />
      </div>
    </div>
    <div class="panel way">
      <IconCode class="picture" aria-hidden="true" />
      <div class="words">
        <h2>{{ $t('model.first.package') }}</h2>
        <p class="hint flat">{{ $t('model.first.packageHint') }}</p>
        <RouterLink :to="{ name: 'exchange', params: { workspace: draft.workspace } }">{{
          $t('model.first.toExchange')
        }}</RouterLink>
      </div>
    </div>
  </section>
</template>

<style scoped>
.flat {
  margin: 0;
}
.way {
  display: flex;
  gap: 16px;
  align-items: flex-start;
  max-width: 640px;
}
.picture {
  flex: none;
  width: 24px;
  height: 24px;
  margin-top: 2px;
  color: var(--petrol);
}
.words {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}
.noun {
  max-width: 320px;
}
</style>
