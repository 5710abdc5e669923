<script setup lang="ts">
import StarterKit from '@tiptap/starter-kit';
import { EditorContent, useEditor } from '@tiptap/vue-3';
import { computed, nextTick, ref, watch } from 'vue';
import type { FieldOf } from '@/shared/kinds';
import { useForm } from './form';
import { NButton } from 'naive-ui';
import TextInput from '@/shared/controls/TextInput.vue';

/** Formatted text, with buttons for what the field allows. */
const props = defineProps<{ id: string; field: FieldOf<'rich_text'>; value: unknown; invalid: boolean }>();
const emit = defineEmits<{ change: [unknown] }>();
const form = useForm();
const linking = ref(false);
const address = ref('');
const text = computed(() => (typeof props.value === 'string' ? props.value : ''));
const allows = computed(() => new Set<string>(props.field.formats ?? ['bold', 'italic', 'links', 'lists']));
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
    }),
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
  return all.filter((tool) => allows.value.has(tool.format));
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
  height: auto;
  padding: 8px 10px;
}
.editor :deep(.rich p) {
  margin: 0 0 8px;
}
.linking {
  padding: 4px 8px;
}
</style>
