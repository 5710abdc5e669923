<script setup lang="ts">
import { autocompletion, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands';
import { yaml } from '@codemirror/lang-yaml';
import { bracketMatching, defaultHighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap, lineNumbers } from '@codemirror/view';
import { NButton } from 'naive-ui';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import GeneratedCode from '@/release/GeneratedCode.vue';
import { useSession } from '@/session/session';
import Dialog from '@/shared/controls/Dialog.vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type FindingView } from '@/shared/api/client';
import { idOf, type Defined } from '@/shared/definitions';
import { wordsAt, type Schema } from './completion';
import { useDraft } from './draft';
import { useProof } from './proof';

/** The definition's file, to be read, and edited as one undoable step. */
const props = defineProps<{ of: Defined }>();
const draft = useDraft();
const proof = useProof();
const session = useSession();
const place = ref<HTMLElement>();
const edited = ref(false);
/** Whether code for other programs is looked at. */
const isCode = ref(false);
const stale = ref(false);
const findings = ref<FindingView[]>([]);
const problem = ref('');
let editor: EditorView | undefined;
let schema: Schema | undefined;
let before = props.of.definition;

function complete(context: CompletionContext): CompletionResult | null {
  const word = context.matchBefore(/[\w-]*/);
  if (!word || !schema || (word.from === word.to && !context.explicit)) {
    return null;
  }
  const before = context.state.doc.sliceString(0, word.from);
  const options = wordsAt(schema, before).map((each) => ({ label: each.word, info: each.about, type: each.type }));
  return options.length ? { from: word.from, options } : null;
}

function show(): void {
  const text = proof.answer?.code ?? '';
  if (editor && editor.state.doc.toString() !== text) {
    editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: text } });
  }
  edited.value = false;
  stale.value = false;
  findings.value = [];
  before = (proof.answered ?? props.of).definition;
}

function mark(): void {
  if (!editor) {
    return;
  }
  const doc = editor.state.doc;
  const diagnostics = findings.value.flatMap((finding): Diagnostic[] => {
    const [, line, column] = /:(\d+):(\d+)$/.exec(finding.place) ?? [];
    if (!line || Number(line) > doc.lines) {
      return [];
    }
    const at = doc.line(Number(line));
    const from = Math.min(at.from + Number(column ?? 1) - 1, at.to);
    return [
      { from, to: at.to, severity: finding.severity === 'blocker' ? 'error' : 'warning', message: finding.sentence },
    ];
  });
  editor.dispatch(setDiagnostics(editor.state, diagnostics));
}

async function apply(): Promise<void> {
  if (!editor) {
    return;
  }
  problem.value = '';
  await draft.flush();
  try {
    const result = await ask(
      api.POST('/api/workspaces/{workspace}/draft/definitions/{id}/code', {
        params: { path: { ...draft.path, id: idOf(props.of) }, query: draft.since() },
        body: { text: editor.state.doc.toString(), before },
      }),
    );
    findings.value = result.findings;
    if (result.draft) {
      draft.take(result.draft);
      edited.value = false;
      stale.value = false;
      before = (draft.find(idOf(props.of)) ?? props.of).definition;
    }
    mark();
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

onMounted(async () => {
  editor = new EditorView({
    parent: place.value,
    state: EditorState.create({
      doc: '',
      extensions: [
        lineNumbers(),
        history(),
        yaml(),
        bracketMatching(),
        syntaxHighlighting(defaultHighlightStyle, { fallback: true }),
        autocompletion({ override: [complete] }),
        lintGutter(),
        EditorView.lineWrapping,
        EditorState.readOnly.of(!session.isArchitect),
        // what can be typed in is in the order of Tab anyway; it is said for tools that do not know
        EditorView.contentAttributes.of({ 'aria-label': 'YAML', tabindex: '0' }),
        keymap.of([
          { key: 'Mod-Enter', run: () => (void apply(), true) },
          ...defaultKeymap,
          ...historyKeymap,
          indentWithTab,
        ]),
        EditorView.updateListener.of((update) => {
          if (update.docChanged && update.view.hasFocus) {
            edited.value = true;
          }
        }),
      ],
    }),
  });
  show();
  const schemas = (await ask(api.GET('/api/proof/schemas'))) as Record<string, Schema>;
  schema = schemas[props.of.sort];
});
onBeforeUnmount(() => editor?.destroy());
watch(
  () => proof.answer?.code,
  () => {
    if (edited.value) {
      stale.value = true;
    } else {
      show();
    }
  },
);
</script>

<template>
  <p class="hint first">{{ $t('proof.codeHint') }}</p>
  <div ref="place" class="editor" />
  <div v-if="session.isArchitect" class="row buttons">
    <NButton size="small" type="primary" :disabled="!edited" @click="apply">{{ $t('proof.apply') }}</NButton>
    <NButton size="small" :disabled="!edited && !findings.length" @click="show">{{ $t('proof.revert') }}</NButton>
    <span class="hint">{{ $t('proof.applyKey') }}</span>
    <NButton class="others" size="small" @click="isCode = true">{{ $t('proof.programs') }}</NButton>
  </div>
  <div v-else class="row buttons">
    <NButton class="others" size="small" @click="isCode = true">{{ $t('proof.programs') }}</NButton>
  </div>
  <Dialog v-model="isCode" :title="$t('release.code.draft')" :width="1100">
    <GeneratedCode :workspace="draft.workspace" version="draft" />
  </Dialog>
  <p v-if="stale" class="hint">{{ $t('proof.stale') }}</p>
  <Problems
    :of="
      findings.map((each) => ({
        ...each,
        sentence: `${each.place ? each.place.replace(/^.*?:(\d+):(\d+)$/, '$1:$2') + ' ' : ''}${each.sentence}`,
      }))
    "
  />
  <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
</template>

<style scoped>
.first {
  margin: 0 0 12px;
}
.editor {
  border: 1px solid var(--line);
  border-radius: 4px;
  overflow: hidden;
  background: var(--page);
}
.editor :deep(.cm-editor) {
  max-height: calc(100vh - 320px);
  font-size: 12px;
}
.editor :deep(.cm-content) {
  font-family: 'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace;
  color: var(--page-ink);
}
.editor :deep(.cm-gutters) {
  background: var(--page);
  color: var(--page-muted);
}
.buttons {
  flex-wrap: wrap;
  margin-top: 8px;
}
.others {
  margin-left: auto;
}
</style>
