<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { shortTime } from '@/shared/time';
import type { RecordType } from './recordTypes';
import { pathOf } from './links';
import { recordHistory } from './queries';
import { useResource } from '@/shared/api/queries';
import type { OpenRecord } from './useRecord';

/** How a record came to be what it is; any state can be brought back as a new one. */
const props = defineProps<{ site: string; recordType: RecordType; record: Schemas['RecordView']; mayWrite: boolean }>();
const emit = defineEmits<{ restored: [OpenRecord]; failed: [string] }>();
const past = useResource(() => recordHistory(props.site, props.recordType, props.record.id, props.record.version), {
  keepsLast: true,
});
const states = computed(() => past.data.value ?? []);
const notRestored = ref<string[]>([]);

async function restore(version: number): Promise<void> {
  const params = { path: { ...pathOf(props.site, props.recordType), id: props.record.id } };
  try {
    const restored = await ask(
      api.POST('/api/sites/{site}/{sort}/{key}/records/{id}/restore', {
        params,
        body: { current: props.record.version, version },
      }),
    );
    notRestored.value = restored.notRestored;
    emit('restored', restored.opened);
  } catch (thrown) {
    emit('failed', sentenceOf(thrown));
  }
}
</script>

<template>
  <section>
    <h2>{{ $t('record.history') }}</h2>
    <p v-if="notRestored.length" role="status" class="small">
      {{ $t('record.notRestored', { fields: notRestored.join(', ') }) }}
    </p>
    <ol>
      <li v-for="state in states" :key="state.version">
        <div class="row spread">
          <span
            >{{ state.by }} <span class="muted small">{{ shortTime(state.at) }}</span></span
          >
          <span v-if="state.current" class="muted small">{{ $t('record.now') }}</span>
          <NButton v-else-if="mayWrite" size="tiny" @click="restore(state.version)">{{ $t('record.restore') }}</NButton>
        </div>
        <ul v-if="state.changes.length">
          <li v-for="change in state.changes" :key="change.path" class="small">
            {{ change.label }}: <span class="muted">{{ change.before || $t('record.nothing') }}</span> →
            {{ change.after || $t('record.nothing') }}
          </li>
        </ul>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h2 {
  margin: 0 0 8px;
  font-size: 15px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
ol > li {
  padding: 6px 0;
  border-top: 1px solid var(--line);
  overflow-wrap: anywhere;
}
ul {
  margin: 2px 0 0;
  padding-left: 16px;
}
</style>
