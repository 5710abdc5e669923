<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import IconEye from '~icons/tabler/eye';
import { sentenceOf } from '@/shared/api/client';
import type { FieldOf } from '@/shared/kinds';
import RowTools from './RowTools.vue';
import { isMany, listOf, same, useForm, type Offer } from './form';
import SearchInput, { type Found } from '@/shared/controls/SearchInput.vue';

/** Records or terms that a value leads to: found by typing, ordered, opened, and made where that is allowed. */
const props = defineProps<{
  id: string;
  field: FieldOf<'relation'> | FieldOf<'term'>;
  value: unknown;
  invalid: boolean;
}>();
const emit = defineEmits<{ change: [unknown] }>();
const { t } = useI18n();
const form = useForm();
const words = ref('');
const offers = ref<Offer[]>([]);
const problem = ref('');
const many = computed(() => isMany(props.field));
const chosen = computed(() => listOf(props.value));
const ordered = computed(() => props.field.kind === 'relation' && props.field.ordered === true);
const left = computed(() => offers.value.filter((offer) => !chosen.value.some((each) => same(each, offer.value))));
/** The words that the offers are about: nothing is made while they are still being looked for. */
const answered = ref<string>();
const mayAdd = computed(
  () =>
    answered.value === words.value.trim() &&
    (form.mayCreate?.(props.field) ?? false) &&
    words.value.trim() !== '' &&
    !offers.value.some((offer) => offer.label.toLowerCase() === words.value.trim().toLowerCase()),
);
let asked = 0;

const look = useDebounceFn(async () => {
  const mine = ++asked;
  const wanted = words.value.trim();
  try {
    const found = await form.search(props.field, wanted);
    if (mine === asked) {
      offers.value = found;
      answered.value = wanted;
      problem.value = '';
    }
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}, 150);

function put(next: unknown[]): void {
  emit('change', many.value ? next : (next[next.length - 1] ?? null));
}

function choose(offer: Offer | undefined): void {
  if (offer) {
    put(many.value ? [...chosen.value, offer.value] : [offer.value]);
    words.value = '';
    void look();
  }
}

async function make(): Promise<void> {
  try {
    const made = await form.create?.(props.field, words.value.trim());
    choose(made);
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

/** A look at what a value leads to, without going there. */
const peeked = ref('');
const lines = ref<{ label: string; text: string }[]>([]);
async function peek(value: unknown): Promise<void> {
  const key = JSON.stringify(value);
  if (peeked.value === key) {
    peeked.value = '';
    return;
  }
  try {
    lines.value = (await form.preview?.(props.field, value)) ?? [];
    peeked.value = key;
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
}

function move(at: number, by: number): void {
  const next = [...chosen.value];
  const [one] = next.splice(at, 1);
  next.splice(at + by, 0, one);
  put(next);
}

const MAKE = 'make:';
const found = computed((): Found[] => [
  ...left.value.map(({ key, label, detail, depth }) => ({ value: key, label, detail, depth })),
  ...(mayAdd.value ? [{ value: MAKE, label: t('form.make', { label: words.value.trim() }) }] : []),
]);

function pick(value: string): void {
  if (value === MAKE) {
    void make();
  } else {
    choose(left.value.find((offer) => offer.key === value));
  }
}

/** Backspace before any word takes the last one out. */
function onKey(event: KeyboardEvent): void {
  if (event.key === 'Backspace' && words.value === '' && chosen.value.length) {
    put(chosen.value.slice(0, -1));
  }
}
</script>

<template>
  <div class="links">
    <ul v-if="chosen.length" :aria-labelledby="`${id}-label`">
      <li v-for="(each, at) in chosen" :key="JSON.stringify(each)" class="row">
        <a v-if="form.open?.(field, each)" :href="form.open(field, each)" target="_blank">{{
          form.name(field, each)?.label ?? $t('form.gone')
        }}</a>
        <span v-else>{{ form.name(field, each)?.label ?? $t('form.gone') }}</span>
        <span class="muted small">{{ form.name(field, each)?.detail }}</span>
        <NButton
          v-if="form.preview"
          size="tiny"
          quaternary
          :aria-label="$t('form.preview', { label: form.name(field, each)?.label ?? $t('form.gone') })"
          :aria-expanded="peeked === JSON.stringify(each)"
          @click="peek(each)"
          ><IconEye
        /></NButton>
        <RowTools
          v-if="!form.readonly()"
          :at="at"
          :count="chosen.length"
          :ordered="ordered"
          :removal="$t('form.takeOut', { label: form.name(field, each)?.label ?? $t('form.gone') })"
          @move="move(at, $event)"
          @remove="put(chosen.filter((_, i) => i !== at))"
        />
        <dl v-if="peeked === JSON.stringify(each)" class="peek">
          <template v-for="line in lines" :key="line.label">
            <dt>{{ line.label }}</dt>
            <dd>{{ line.text }}</dd>
          </template>
          <dd v-if="!lines.length" class="muted">{{ $t('form.noRows') }}</dd>
        </dl>
      </li>
    </ul>
    <SearchInput
      v-if="!form.readonly()"
      :id="id"
      v-model:words="words"
      :found="found"
      :settled="answered === words.trim()"
      :several="many"
      :none="$t('form.nothingFound')"
      :aria-labelledby="`${id}-label`"
      :aria-describedby="`${id}-help ${id}-problems`"
      :aria-invalid="invalid"
      :placeholder="$t(chosen.length && !many ? 'form.replaceLink' : 'form.findLink')"
      @open="look"
      @early="look"
      @pick="pick"
      @update:words="look"
      @keydown="onKey"
    />
    <p v-if="problem" class="problem">{{ problem }}</p>
  </div>
</template>

<style scoped>
.links ul {
  list-style: none;
  margin: 0 0 4px;
  padding: 0;
}
.links li {
  flex-wrap: wrap;
}
.peek {
  flex-basis: 100%;
  display: grid;
  grid-template-columns: minmax(80px, max-content) 1fr;
  gap: 2px 12px;
  margin: 0 0 6px;
  padding: 6px 10px;
  font-size: 13px;
  background: var(--ground);
  border-radius: 4px;
}
.peek dt {
  color: var(--muted);
}
.peek dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
