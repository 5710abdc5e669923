<script setup lang="ts">
import StarterKit from '@tiptap/starter-kit';
import { EditorContent, useEditor } from '@tiptap/vue-3';
import { NButton } from 'naive-ui';
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import Choice from '@/shared/controls/Choice.vue';
import { sentenceOf } from '@/shared/api/client';
import TextInput from '@/shared/controls/TextInput.vue';
import type { FieldOf } from '@/shared/kinds';
import { useForm } from './form';
import { ListingInText, textDocument, ValueInText, type Insertion } from './insertions';

/** Formatted text, with buttons for what the field allows, and places for values and listings. */
const props = defineProps<{ id: string; field: FieldOf<'rich_text'>; value: unknown; invalid: boolean }>();
const emit = defineEmits<{ change: [unknown] }>();
const { t } = useI18n();
const form = useForm();
const linking = ref(false);
const address = ref('');
const text = computed(() => (typeof props.value === 'string' ? props.value : ''));
const allows = computed(() => new Set<string>(props.field.formats ?? ['bold', 'italic', 'links', 'lists']));
const inserts = computed(() => ['values', 'listings'].filter((format) => allows.value.has(format)));
/** What can be inserted; not known until it was asked for. */
const offered = shallowRef<Insertion[]>();
const inserting = ref(false);
const failed = ref('');
const picker = useTemplateRef<{ focus: () => void }>('picker');
const on = (format: string) => (allows.value.has(format) ? {} : (false as const));

const editor = useEditor({
  content: text.value,
  editable: !form.readonly(),
  extensions: [
    StarterKit.configure({
      bold: on('bold'),
      italic: on('italic'),
      heading: allows.value.has('headings') ? { levels: [2, 3, 4] } : false,
      bulletList: on('lists'),
      orderedList: on('lists'),
      listItem: on('lists'),
      blockquote: on('quotes'),
      code: on('code'),
      codeBlock: on('code'),
      link: allows.value.has('links') ? { openOnClick: false, autolink: true, protocols: ['mailto', 'tel'] } : false,
      strike: false,
      underline: false,
      horizontalRule: false,
      document: false,
    }),
    textDocument(allows.value.has('listings')),
    ...(allows.value.has('values') ? [ValueInText.configure({ labelOf })] : []),
    ...(allows.value.has('listings') ? [ListingInText.configure({ labelOf })] : []),
  ],
  editorProps: {
    attributes: {
      id: props.id,
      class: 'area rich',
      role: 'textbox',
      'aria-multiline': 'true',
      'aria-labelledby': `${props.id}-label`,
      'aria-describedby': `${props.id}-help ${props.id}-problems`,
    },
  },
  onUpdate: ({ editor: now }) => {
    emit('change', now.isEmpty ? null : now.getHTML());
  },
});

watch(text, (next) => {
  if (editor.value && next !== (editor.value.isEmpty ? '' : editor.value.getHTML())) {
    editor.value.commands.setContent(next, { emitUpdate: false });
  }
});

interface Tool {
  name: string;
  format: string;
  active: () => boolean;
  act: () => void;
}

/** What something in the text is called now; it says so where that is gone. */
function labelOf(sort: 'value' | 'listing', name: string): string {
  const found = offered.value?.find((each) => each.sort === sort && each.name === name);
  const unknown = offered.value ? t('form.inText.gone') : t(`form.inText.${sort}`);
  const label = found?.label ?? unknown;
  return found && sort === 'listing' ? t('form.inText.listed', { label }) : label;
}

watch(
  inserts,
  async (some) => {
    if (some.length && form.insertions) {
      try {
        offered.value = await form.insertions();
      } catch {
        // they keep their general names, and inserting asks again
      }
    }
  },
  { immediate: true },
);

const choices = computed(() =>
  (['value', 'listing'] as const)
    .filter((sort) => inserts.value.includes(`${sort}s`))
    .map((sort) => ({
      label: t(`form.inText.${sort}s`),
      options: (offered.value ?? [])
        .filter((each) => each.sort === sort)
        .map((each) => ({ value: `${sort} ${each.name}`, label: each.label })),
    }))
    .filter((group) => group.options.length > 0),
);

async function insert(): Promise<void> {
  failed.value = '';
  if (!offered.value && form.insertions) {
    try {
      offered.value = await form.insertions();
    } catch (thrown) {
      failed.value = sentenceOf(thrown);
      return;
    }
  }
  linking.value = false;
  inserting.value = true;
  await nextTick();
  picker.value?.focus();
}

function insertChosen(chosen: string): void {
  const [type = '', name = ''] = chosen.split(' ');
  inserting.value = false;
  editor.value?.chain().focus().insertContent({ type, attrs: { name } }).run();
}

function leaveInsert(): void {
  inserting.value = false;
  editor.value?.commands.focus();
}

const tools = computed<Tool[]>(() => {
  const now = editor.value;
  if (!now) {
    return [];
  }
  const all: Tool[] = [
    {
      name: 'bold',
      format: 'bold',
      active: () => now.isActive('bold'),
      act: () => now.chain().focus().toggleBold().run(),
    },
    {
      name: 'italic',
      format: 'italic',
      active: () => now.isActive('italic'),
      act: () => now.chain().focus().toggleItalic().run(),
    },
    {
      name: 'heading',
      format: 'headings',
      active: () => now.isActive('heading', { level: 2 }),
      act: () => now.chain().focus().toggleHeading({ level: 2 }).run(),
    },
    {
      name: 'subheading',
      format: 'headings',
      active: () => now.isActive('heading', { level: 3 }),
      act: () => now.chain().focus().toggleHeading({ level: 3 }).run(),
    },
    {
      name: 'bullets',
      format: 'lists',
      active: () => now.isActive('bulletList'),
      act: () => now.chain().focus().toggleBulletList().run(),
    },
    {
      name: 'numbers',
      format: 'lists',
      active: () => now.isActive('orderedList'),
      act: () => now.chain().focus().toggleOrderedList().run(),
    },
    {
      name: 'quote',
      format: 'quotes',
      active: () => now.isActive('blockquote'),
      act: () => now.chain().focus().toggleBlockquote().run(),
    },
    {
      name: 'code',
      format: 'code',
      active: () => now.isActive('code'),
      act: () => now.chain().focus().toggleCode().run(),
    },
    { name: 'link', format: 'links', active: () => now.isActive('link'), act: link },
  ];
  const insertion = { name: 'insert', format: '', active: () => inserting.value, act: () => void insert() };
  return [
    ...all.filter((tool) => allows.value.has(tool.format)),
    ...(inserts.value.length && form.insertions ? [insertion] : []),
  ];
});

function link(): void {
  const now = editor.value;
  if (!now) {
    return;
  }
  if (now.isActive('link')) {
    now.chain().focus().unsetLink().run();
    return;
  }
  address.value = '';
  linking.value = true;
  void nextTick(() => document.getElementById(`${props.id}-address`)?.focus());
}

function setLink(): void {
  linking.value = false;
  const href = address.value.trim();
  const chain = editor.value?.chain().focus();
  (href ? chain?.setLink({ href: /^[a-z][a-z0-9+.-]*:|^[/#]/i.test(href) ? href : `https://${href}` }) : chain)?.run();
}

function leaveLink(): void {
  linking.value = false;
  editor.value?.commands.focus();
}
</script>

<template>
  <div class="editor" :aria-invalid="invalid">
    <div v-if="!form.readonly()" class="tools" role="toolbar" :aria-label="$t('form.formatting')">
      <NButton
        v-for="tool in tools"
        :key="tool.name"
        quaternary
        size="tiny"
        :aria-pressed="tool.active()"
        @mousedown.prevent
        @click="tool.act()"
      >
        {{ $t(`form.tools.${tool.name}`) }}
      </NButton>
    </div>
    <div v-if="linking" class="row linking">
      <label class="small" :for="`${id}-address`">{{ $t('form.linkTo') }}</label>
      <TextInput
        :id="`${id}-address`"
        v-model:value="address"
        inputmode="url"
        placeholder="https://"
        @keydown.enter.prevent="setLink"
        @keydown.esc.prevent="leaveLink"
      />
      <NButton size="small" @click="setLink">{{ $t('form.setLink') }}</NButton>
    </div>
    <div v-if="inserting" class="row linking" @keydown.esc.prevent="leaveInsert">
      <label class="small" :for="`${id}-insert`">{{ $t('form.inText.insert') }}</label>
      <Choice
        :id="`${id}-insert`"
        ref="picker"
        class="inserted"
        small
        filterable
        :value="undefined"
        :options="choices"
        :placeholder="$t('form.inText.find')"
        @update:value="insertChosen"
      />
    </div>
    <Problems v-if="failed" :of="[{ sentence: failed, severity: 'blocker' }]" />
    <EditorContent :editor="editor" />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: 13px;
}
.tools .n-button[aria-pressed='true'] {
  font-weight: 650;
  text-decoration: underline;
}
.editor :deep(.rich) {
  min-height: 96px;
  padding: 8px 10px;
  border: 1px solid var(--control);
  border-radius: 4px;
}
.editor[aria-invalid='true'] :deep(.rich) {
  border-color: var(--rust);
}
.editor :deep(.rich p) {
  margin: 0 0 8px;
}
.linking {
  padding: 4px 8px;
}
.inserted {
  flex: 1;
}
.editor :deep(.insertion) {
  background: var(--ground);
  border: 1px solid var(--line);
  border-radius: 3px;
}
.editor :deep(.insertion.value) {
  padding: 0 5px;
}
.editor :deep(.insertion.listing) {
  padding: 6px 10px;
  margin: 0 0 8px;
}
.editor :deep(.insertion.ProseMirror-selectednode) {
  outline: 2px solid var(--petrol);
}
</style>
