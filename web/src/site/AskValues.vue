<script setup lang="ts">
import { computed } from 'vue';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import TextInput from '@/shared/controls/TextInput.vue';
import { unconvertedValues } from './queries';

/** The values that a field cannot take, each with what it becomes. */
const props = defineProps<{ site: string; version: string; field: string; label: string; locked: boolean }>();
/** Corrections by the value as it stands. */
const corrections = defineModel<Record<string, string>>({ required: true });
const { data: found, problem } = useResource(() => unconvertedValues(props.site, props.version, props.field));

/** What was corrected and stands in no record here belongs to other sites: it is kept, and shown below. */
const rows = computed(() => {
  const here = found.value?.values ?? [];
  const known = new Set(here.map((each) => each.text));
  const elsewhere = Object.keys(corrections.value).filter((text) => !known.has(text));
  return [...here, ...elsewhere.map((text) => ({ text, records: 0 }))];
});

function set(text: string, to: string): void {
  const others = Object.entries(corrections.value).filter(([each]) => each !== text);
  corrections.value = Object.fromEntries(to.trim() === '' ? others : [...others, [text, to]]);
}
</script>

<template>
  <section class="values" :aria-label="$t('site.values.title', { label })">
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <template v-if="found">
      <p v-if="!rows.length" class="hint flat">{{ $t('site.values.none') }}</p>
      <template v-else>
        <p class="hint flat">{{ $t('site.values.hint') }}</p>
        <table class="table">
          <thead>
            <tr>
              <th>{{ $t('site.values.value') }}</th>
              <th class="num">{{ $t('site.values.records') }}</th>
              <th>{{ $t('site.values.becomes') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.text">
              <td class="text" dir="auto">{{ row.text }}</td>
              <td class="num">{{ row.records }}</td>
              <td>
                <TextInput
                  :value="corrections[row.text] ?? ''"
                  :disabled="locked"
                  dir="auto"
                  :aria-label="$t('site.values.becomesOf', { value: row.text })"
                  @update:value="set(row.text, $event)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="found.distinct > found.values.length" class="hint flat">
          {{
            $t(found.more ? 'site.values.mostOfMore' : 'site.values.most', {
              n: found.values.length,
              distinct: found.distinct,
            })
          }}
        </p>
      </template>
    </template>
  </section>
</template>

<style scoped>
.values {
  max-height: 420px;
  margin-top: 8px;
  overflow-y: auto;
}
.flat {
  margin: 0 0 4px;
}
table {
  max-width: 720px;
}
.text {
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
.num {
  width: 90px;
}
td:last-child {
  width: 260px;
}
</style>
