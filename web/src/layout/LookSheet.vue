<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import SaveState from '@/model/SaveState.vue';
import { useDraft } from '@/model/draft';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { useResource } from '@/shared/api/queries';
import Choice from '@/shared/controls/Choice.vue';
import ColourInput from '@/shared/controls/ColourInput.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import Segments from '@/shared/controls/Segments.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import type { Look } from '@/shared/definitions';
import type { Group } from '@/shared/kinds';
import BlockTree from './BlockTree.vue';
import LookNavigation from './LookNavigation.vue';
import ValueTextInput from './ValueTextInput.vue';
import { filled, type Block } from './blocks';
import { roles, shapes, typefaces, usual } from './looks';
import { shippedLooks } from './queries';
import { useWays } from './useWays';

/** What stands around all pages of a site. */
const props = defineProps<{ look: Look }>();
const emit = defineEmits<{ removed: [] }>();
const draft = useDraft();
const session = useSession();
const { data: shipped } = useResource(shippedLooks, { staleTime: Infinity });
const findings = computed(() => draft.findings.filter((finding) => finding.definition === props.look.id));
const own = computed(() => findings.value.filter((finding) => !finding.field));
const colours = computed(() => ({ ...usual.colours, ...props.look.colours }));
const none: Block[] = [];
const noGroups: Group[] = [];
const footer = computed(() => props.look.footer ?? none);
const ways = useWays(
  () => '',
  () => footer.value,
);
const all = computed(() => ways.value.get('') ?? []);

function set(change: Partial<Look>): void {
  draft.edit({ sort: 'look', definition: { ...props.look, ...change } });
}

/** What a shipped look leaves to the usual is the usual here as well. */
function begin(from: Look): void {
  const { id, key, title, description, tagline, navigation, footer: foot, style } = props.look;
  const kept = { id, key, title, description, tagline, navigation, footer: foot, style };
  draft.edit({ sort: 'look', definition: { ...from, ...filled(kept), key, title } });
}

async function remove(): Promise<void> {
  await draft.remove(props.look.id ?? '');
  emit('removed');
}
</script>

<template>
  <div class="sheet stack">
    <div class="row spread head">
      <h1 dir="auto">
        {{ look.title }} <span class="muted">{{ $t('layout.uses.look') }}</span>
      </h1>
      <SaveState />
    </div>
    <p class="hint about">{{ $t('layout.about.look') }}</p>
    <Problems :of="own" />
    <ControlSet :disabled="!session.isArchitect">
      <div class="panel stack">
        <div>
          <label class="small" for="look-title">{{ $t('layout.title') }}</label>
          <TypedInput id="look-title" dir="auto" :value="look.title" @typed="set({ title: $event })" />
        </div>
        <div v-if="shipped" class="row wrap" role="group" :aria-label="$t('layout.look.begin')">
          <span class="muted">{{ $t('layout.look.begin') }}</span>
          <NButton
            v-for="each in shipped"
            :key="each.code"
            size="small"
            :title="each.description"
            :aria-label="$t('layout.look.take', { name: each.title })"
            @click="begin(each.definition as Look)"
            >{{ each.title }}</NButton
          >
        </div>
        <p class="hint about">{{ $t('layout.look.beginHint') }}</p>
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.look.colours') }}</h2>
        <div class="colours">
          <div v-for="role in roles" :key="role">
            <label class="small" :for="`look-${role}`">{{ $t(`layout.look.colour.${role}`) }}</label>
            <ColourInput
              :id="`look-${role}`"
              :label="$t(`layout.look.colour.${role}`)"
              :value="colours[role]"
              @update:value="set({ colours: { ...look.colours, [role]: $event } })"
            />
          </div>
        </div>
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.look.letters') }}</h2>
        <div class="row wrap">
          <div v-for="of in ['text', 'headings'] as const" :key="of" class="long">
            <label class="small" :for="`look-face-${of}`">{{ $t(`layout.look.${of}`) }}</label>
            <Choice
              :id="`look-face-${of}`"
              :value="look[of] ?? usual[of]"
              :options="typefaces.map((each) => ({ value: each, label: $t(`layout.look.typefaces.${each}`) }))"
              @update:value="set({ [of]: $event as (typeof typefaces)[number] })"
            />
          </div>
          <div>
            <label class="small" for="look-size">{{ $t('layout.look.size') }}</label>
            <TypedInput
              id="look-size"
              class="size"
              inputmode="numeric"
              :value="String(look.size ?? usual.size)"
              @typed="set({ size: Number($event) || undefined })"
            />
          </div>
        </div>
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.look.shape') }}</h2>
        <div class="shapes">
          <template v-for="shape in shapes" :key="shape.name">
            <span class="muted" aria-hidden="true">{{ $t(`layout.look.${shape.name}`) }}</span>
            <Segments
              :value="look[shape.name] ?? usual[shape.name]"
              :aria-label="$t(`layout.look.${shape.name}`)"
              :options="shape.words.map((each) => ({ value: each, label: $t(`layout.look.words.${each}`) }))"
              @update:value="set({ [shape.name]: $event })"
            />
          </template>
        </div>
        <ValueTextInput
          id="look-tagline"
          :label="$t('layout.look.tagline')"
          :text="look.tagline ?? ''"
          :ways="all"
          @change="set({ tagline: $event || undefined })"
        />
      </div>
      <LookNavigation
        :links="look.navigation ?? []"
        @change="set({ navigation: $event.length ? $event : undefined })"
      />
      <div class="panel">
        <h2>{{ $t('layout.look.footer') }}</h2>
        <p class="hint about">{{ $t('layout.look.footerHint') }}</p>
        <BlockTree
          :blocks="footer"
          :ways="ways"
          :groups="noGroups"
          :findings="findings"
          :locked="!session.isArchitect"
          @change="set({ footer: $event.length ? $event : undefined })"
        />
      </div>
      <div class="panel stack">
        <h2>{{ $t('layout.look.style') }}</h2>
        <p class="hint about">{{ $t('layout.look.styleHint') }}</p>
        <TypedInput
          id="look-style"
          multiline
          mono
          rows="4"
          :aria-label="$t('layout.look.styleLabel')"
          :value="look.style ?? ''"
          @typed="set({ style: $event || undefined })"
        />
      </div>
      <div class="row last">
        <NButton quaternary size="small" :disabled="!session.isArchitect" @click="remove">{{
          $t('layout.look.remove')
        }}</NButton>
      </div>
    </ControlSet>
  </div>
</template>

<style scoped src="./sheet.css"></style>

<style scoped>
.colours {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 12px;
}
.shapes {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 12px;
  align-items: center;
}
.last {
  margin-top: 12px;
  justify-content: end;
}
</style>
