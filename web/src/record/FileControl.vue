<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui';
import { computed, nextTick, ref } from 'vue';
import IconFile from '~icons/tabler/file';
import Problems from '@/shared/Problems.vue';
import { ApiError, sentenceOf } from '@/shared/api/client';
import type { FieldOf } from '@/shared/kinds';
import { isMany, listOf, useForm, type FileView } from './form';
import { kilobytes } from '@/shared/sizes';
import TextInput from '@/shared/controls/TextInput.vue';
import FilePicker from '@/shared/controls/FilePicker.vue';
import MediaPicker from './MediaPicker.vue';
import RowTools from './RowTools.vue';

/** Pictures or files: dropped or chosen, several at once, with progress, alternative texts and what matters most in them. */
const props = defineProps<{ id: string; field: FieldOf<'image'> | FieldOf<'file'>; value: unknown }>();
const emit = defineEmits<{ change: [unknown] }>();
const form = useForm();

interface Waiting {
  file: File;
  alt: string;
  part: number;
  problems: { sentence: string; severity: string }[];
}

const waiting = ref<Waiting[]>([]);
const many = computed(() => isMany(props.field));
const ids = computed(() => listOf(props.value).map(Number));
const image = computed(() => props.field.kind === 'image');
const accept = computed(() =>
  props.field.kind === 'image'
    ? (props.field.formats?.length ? props.field.formats : ['jpeg', 'png', 'gif', 'webp'])
        .map((format) => `image/${format}`)
        .join(',')
    : (props.field.formats ?? []).map((format) => `.${format}`).join(','),
);
let current: number[] = [];

function put(next: number[]): void {
  current = next;
  emit('change', many.value ? (next.length ? next : null) : (next[next.length - 1] ?? null));
}

const movable = computed(() => many.value && ids.value.length > 1 && !form.readonly());
const dragged = ref<number>();
const over = ref<number>();
const isPicking = ref(false);
/** Once it was open it stays, so that it can give the focus back. */
const hasPicked = ref(false);

function move(from: number, to: number): void {
  const next = [...ids.value];
  const [file] = next.splice(from, 1);
  if (file !== undefined && to >= 0 && to < ids.value.length) {
    next.splice(to, 0, file);
    put(next);
  }
}

/** Alt and the arrows move what has the focus, and it keeps it. */
async function onKey(event: KeyboardEvent, at: number): Promise<void> {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
  if (!event.altKey || by === undefined || !movable.value) {
    return;
  }
  event.preventDefault();
  const focused = document.activeElement as HTMLElement | null;
  move(at, at + by);
  await nextTick();
  focused?.focus();
}

function onDragOver(event: DragEvent, at: number): void {
  if (dragged.value !== undefined) {
    event.preventDefault();
    over.value = at;
  }
}

function onDrop(event: DragEvent, at: number): void {
  if (dragged.value !== undefined) {
    event.preventDefault();
    move(dragged.value, at);
    dragged.value = over.value = undefined;
  }
}

function pick(files: FileView[]): void {
  files.forEach((file) => form.library?.know(file));
  const picked = files.map((file) => file.id);
  put(many.value ? [...ids.value, ...picked] : picked);
}

/** Pictures wait for their alternative text; files are sent at once. */
function take(files: Iterable<File>): void {
  const fresh = [...files].map((file) => ({ file, alt: '', part: 0, problems: [] }));
  waiting.value = many.value ? [...waiting.value, ...fresh] : fresh.slice(0, 1);
  if (!image.value) {
    void sendAll();
  }
}

async function sendAll(): Promise<void> {
  current = ids.value;
  for (const each of [...waiting.value]) {
    await send(each);
  }
}

async function send(each: Waiting): Promise<void> {
  const upload = form.upload;
  if (!upload) {
    return;
  }
  each.problems = [];
  each.part = 0.01;
  try {
    const file = await upload(props.field, each.file, each.alt, (part) => (each.part = part));
    waiting.value = waiting.value.filter((other) => other.file !== each.file);
    put(many.value ? [...current, file.id] : [file.id]);
  } catch (thrown) {
    each.part = 0;
    const found = thrown instanceof ApiError ? thrown.findings : [];
    each.problems = found.length ? found : [{ sentence: sentenceOf(thrown), severity: 'blocker' }];
  }
}

function focus(event: MouseEvent, file: FileView): void {
  if (form.readonly() || !form.describe) {
    return;
  }
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  const x = Math.round(((event.clientX - box.left) / box.width) * 100);
  const y = Math.round(((event.clientY - box.top) / box.height) * 100);
  void form.describe(file, file.alt, x, y);
}
</script>

<template>
  <div class="stack files">
    <ul v-if="ids.length">
      <li
        v-for="(each, at) in ids"
        :key="each"
        class="file"
        :class="{ over: over === at }"
        :draggable="movable"
        @dragstart.self="dragged = at"
        @dragend="dragged = over = undefined"
        @dragover="onDragOver($event, at)"
        @drop="onDrop($event, at)"
        @keydown="onKey($event, at)"
      >
        <template v-if="form.file?.(each)">
          <NButton
            v-if="form.file(each)!.width"
            text
            class="picture"
            :title="$t('form.focusHint')"
            :aria-label="$t('form.focusOf', { name: form.file(each)!.name })"
            @click="focus($event, form.file(each)!)"
          >
            <img
              :src="`${form.file(each)!.address}?width=240`"
              :alt="form.file(each)!.alt"
              :width="form.file(each)!.width"
              :height="form.file(each)!.height"
              draggable="false"
            />
            <span
              class="focus"
              aria-hidden="true"
              :style="{ left: `${form.file(each)!.focusX}%`, top: `${form.file(each)!.focusY}%` }"
            />
          </NButton>
          <IconFile v-else aria-hidden="true" />
          <div class="about">
            <a :href="form.file(each)!.address" target="_blank">{{ form.file(each)!.name }}</a>
            <p class="hint">
              {{ form.file(each)!.format }} · {{ kilobytes(form.file(each)!.bytes) }}
              <template v-if="form.file(each)!.width">
                ·
                {{ $t('form.size', { width: form.file(each)!.width, height: form.file(each)!.height }) }}</template
              >
            </p>
            <TextInput
              v-if="form.file(each)!.width && form.describe"
              maxlength="1000"
              :aria-label="`${$t('form.alt')}: ${form.file(each)!.name}`"
              :placeholder="$t('form.alt')"
              :value="form.file(each)!.alt"
              @change="form.describe!(form.file(each)!, $event, form.file(each)!.focusX, form.file(each)!.focusY)"
            />
          </div>
          <div v-if="!form.readonly()" class="row tools">
            <RowTools
              :at="at"
              :count="ids.length"
              :ordered="many && ids.length > 1"
              :removal="$t('form.takeOut', { label: form.file(each)!.name })"
              @move="move(at, at + $event)"
              @remove="put(ids.filter((id) => id !== each))"
            />
          </div>
        </template>
        <span v-else class="muted">{{ $t('form.gone') }}</span>
      </li>
    </ul>
    <p v-if="!form.upload" class="hint">{{ $t(image ? 'form.noUpload' : 'proof.file') }}</p>
    <div v-else-if="!form.readonly()">
      <FilePicker
        area
        :accept="accept || undefined"
        :multiple="many"
        :label="$t(image ? 'form.fileOf' : 'form.documentOf', { label: field.label })"
        :hint="$t(many ? 'form.dropMany' : 'form.drop')"
        @files="take"
      />
      <template v-if="form.library">
        <NButton class="library" size="small" @click="isPicking = hasPicked = true">{{ $t('form.library') }}</NButton>
        <MediaPicker
          v-if="hasPicked"
          v-model="isPicking"
          :site="form.library.site()"
          :pictures="image"
          :many="many"
          :taken="ids"
          @pick="pick"
        />
      </template>
      <div v-for="each in waiting" :key="each.file.name" class="waiting">
        <p>
          <strong>{{ each.file.name }}</strong> <span class="hint">{{ kilobytes(each.file.size) }}</span>
        </p>
        <NProgress
          v-if="each.part"
          type="line"
          :percentage="Math.round(each.part * 100)"
          :aria-label="each.file.name"
        />
        <template v-else-if="image">
          <label class="label" :for="`${id}-alt-${each.file.name}`">{{ $t('form.alt') }}</label>
          <TextInput :id="`${id}-alt-${each.file.name}`" v-model:value="each.alt" maxlength="1000" />
          <p class="hint">{{ $t('form.altHint') }}</p>
        </template>
        <Problems :of="each.problems" />
      </div>
      <NButton
        v-if="waiting.length && (image || waiting.some((each) => each.problems.length))"
        size="small"
        @click="sendAll"
        >{{ $t(ids.length && !many ? 'form.replace' : image ? 'form.upload' : 'form.uploadFile') }}</NButton
      >
    </div>
  </div>
</template>

<style scoped>
.files {
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.file {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  padding: 4px 0;
}
.file[draggable='true'] {
  cursor: grab;
}
.over {
  outline: 2px solid var(--petrol);
  border-radius: 4px;
}
.tools {
  gap: 0;
}
.library {
  margin-top: 8px;
}
.about {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
.picture {
  position: relative;
  height: auto;
}
.picture :deep(.n-button__content) {
  position: relative;
  display: block;
}
.picture img {
  display: block;
  width: 120px;
  height: auto;
  max-height: 120px;
  object-fit: cover;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.focus {
  position: absolute;
  width: 12px;
  height: 12px;
  margin: -6px;
  border: 2px solid var(--surface);
  border-radius: 50%;
  outline: 2px solid var(--petrol);
}
.waiting {
  margin: 8px 0;
}
</style>
