<script setup lang="ts">
import { NButton } from 'naive-ui';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useSession } from '@/session/session';
import { isBare, type Defined } from '@/shared/definitions';
import DefinitionHead from './DefinitionHead.vue';
import PlainSheet from './PlainSheet.vue';
import TaxonomySheet from './TaxonomySheet.vue';
import TypeSheet from './TypeSheet.vue';
import { useDraft } from './draft';
import ControlSet from '@/shared/controls/ControlSet.vue';

const props = defineProps<{ of: Defined }>();
const draft = useDraft();
const session = useSession();
const locked = computed(() => !session.isArchitect);
const id = computed(() => props.of.definition.id ?? '');
const findings = computed(() => draft.findings.filter((finding) => finding.definition === id.value));
/** As it was left in this browser; what has nothing in it yet begins with its names. */
const usuallyOpen = useLocalStorage('jontrel.names', false);
const names = ref(false);
watch(id, () => (names.value = usuallyOpen.value || isBare(props.of)), { immediate: true });

function fold(open: boolean): void {
  names.value = open;
  usuallyOpen.value = open;
}
</script>

<template>
  <div class="stack">
    <DefinitionHead :of="of" :names="names" @update:names="fold" />
    <p v-if="locked" class="hint" style="margin: 0">{{ $t('model.readOnly') }}</p>
    <ControlSet :disabled="locked">
      <div class="stack">
        <TypeSheet
          v-if="of.sort === 'type'"
          :type="of.definition"
          :names="names"
          :findings="findings"
          :locked="locked"
          @change="draft.edit({ sort: 'type', definition: $event })"
        />
        <TaxonomySheet
          v-else-if="of.sort === 'taxonomy'"
          :taxonomy="of.definition"
          :names="names"
          :findings="findings"
          :locked="locked"
          @change="draft.edit({ sort: 'taxonomy', definition: $event })"
        />
        <PlainSheet v-else :of="of" :names="names" :findings="findings" :locked="locked" @change="draft.edit" />
        <div class="row last">
          <NButton quaternary size="small" :disabled="locked" @click="draft.remove(id)">{{
            $t('model.removeDefinition', { sort: $t(`model.sort.${of.sort}`) })
          }}</NButton>
        </div>
      </div>
    </ControlSet>
  </div>
</template>

<style scoped>
.last {
  justify-content: end;
}
</style>
