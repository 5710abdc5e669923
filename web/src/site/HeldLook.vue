<script setup lang="ts">
import { NButton, NDrawer, NDrawerContent, NTable } from 'naive-ui';
import { computed, onMounted, ref } from 'vue';
import Problems from '@/shared/Problems.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { useTrying } from '@/shared/trying';
import Check from '@/shared/controls/Check.vue';

/** The held values of one field or definition, record by record. */
const props = defineProps<{ site: string; held: Schemas['HeldView']; title: string }>();
const emit = defineEmits<{ close: [] }>();
const fields = ref<string[]>([]);
const records = ref<Schemas['HeldRecordView'][]>([]);
const next = ref<number>();
const lacking = ref(false);
const { problem, busy, trying } = useTrying();
const base = computed(() => `/api/sites/${encodeURIComponent(props.site)}/held/${props.held.name}`);
const formats = ['csv', 'xlsx', 'jsonl'] as const;

const more = () =>
  trying(async () => {
    const page = await ask(
      api.GET('/api/sites/{site}/held/{name}', {
        params: {
          path: { site: props.site, name: props.held.name },
          query: { after: next.value ?? 0, most: 50, lacking: lacking.value },
        },
      }),
    );
    fields.value = page.fields;
    records.value.push(...page.records);
    next.value = page.next ?? undefined;
  });

function again(): void {
  records.value = [];
  next.value = undefined;
  void more();
}

onMounted(more);
</script>

<template>
  <NDrawer
    :show="true"
    :aria-label="$t('held.lookTitle', { what: title })"
    :width="720"
    placement="right"
    @update:show="emit('close')"
  >
    <NDrawerContent :title="$t('held.lookTitle', { what: title })" closable>
      <div class="stack">
        <div class="row">
          <span class="muted">{{ $t('held.export') }}</span>
          <a v-for="format in formats" :key="format" :href="`${base}/export.${format}`" download>{{
            $t(`held.formats.${format}`)
          }}</a>
        </div>
        <Check v-if="held.field && held.way === 'open'" v-model:checked="lacking" @update:checked="again">{{
          $t('held.lacking')
        }}</Check>
        <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
        <NTable v-if="records.length" size="small" :bordered="false">
          <thead>
            <tr>
              <th>{{ $t('held.record') }}</th>
              <th v-for="field in fields" :key="field">{{ field }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="record in records" :key="record.id">
              <td>
                {{ record.title || record.id }}
                <div v-if="record.state === 'deleted' || (!record.state && held.field)" class="muted">
                  {{ $t(record.state === 'deleted' ? 'held.deleted' : 'held.gone') }}
                </div>
              </td>
              <td v-for="(value, i) in record.values" :key="i" class="value">{{ value }}</td>
            </tr>
          </tbody>
        </NTable>
        <div>
          <NButton v-if="next" :loading="busy" @click="more">{{ $t('held.more') }}</NButton>
        </div>
      </div>
    </NDrawerContent>
  </NDrawer>
</template>

<style scoped>
.value {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
</style>
