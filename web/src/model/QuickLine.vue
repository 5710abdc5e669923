<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';
import Proposals from './Proposals.vue';
import { useDraft } from './draft';
import TextInput from '@/shared/controls/TextInput.vue';

/** One line makes a field; a pasted list or rows of a spreadsheet make many, once they are confirmed. */
const props = defineProps<{ taken: string[]; into: string }>();
const emit = defineEmits<{ add: [Field[]] }>();
const draft = useDraft();
const text = ref('');
const problem = ref('');
const proposals = ref<Schemas['ProposalView'][]>();
const said = ref('');

async function infer(source: string): Promise<Schemas['ProposalView'][]> {
  problem.value = '';
  try {
    const params = { path: draft.path };
    return await ask(
      api.POST('/api/workspaces/{workspace}/draft/infer', { params, body: { text: source, taken: props.taken } }),
    );
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
    return [];
  }
}

async function make(): Promise<void> {
  if (!text.value.trim()) {
    return;
  }
  const found = await infer(text.value);
  const first = found[0];
  if (first) {
    text.value = '';
    said.value = first.why;
    emit('add', [first.field]);
  }
}

async function onPaste(event: ClipboardEvent): Promise<void> {
  const pasted = event.clipboardData?.getData('text/plain') ?? '';
  if (!/[\t\n]/.test(pasted.trim())) {
    return;
  }
  event.preventDefault();
  proposals.value = await infer(pasted);
}

function take(fields: Field[]): void {
  proposals.value = undefined;
  emit('add', fields);
}
</script>

<template>
  <form class="quick" @submit.prevent="make">
    <label class="small" :for="`quick-${into}`">{{ $t('model.quick.label') }}</label>
    <div class="row">
      <TextInput
        :id="`quick-${into}`"
        v-model:value="text"
        class="quick-line"
        autocomplete="off"
        dir="auto"
        :placeholder="$t('model.quick.example')"
        @paste="onPaste"
      />
      <NButton attr-type="submit" size="small" :disabled="!text.trim()">{{ $t('model.quick.add') }}</NButton>
    </div>
    <p v-if="said && !problem" class="hint" role="status">{{ $t('model.quick.guessed', { why: said }) }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
  </form>
  <Proposals v-if="proposals?.length" :proposals="proposals" @take="take" @cancel="proposals = undefined" />
</template>

<style scoped>
.quick {
  margin-top: 8px;
}
</style>
