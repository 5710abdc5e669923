<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue';
import Problems from '@/shared/Problems.vue';
import { innerOf } from '@/shared/definitions';
import type { Field } from '@/shared/kinds';
import FieldControl from './FieldControl.vue';
import FileControl from './FileControl.vue';
import LinkControl from './LinkControl.vue';
import RowsControl from './RowsControl.vue';
import { idOf, useForm } from './form';

/** One field of a form, whatever it holds. */
const props = defineProps<{ field: Field; path: string; value: unknown }>();
const emit = defineEmits<{ change: [unknown] }>();
const RichTextControl = defineAsyncComponent(() => import('./RichTextControl.vue'));
const form = useForm();
const id = computed(() => idOf(form, props.path));
const hidden = computed(() => form.hidden(props.path));
const problems = computed(() => form.problems(props.path).map(({ sentence }) => ({ sentence, severity: 'blocker' })));
const row = computed(() => (props.value ?? {}) as Record<string, unknown>);
const invalid = computed(() => problems.value.length > 0);

/** Whether there is one control that the label is for; other kinds are named by it. */
const single = computed(() => {
  const field = props.field;
  if (['repeater', 'group', 'file', 'image', 'rich_text', 'relation', 'term'].includes(field.kind)) {
    return false;
  }
  return !(
    (field.kind === 'choice' && (field.many === true || (field.shown ?? 'menu') !== 'menu')) ||
    (field.kind === 'number' && field.shown === 'marks')
  );
});

function setPart(key: string, value: unknown): void {
  emit('change', { ...row.value, [key]: value });
}
</script>

<template>
  <div v-if="!hidden" class="field" :class="field.width ?? 'full'" :data-field="path">
    <p v-if="field.kind === 'note'" class="note">{{ field.text }}</p>
    <template v-else>
      <component
        :is="single ? 'label' : 'span'"
        :id="`${id}-label`"
        class="label"
        :for="single ? id : undefined"
        dir="auto"
      >
        {{ field.label || field.key }}
        <span v-if="field.required" class="muted normal">({{ $t('form.required') }})</span>
      </component>
      <RowsControl
        v-if="field.kind === 'repeater'"
        :field="field"
        :path="path"
        :value="value"
        @change="emit('change', $event)"
      />
      <div v-else-if="field.kind === 'group'" class="card line" role="group" :aria-labelledby="`${id}-label`">
        <EntryField
          v-for="inner in innerOf(field)"
          :key="inner.id"
          :field="inner"
          :path="`${path}.${inner.key}`"
          :value="row[inner.key]"
          @change="setPart(inner.key, $event)"
        />
      </div>
      <LinkControl
        v-else-if="field.kind === 'relation' || field.kind === 'term'"
        :id="id"
        :field="field"
        :value="value"
        :invalid="invalid"
        @change="emit('change', $event)"
      />
      <FileControl
        v-else-if="field.kind === 'image' || field.kind === 'file'"
        :id="id"
        :field="field"
        :value="value"
        @change="emit('change', $event)"
      />
      <RichTextControl
        v-else-if="field.kind === 'rich_text'"
        :id="id"
        :field="field"
        :value="value"
        :invalid="invalid"
        @change="emit('change', $event)"
      />
      <FieldControl v-else :id="id" :field="field" :value="value" :invalid="invalid" @change="emit('change', $event)" />
      <p v-if="field.help" :id="`${id}-help`" class="hint">{{ field.help }}</p>
      <Problems :id="`${id}-problems`" :of="problems" />
    </template>
  </div>
</template>

<style scoped>
.field {
  grid-column: span 6;
  min-width: 0;
}
.field.half {
  grid-column: span 3;
}
.field.third {
  grid-column: span 2;
}
.field.two_thirds {
  grid-column: span 4;
}
.label {
  overflow-wrap: anywhere;
}
.normal {
  font-weight: 400;
}
.note {
  margin: 0;
  padding: 8px 12px;
  background: var(--petrol-soft);
  border-radius: 4px;
}
.card {
  padding: 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.line {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 8px;
}
</style>
