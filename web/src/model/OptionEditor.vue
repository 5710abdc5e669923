<script setup lang="ts">
import { NButton } from 'naive-ui';
import { nextTick, ref } from 'vue';
import IconX from '~icons/tabler/x';
import { newId, type Option } from '@/shared/kinds';
import { useDerivedKeys } from './useNames';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import Problems from '@/shared/Problems.vue';
import { sentenceOf } from '@/shared/api/client';
import { namesFor } from './names';
import { readOptions } from './options';

const props = defineProps<{ options: Option[] }>();
const emit = defineEmits<{ change: [Option[]] }>();
const list = ref<HTMLElement>();
const KEY = /^[a-z][a-z0-9]*(_[a-z0-9]+)*$/;
const isKey = (text: string) => KEY.test(text);

function put(index: number, change: Partial<Option>): void {
  emit(
    'change',
    props.options.map((option, i) => (i === index ? { ...option, ...change } : option)),
  );
}

const keys = useDerivedKeys();

function setLabel(index: number, option: Option, label: string): void {
  put(index, { label });
  const others = () => props.options.filter((each) => each.id !== option.id);
  keys.label(option.id ?? '', label, option.key, () => others().map((each) => each.key));
}

function setKey(index: number, option: Option, key: string): void {
  keys.typed(option.id ?? '');
  put(index, { key });
}

const written = ref('');
const problem = ref('');
let busy = false;

/** Adds what was written down, each option once; keys are those of the second column, or derived. */
async function addWritten(text: string): Promise<void> {
  if (busy) {
    return;
  }
  busy = true;
  const has = new Set(props.options.map((each) => each.label.toLowerCase()));
  const fresh = readOptions(text).filter(({ label }) => !has.has(label.toLowerCase()));
  problem.value = '';
  try {
    const taken = props.options.map((each) => each.key);
    const { keys: derived } = await namesFor(
      fresh.map(({ label, key }) => (isKey(key) ? key : label)),
      taken,
    );
    emit('change', [
      ...props.options,
      ...fresh.map(({ label }, index) => ({ id: newId('o'), key: derived[index] ?? '', label })),
    ]);
    written.value = '';
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy = false;
  }
}

function onPaste(event: ClipboardEvent): void {
  const pasted = event.clipboardData?.getData('text/plain') ?? '';
  if (pasted.trim().includes('\n')) {
    event.preventDefault();
    void addWritten(pasted);
  }
}

async function add(): Promise<void> {
  emit('change', [...props.options, { id: newId('o'), key: '', label: '' }]);
  await nextTick();
  list.value?.querySelector<HTMLElement>('li:last-of-type input')?.focus();
}
</script>

<template>
  <div class="options">
    <span class="small">{{ $t('model.options') }}</span>
    <ul ref="list">
      <li v-for="(option, index) in options" :key="option.id" class="row">
        <TextInput
          data-explain="option.label"
          :value="option.label"
          :aria-label="$t('model.optionLabel', { n: index + 1 })"
          @update:value="setLabel(index, option, $event)"
          @blur="keys.end(option.id ?? '')"
          @paste="onPaste"
          @keydown.enter.prevent="add"
        />
        <TextInput
          mono
          data-explain="option.key"
          :value="option.key"
          :aria-label="$t('model.optionKey', { n: index + 1 })"
          @update:value="setKey(index, option, $event)"
          @keydown.enter.prevent="add"
        />
        <Check
          class="row retired"
          data-explain="option.retired"
          :checked="option.retired ?? false"
          @update:checked="put(index, { retired: $event || undefined })"
          >{{ $t('model.retired') }}</Check
        >
        <NButton
          quaternary
          size="small"
          :aria-label="$t('model.removeOption', { label: option.label })"
          @click="
            emit(
              'change',
              options.filter((each) => each.id !== option.id),
            )
          "
          ><IconX
        /></NButton>
      </li>
    </ul>
    <div class="row">
      <TextInput
        v-model:value="written"
        dir="auto"
        :aria-label="$t('model.addOptions')"
        :placeholder="$t('model.addOptions')"
        @paste="onPaste"
        @keydown.enter.prevent="addWritten(written)"
      />
      <NButton size="small" @click="written.trim() ? addWritten(written) : add()">{{ $t('model.addOption') }}</NButton>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
  </div>
</template>

<style scoped>
.options {
  grid-column: 1 / -1;
}
ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
li {
  margin-top: 4px;
}
.retired {
  white-space: nowrap;
}
.small {
  font-size: 13px;
  color: var(--muted);
}
</style>
