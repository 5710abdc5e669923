<script setup lang="ts">
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import EntryForm from '@/record/EntryForm.vue';
import { provideForm, type Offer } from '@/record/form';
import Problems from '@/shared/Problems.vue';
import type { Defined } from '@/shared/definitions';
import type { Field } from '@/shared/kinds';
import { useDraft } from './draft';
import { useProof } from './proof';

/** The entry form that the definition makes, with values to try: the form that editors will have. */
defineProps<{ of: Defined }>();
const { t } = useI18n();
const proof = useProof();
const draft = useDraft();
const touched = ref(new Set<string>());
const values = computed({
  get: () => proof.values,
  set: (next: Record<string, unknown>) => {
    proof.set(next);
  },
});
const empty = computed(() => !proof.answer?.first.length && !proof.answer?.groups.some((group) => group.fields.length));

/** Records and terms to try relations with; there are no real ones yet. */
function offers(field: Field): Offer[] {
  if (field.kind === 'term') {
    const terms = draft.ofSort('taxonomy').find((each) => each.id === field.taxonomy)?.terms ?? [];
    const flat = (some: typeof terms, depth: number): Offer[] =>
      some.flatMap((term) => [
        { key: term.key, label: term.label, value: term.key, depth },
        ...flat(term.children ?? [], depth + 1),
      ]);
    return flat(terms, 0);
  }
  if (field.kind === 'relation') {
    return draft.types
      .filter((type) => field.to.includes(type.id ?? ''))
      .flatMap((type) =>
        [1, 2, 3].map((n) => {
          const key = `${type.key}_${String(n)}`;
          return { key, label: `${type.singular} ${String(n)}`, value: key };
        }),
      );
  }
  return [];
}

provideForm({
  prefix: 'p',
  readonly: () => false,
  problems: (path) =>
    (proof.answer?.problems ?? []).filter(
      (problem) => problem.path === path && (touched.value.has(path.split('.')[0] ?? '') || !problem.required),
    ),
  hidden: (path) => proof.answer?.hidden.includes(path) ?? false,
  search: (field, words) =>
    Promise.resolve(offers(field).filter((offer) => offer.label.toLowerCase().includes(words.toLowerCase()))),
  name: (field, value) => offers(field).find((offer) => offer.value === value),
});
</script>

<template>
  <p class="hint first">{{ t('proof.formHint') }}</p>
  <template v-if="proof.answer && !proof.answer.code">
    <p>{{ t('proof.unreadable') }}</p>
    <Problems :of="proof.answer.findings" />
  </template>
  <template v-else-if="proof.answer">
    <EntryForm
      v-model="values"
      :first="proof.answer.first"
      :groups="proof.answer.groups"
      @touch="touched = new Set(touched).add($event)"
    />
    <p v-if="empty" class="hint">{{ t('proof.noFields') }}</p>
  </template>
</template>

<style scoped>
.first {
  margin: 0 0 12px;
}
</style>
