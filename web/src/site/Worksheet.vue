<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { useI18n } from 'vue-i18n';
import type { Schemas } from '@/shared/api/client';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import AskPanel from './AskPanel.vue';
import { about, common, decision, keyOf, said, type Ask } from './answers';

/** The questions of a plan as a table, by what they are about; the one that is chosen beside it, with its values. */
const props = defineProps<{ site: string; version: string; asks: Ask[]; locked: boolean }>();
const emit = defineEmits<{ decide: [Schemas['DecisionBody'][]] }>();
const { t } = useI18n();
const picked = ref('');
const chosen = ref<string[]>([]);
const together = ref('');

const groups = computed(() => {
  const byHolder = new Map<string, Ask[]>();
  props.asks.forEach((ask) => byHolder.set(ask.holder, [...(byHolder.get(ask.holder) ?? []), ask]));
  return [...byHolder];
});
/** The one that somebody picked, or else the first that is open. */
const shown = computed(
  () => props.asks.find((ask) => keyOf(ask) === picked.value) ?? props.asks.find((ask) => !ask.answer) ?? props.asks[0],
);
// it stays when other questions come in before it
watch(
  shown,
  (now) => {
    picked.value = now ? keyOf(now) : '';
  },
  { immediate: true },
);
const several = computed(() => props.asks.filter((ask) => chosen.value.includes(keyOf(ask))));
const answers = computed(() =>
  common(several.value).map((value) => ({
    value,
    label: t(`plan.said.${value}`),
  })),
);
const answer = computed(() =>
  answers.value.some((each) => each.value === together.value) ? together.value : (answers.value[0]?.value ?? ''),
);

function decide(given: Schemas['DecisionBody']): void {
  emit('decide', [given]);
}

function decideAll(): void {
  emit(
    'decide',
    several.value.map((ask) => decision(ask, answer.value)),
  );
  chosen.value = [];
}

function choose(ask: Ask, on: boolean): void {
  const others = chosen.value.filter((key) => key !== keyOf(ask));
  chosen.value = on ? [...others, keyOf(ask)] : others;
}
</script>

<template>
  <div class="sheet">
    <section class="panel questions" :aria-label="$t('plan.table.title')">
      <div v-if="several.length > 1" class="row together">
        <strong>{{ $t('plan.several.chosen', { n: several.length }, several.length) }}</strong>
        <template v-if="answers.length">
          <Choice
            class="answer"
            :value="answer"
            :options="answers"
            :aria-label="$t('plan.several.answer')"
            @update:value="together = $event"
          />
          <NButton size="small" type="primary" @click="decideAll">{{ $t('plan.several.save') }}</NButton>
        </template>
        <span v-else class="hint">{{ $t('plan.several.nothing') }}</span>
      </div>
      <table class="table">
        <thead>
          <tr>
            <th v-if="!locked" class="pick">
              <span class="hidden">{{ $t('plan.several.answer') }}</span>
            </th>
            <th>{{ $t('plan.table.what') }}</th>
            <th class="num">{{ $t('plan.table.records') }}</th>
            <th>{{ $t('plan.table.example') }}</th>
            <th>{{ $t('plan.table.answer') }}</th>
            <th class="state">
              <span class="hidden">{{ $t('plan.table.state') }}</span>
            </th>
          </tr>
        </thead>
        <tbody v-for="[holder, some] in groups" :key="holder">
          <tr class="holder">
            <th :colspan="locked ? 5 : 6" scope="rowgroup">{{ holder }}</th>
          </tr>
          <tr
            v-for="ask in some"
            :key="keyOf(ask)"
            class="ask-row"
            :class="{ shown: ask === shown }"
            @click="picked = keyOf(ask)"
          >
            <td v-if="!locked" class="pick" @click.stop>
              <Check
                :checked="chosen.includes(keyOf(ask))"
                :aria-label="$t('plan.table.choose', { what: about(ask) })"
                @update:checked="choose(ask, $event)"
              />
            </td>
            <td>
              <NButton text class="what" :aria-pressed="ask === shown" @click.stop="picked = keyOf(ask)">{{
                about(ask)
              }}</NButton>
            </td>
            <td class="num">{{ ask.rows.toLocaleString('en') }}</td>
            <td class="muted example" dir="auto">
              {{ ask.example || (ask.about === 'required_empty' ? $t('plan.table.empty') : ask.proposed) }}
            </td>
            <td class="said" dir="auto">{{ said(ask) }}</td>
            <td class="state">
              <strong v-if="!ask.answer" class="open">{{ $t('plan.table.open') }}</strong>
              <span v-else class="done"
                ><span class="hidden">{{ $t('plan.table.done') }}</span></span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <AskPanel
      v-if="shown"
      :key="`${version} ${keyOf(shown)}`"
      class="one"
      :site="site"
      :ask="shown"
      :version="version"
      :locked="locked"
      @decide="decide"
    />
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
  gap: 16px;
  align-items: start;
}
@media (max-width: 1000px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
  }
}
.one {
  position: sticky;
  top: 12px;
}
.questions {
  padding: 0 0 8px;
  overflow: hidden;
}
.together {
  gap: 12px;
  padding: 8px 12px;
  background: var(--ground);
  flex-wrap: wrap;
}
.answer {
  width: 220px;
}
.holder th {
  background: var(--ground);
  color: var(--ink);
  font-weight: 650;
}
.ask-row {
  cursor: pointer;
}
.ask-row.shown {
  background: var(--petrol-soft);
}
.what {
  white-space: normal;
  text-align: start;
  font-weight: 500;
}
.shown .what {
  font-weight: 650;
}
.pick {
  width: 36px;
}
.num {
  width: 76px;
}
.example {
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.said {
  overflow-wrap: anywhere;
}
.state {
  width: 56px;
}
.open {
  color: var(--brass);
}
.done {
  display: inline-block;
  width: 8px;
  height: 8px;
  border-radius: 50%;
  background: var(--moss);
}
</style>
