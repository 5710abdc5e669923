<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { sentenceOf } from '@/shared/api/client';
import Segments from '@/shared/controls/Segments.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import type { Layout } from '@/shared/definitions';
import { uses, type PlaceUse, type Use } from './blocks';
import { addressOf, type Place } from './place';

/** What has pages, and for each use whether it is derived or laid out. */
const props = defineProps<{ selected: Place }>();
const router = useRouter();
const draft = useDraft();
const session = useSession();
const layouts = computed(() => draft.ofSort('layout'));
const holders = computed(() => [
  {
    title: 'types' as const,
    uses: ['index', 'head'] as readonly PlaceUse[],
    all: draft.types.map((each) => ({ id: each.id ?? '', name: each.plural, hasIndex: each.index?.on !== false })),
  },
  {
    title: 'taxonomies' as const,
    uses: ['head'] as readonly PlaceUse[],
    all: draft.ofSort('taxonomy').map((each) => ({ id: each.id ?? '', name: each.plural, hasIndex: false })),
  },
]);
const parts = computed(() => draft.ofSort('part'));
const looks = computed(() => draft.ofSort('look'));
const making = ref<'part' | 'look'>('part');
const name = ref('');
const problem = ref('');
const homes = computed(() => layouts.value.filter((layout) => !layout.type));

const isHome = computed(
  () => props.selected.type === '' && !['part', 'look'].includes(draft.find(props.selected.definition)?.sort ?? ''),
);

function of(type: string, use: Use): Layout[] {
  return layouts.value.filter((layout) => layout.type === type && (layout.use ?? 'page') === use);
}

function same(a: Place, b: Place): boolean {
  return a.type === b.type && a.use === b.use && a.definition === b.definition;
}

function places(type: string, use: Use): Place[] {
  const own = of(type, use);
  return own.length
    ? own.map((layout) => ({ type, use, definition: layout.id ?? '' }))
    : [{ type, use, definition: '' }];
}

const busy = ref(false);

/** A part shows values of the type that is open. A double click makes one. */
async function add(): Promise<void> {
  if (busy.value) {
    return;
  }
  busy.value = true;
  problem.value = '';
  const type = making.value === 'part' ? props.selected.type : '';
  try {
    const made = await draft.add(making.value, name.value, type || undefined);
    name.value = '';
    await router.push(
      addressOf(draft.workspace, { type, use: making.value === 'look' ? 'look' : 'page', definition: made }),
    );
  } catch (thrown) {
    problem.value = sentenceOf(thrown);
  } finally {
    busy.value = false;
  }
}

function nameOf(place: Place): string {
  return draft.find(place.definition)?.sort === 'layout'
    ? (layouts.value.find((each) => each.id === place.definition)?.title ?? '')
    : '';
}
</script>

<template>
  <nav class="outline" :aria-label="$t('layout.outline')">
    <ul>
      <li>
        <RouterLink
          :to="addressOf(draft.workspace, { type: '', use: 'page', definition: homes[0]?.id ?? '' })"
          :class="{ active: isHome }"
          :aria-current="isHome ? 'page' : undefined"
          >{{ $t('layout.home') }}
          <span v-if="!homes.length" class="muted">{{ $t('layout.derived') }}</span></RouterLink
        >
      </li>
    </ul>
    <section v-if="looks.length">
      <h2 class="title">{{ $t('layout.looks') }}</h2>
      <ul>
        <li v-for="look in looks" :key="look.id">
          <RouterLink
            :to="addressOf(draft.workspace, { type: '', use: 'look', definition: look.id ?? '' })"
            :class="{ active: selected.definition === look.id }"
            :aria-current="selected.definition === look.id ? 'page' : undefined"
            >{{ look.title }}</RouterLink
          >
        </li>
      </ul>
    </section>
    <section v-for="group in holders" :key="group.title">
      <h2 v-if="group.all.length" class="title">{{ $t(`layout.${group.title}`) }}</h2>
      <div v-for="holder in group.all" :key="holder.id" class="holder">
        <h3 dir="auto">{{ holder.name }}</h3>
        <ul>
          <template v-for="use in uses" :key="use">
            <li v-for="place in places(holder.id, use)" :key="place.definition">
              <RouterLink
                :to="addressOf(draft.workspace, place)"
                :class="{ active: same(selected, place) }"
                :aria-current="same(selected, place) ? 'page' : undefined"
                >{{ $t(`layout.uses.${use}`) }}
                <span class="muted">{{ nameOf(place) || $t('layout.derived') }}</span></RouterLink
              >
            </li>
          </template>
          <li v-for="use in group.uses" :key="use">
            <RouterLink
              :to="addressOf(draft.workspace, { type: holder.id, use, definition: '' })"
              :class="{ active: selected.use === use && selected.type === holder.id }"
              :aria-current="selected.use === use && selected.type === holder.id ? 'page' : undefined"
              >{{ $t(`layout.uses.${use}`) }}
              <span v-if="use === 'index' && !holder.hasIndex" class="muted">{{
                $t('layout.index.off')
              }}</span></RouterLink
            >
          </li>
        </ul>
      </div>
    </section>
    <section v-if="parts.length">
      <h2 class="title">{{ $t('layout.parts') }}</h2>
      <ul>
        <li v-for="part in parts" :key="part.id">
          <RouterLink
            :to="addressOf(draft.workspace, { type: part.type ?? '', use: 'page', definition: part.id ?? '' })"
            :class="{ active: selected.definition === part.id }"
            :aria-current="selected.definition === part.id ? 'page' : undefined"
            >{{ part.title }}</RouterLink
          >
        </li>
      </ul>
    </section>
    <form v-if="session.isArchitect" class="add" @submit.prevent="add">
      <Segments
        :value="making"
        :aria-label="$t('layout.making')"
        :options="[
          { value: 'part', label: $t('layout.makes.part') },
          { value: 'look', label: $t('layout.makes.look') },
        ]"
        @update:value="making = $event as 'part'"
      />
      <label class="small" for="new-part">{{ $t(making === 'part' ? 'layout.newPart' : 'layout.newLook') }}</label>
      <TextInput
        id="new-part"
        v-model:value="name"
        required
        maxlength="200"
        :placeholder="$t(`model.nameExample.${making}`)"
      />
      <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
      <NButton attr-type="submit" size="small" block>{{ $t('model.add') }}</NButton>
    </form>
  </nav>
</template>

<style scoped>
.outline {
  padding: 8px 0 16px;
}
.title {
  padding: 12px 12px 4px;
  font-size: 12px;
  color: var(--muted);
}
.holder h3 {
  margin: 0;
  padding: 6px 12px 2px;
  font-size: 13px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
a {
  display: flex;
  gap: 8px;
  padding: 3px 12px 3px 24px;
  color: inherit;
  text-decoration: none;
}
a:hover {
  background: var(--ground);
}
a.active {
  background: var(--surface);
  box-shadow: inset 3px 0 0 var(--petrol);
  font-weight: 600;
}
.add {
  display: flex;
  flex-direction: column;
  gap: 4px;
  margin-top: 12px;
  padding: 12px;
  border-top: 1px solid var(--line);
}
a .muted {
  font-weight: 400;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
