<script setup lang="ts">
import { NButton, NPopconfirm, NTable } from 'naive-ui';
import { computed, ref } from 'vue';
import { useI18n } from 'vue-i18n';
import { useRoute } from 'vue-router';
import { useWorkspace } from '@/frame/workspace';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, type Schemas } from '@/shared/api/client';
import { kilobytes } from '@/shared/sizes';
import { longTime } from '@/shared/time';
import { renew, useResource } from '@/shared/api/queries';
import { heldList } from './queries';
import { useTrying } from '@/shared/trying';
import HeldBack from './HeldBack.vue';
import HeldLook from './HeldLook.vue';
import Choice from '@/shared/controls/Choice.vue';

/** What runs took out of use on a site and keep. */
type Held = Schemas['HeldView'];
const { t } = useI18n();
const route = useRoute();
const workspace = useWorkspace();
const session = useSession();
const site = computed(() => String(route.params.site));
const name = computed(() => workspace.site(site.value)?.name ?? site.value);
const listed = useResource(() => heldList(site.value));
const all = listed.data;
const run = ref(typeof route.query.run === 'string' ? route.query.run : '');
const definition = ref('');
const looking = ref<Held>();
const returning = ref<Held>();
const purging = ref(false);
const { problem: failed, trying } = useTrying();
const problem = computed(() => failed.value || listed.problem.value);
const load = () => renew(heldList(site.value).queryKey);

const shown = computed(() =>
  (all.value?.held ?? []).filter(
    (held) =>
      (run.value === '' || String(held.runId) === run.value) &&
      (definition.value === '' || held.definition === definition.value),
  ),
);
const runs = computed(() =>
  [...new Map((all.value?.held ?? []).map((held) => [held.runId, held])).values()].map((held) => ({
    value: String(held.runId),
    label: versions(held),
  })),
);
const definitions = computed(() =>
  [...new Map((all.value?.held ?? []).map((held) => [held.definition, held.definitionName])).entries()].map(
    ([value, label]) => ({ value, label }),
  ),
);

/** All shown can go at once where they are those of one run or of one definition. */
const together = computed(() => {
  if (run.value !== '' && definition.value === '') {
    return { run: Number(run.value) };
  }
  return definition.value !== '' && run.value === '' ? { definition: definition.value } : undefined;
});

/** What somebody left in a column is of no run. */
const versions = (held: Held) =>
  held.runId === 0
    ? t('held.found')
    : t('site.versions', {
        from: held.fromVersion || t('site.nothingInstalled'),
        to: held.toVersion || t('site.nothingInstalled'),
      });

const what = (held: Held) =>
  held.fieldName ? t('held.field', { field: held.fieldName, of: held.definitionName }) : held.definitionName;

const amount = (held: Held) =>
  t(held.field ? 'held.values' : 'held.records', { n: held.values.toLocaleString('en-GB') }, held.values);

const purge = (query: { name?: string; run?: number; definition?: string }) =>
  trying(async () => {
    purging.value = true;
    await ask(api.DELETE('/api/sites/{site}/held', { params: { path: { site: site.value }, query } }));
    run.value = '';
    definition.value = '';
    await load();
  }).finally(() => (purging.value = false));
</script>

<template>
  <div class="page stack">
    <RouterLink :to="{ name: 'plan', params: { workspace: route.params.workspace, site } }">{{
      $t('site.plan', { site: name })
    }}</RouterLink>
    <h1>{{ $t('held.title', { site: name }) }}</h1>
    <p class="muted flat">{{ $t('held.hint') }}</p>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <p v-if="all && all.held.length === 0" class="panel empty flat">{{ $t('held.none') }}</p>
    <template v-if="all && all.held.length">
      <div v-if="runs.length > 1 || definitions.length > 1" class="row">
        <Choice
          v-model:value="run"
          class="filter"
          clearable
          :options="runs"
          :placeholder="$t('held.everyRun')"
          :aria-label="$t('held.run')"
        />
        <Choice
          v-model:value="definition"
          class="filter"
          clearable
          :options="definitions"
          :placeholder="$t('held.everyDefinition')"
          :aria-label="$t('held.definition')"
        />
        <NPopconfirm
          v-if="session.isArchitect && together && shown.length"
          :positive-text="$t('held.purge')"
          :negative-text="$t('common.cancel')"
          :positive-button-props="{ type: 'error' }"
          @positive-click="purge(together)"
        >
          <template #trigger>
            <NButton :loading="purging">{{ $t('held.purgeShown') }}</NButton>
          </template>
          {{ $t('held.reallyShown', { n: shown.length }, shown.length) }}
        </NPopconfirm>
      </div>
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th>{{ $t('held.what') }}</th>
            <th class="num">{{ $t('held.amount') }}</th>
            <th class="num">{{ $t('held.size') }}</th>
            <th>{{ $t('held.run') }}</th>
            <th>{{ $t('held.comesBack') }}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="held in shown" :key="held.name">
            <td>
              <strong>{{ what(held) }}</strong>
              <div v-if="held.kind" class="muted">{{ $t(`model.kinds.${held.kind}`) }}</div>
            </td>
            <td class="num">{{ amount(held) }}</td>
            <td class="num">{{ kilobytes(held.bytes) }}</td>
            <td>
              <template v-if="held.runId === 0">{{ versions(held) }}</template>
              <RouterLink
                v-else
                :to="{ name: 'run', params: { workspace: route.params.workspace, site, run: held.runId } }"
                >{{ versions(held) }}</RouterLink
              >
              <div class="muted">
                {{ held.at ? $t('held.by', { by: held.by, at: longTime(held.at) }) : held.by }}
              </div>
            </td>
            <td class="way">{{ $t(`held.ways.${held.way}`) }}</td>
            <td class="acts">
              <NButton size="small" :disabled="held.values === 0" @click="looking = held">{{
                $t('held.look')
              }}</NButton>
              <template v-if="session.isArchitect">
                <NButton size="small" :disabled="held.way !== 'open' || held.values === 0" @click="returning = held">{{
                  $t('held.bringBack')
                }}</NButton>
                <NPopconfirm
                  :positive-text="$t('held.purge')"
                  :negative-text="$t('common.cancel')"
                  :positive-button-props="{ type: 'error' }"
                  @positive-click="purge({ name: held.name })"
                >
                  <template #trigger>
                    <NButton size="small" :loading="purging" :aria-label="$t('held.purgeOf', { what: what(held) })">{{
                      $t('held.purge')
                    }}</NButton>
                  </template>
                  <p class="confirm">
                    {{ $t('held.really', { amount: amount(held), what: what(held) }) }}
                    <template v-if="held.undoNeeds">{{ $t('held.undoLost', { run: versions(held) }) }}</template>
                  </p>
                </NPopconfirm>
              </template>
            </td>
          </tr>
        </tbody>
      </NTable>
    </template>
    <section v-if="all?.purged.length" class="panel">
      <h2>{{ $t('held.purgedTitle') }}</h2>
      <ul>
        <li v-for="gone in all.purged" :key="gone.name">
          {{
            $t('held.purged', {
              n: gone.values.toLocaleString('en-GB'),
              what: gone.field || gone.definition,
              by: gone.by,
              at: longTime(gone.at),
            })
          }}
        </li>
      </ul>
    </section>
    <HeldLook v-if="looking" :site="site" :held="looking" :title="what(looking)" @close="looking = undefined" />
    <HeldBack
      v-if="returning"
      :site="site"
      :held="returning"
      :title="what(returning)"
      @close="
        returning = undefined;
        load();
      "
    />
  </div>
</template>

<style scoped>
.flat {
  margin: 0;
}
.filter {
  width: 240px;
}
.n-table th.num,
.n-table td.num {
  text-align: right;
}
.way {
  max-width: 240px;
}
.acts {
  white-space: nowrap;
  text-align: right;
}
.acts > * {
  margin-left: 8px;
  vertical-align: middle;
}
.confirm {
  margin: 0;
  max-width: 320px;
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
</style>
