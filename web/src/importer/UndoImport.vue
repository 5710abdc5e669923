<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import { sentenceOf, type Schemas } from '@/shared/api/client';
import { askAgain } from '@/shared/api/queries';
import Problems from '@/shared/Problems.vue';
import Dialog from '@/shared/controls/Dialog.vue';
import { undoCounts } from './queries';

/** Says what undoing an import would do before it is done. */
const props = defineProps<{ site: string; id: number; busy: boolean }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ undo: [] }>();
const { t } = useI18n();
const counts = ref<Schemas['UndoCounts']>();
const problem = ref('');
const PARTS = ['removed', 'restored', 'changed', 'led'] as const;
const told = computed(() =>
  PARTS.flatMap((part) => {
    const n = counts.value?.[part] ?? 0;
    return n ? [t(`importer.undoes.${part}`, { n: n.toLocaleString('en') }, n)] : [];
  }),
);

watch(open, async (is) => {
  if (!is) {
    return;
  }
  counts.value = undefined;
  problem.value = '';
  try {
    counts.value = await askAgain(undoCounts(props.site, props.id));
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  }
});
</script>

<template>
  <Dialog v-model="open" :title="$t('importer.undoTitle')" :width="520">
    <div class="stack">
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <p v-else-if="!counts" class="muted" role="status">{{ $t('importer.counting') }}</p>
      <p v-else-if="!told.length" class="flat">{{ $t('importer.undoesNothing') }}</p>
      <ul v-else>
        <li v-for="each in told" :key="each">{{ each }}</li>
      </ul>
      <div class="row">
        <NButton type="primary" :disabled="!counts" :loading="busy" @click="emit('undo')">{{
          $t('importer.undoNow')
        }}</NButton>
        <NButton @click="open = false">{{ $t('common.cancel') }}</NButton>
      </div>
    </div>
  </Dialog>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 20px;
}
.flat {
  margin: 0;
}
</style>
