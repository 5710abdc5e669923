<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import TextInput from '@/shared/controls/TextInput.vue';
import { folded, grouped, pastedPairs } from './answers';
import { unconvertedValues } from './queries';

/** The values that a field cannot take, each with what it becomes; spellings of the same value stand together. */
const props = defineProps<{
  site: string;
  version: string;
  field: string;
  label: string;
  /** Values that are set aside already. */
  aside: string[];
  locked: boolean;
}>();
/** Corrections by the value as it stands. */
const corrections = defineModel<Record<string, string>>({ required: true });
const { data: found, problem } = useResource(() => unconvertedValues(props.site, props.version, props.field));
const { t } = useI18n();
const words = ref('');
const told = ref('');

/** What was corrected and stands in no record here belongs to other sites: it is kept, and shown below. */
const rows = computed(() => {
  const here = found.value?.values ?? [];
  const known = new Set(here.map((each) => each.text));
  const elsewhere = [...Object.keys(corrections.value), ...props.aside].filter((text) => !known.has(text));
  return grouped([...here, ...elsewhere.map((text) => ({ text, records: 0, readings: [] }))]);
});
const shown = computed(() => {
  const wanted = folded(words.value);
  return words.value.trim() ? rows.value.filter((row) => folded(row.text).includes(wanted)) : rows.value;
});

function set(text: string, to: string): void {
  const others = Object.entries(corrections.value).filter(([each]) => each !== text);
  corrections.value = Object.fromEntries(to.trim() === '' ? others : [...others, [text, to]]);
}

/** Other spellings of a value that is corrected, which are not. */
function alike(text: string): string[] {
  return corrections.value[text] === undefined
    ? []
    : rows.value
        .map((row) => row.text)
        .filter((each) => corrections.value[each] === undefined && folded(each) === folded(text));
}

function spread(text: string): void {
  const to = corrections.value[text] ?? '';
  corrections.value = { ...corrections.value, ...Object.fromEntries(alike(text).map((each) => [each, to])) };
}

/** Ways to read values that could be either of two, with the values that are still open. */
const readings = computed(() => {
  const ways = new Map<string, [string, string][]>();
  for (const { text, readings: all } of found.value?.values ?? []) {
    for (const { as, becomes } of corrections.value[text] === undefined ? all : []) {
      ways.set(as, [...(ways.get(as) ?? []), [text, becomes]]);
    }
  }
  return [...ways];
});

function read(as: [string, string][]): void {
  corrections.value = { ...corrections.value, ...Object.fromEntries(as) };
}

/** Two columns are a mapping; everything else is words to search for. */
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? '';
  const pairs = /[\t\n;]/.test(text) ? pastedPairs(text) : [];
  if (!pairs.length || props.locked) {
    return;
  }
  event.preventDefault();
  const here = new Set(rows.value.map((row) => row.text));
  const known = pairs.filter(([from]) => here.has(from));
  corrections.value = { ...corrections.value, ...Object.fromEntries(known) };
  const unknown = pairs.length - known.length;
  told.value = [
    t('plan.values.pasted', { n: known.length }, known.length),
    unknown ? t('plan.values.unknown', { n: unknown }, unknown) : '',
  ].join(' ');
}
</script>

<template>
  <section class="list" :aria-label="$t('site.values.title', { label })">
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <template v-if="found">
      <p v-if="!rows.length" class="hint flat">{{ $t('site.values.none') }}</p>
      <template v-else>
        <TextInput
          v-model:value="words"
          :placeholder="$t('plan.values.search')"
          :aria-label="$t('plan.values.search')"
          @paste="paste"
        />
        <p class="hint flat" role="status">{{ told || $t('site.values.hint') }}</p>
        <p v-if="readings.length" class="row flat readings">
          <span>{{ $t('plan.values.either') }}</span>
          <NButton v-for="[as, values] in readings" :key="as" size="tiny" :disabled="locked" @click="read(values)">{{
            $t(`plan.values.readings.${as}`, { n: values.length })
          }}</NButton>
        </p>
        <div class="scroll" tabindex="0">
          <table class="table">
            <thead>
              <tr>
                <th>{{ $t('site.values.value') }}</th>
                <th class="num">{{ $t('site.values.records') }}</th>
                <th>{{ $t('site.values.becomes') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in shown" :key="row.text">
                <td class="text" dir="auto">{{ row.text }}</td>
                <td class="num">{{ row.records }}</td>
                <td>
                  <TextInput
                    :value="corrections[row.text] ?? ''"
                    :disabled="locked"
                    :placeholder="aside.includes(row.text) ? $t('site.values.aside') : ''"
                    dir="auto"
                    :aria-label="$t('site.values.becomesOf', { value: row.text })"
                    @update:value="set(row.text, $event)"
                  />
                  <NButton v-if="alike(row.text).length" text size="tiny" @click="spread(row.text)">{{
                    $t('plan.values.alike', { n: alike(row.text).length }, alike(row.text).length)
                  }}</NButton>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="!shown.length" class="hint flat">{{ $t('plan.values.noneFound') }}</p>
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
.list {
  display: flex;
  flex-direction: column;
}
.flat {
  margin: 4px 0;
}
.readings {
  flex-wrap: wrap;
  gap: 8px;
}
.scroll {
  max-height: 340px;
  overflow-y: auto;
}
.text {
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
.num {
  width: 80px;
}
td:last-child {
  width: 45%;
}
</style>
