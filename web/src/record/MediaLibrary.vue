<script setup lang="ts">
import { NButton, NDrawer, NDrawerContent } from 'naive-ui';
import { refDebounced, useIntersectionObserver } from '@vueuse/core';
import { computed, ref, shallowRef, useTemplateRef } from 'vue';
import { useI18n } from 'vue-i18n';
import { useSession } from '@/session/session';
import Problems from '@/shared/Problems.vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';
import { kilobytes } from '@/shared/sizes';
import { renew, usePages } from '@/shared/api/queries';
import { mediaPages, ofMedia } from './queries';
import { addressOf } from './recordTypes';
import MediaThumb from './MediaThumb.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import Check from '@/shared/controls/Check.vue';
import { useConfirm } from '@/shared/controls/confirming';

/** All pictures and files of a site: found, described, and deleted where nothing uses them. */
const props = defineProps<{ site: string; workspace: string }>();
type Media = Schemas['MediaView'];
const { t } = useI18n();
const isConfirmed = useConfirm();
const session = useSession();
const search = ref('');
const words = refDebounced(search, 250);
const pictures = ref(false);
const failed = ref('');
const open = shallowRef<Schemas['OpenMedia']>();
const shown = ref(false);
const alt = ref('');
const focus = ref({ x: 50, y: 50 });
const end = useTemplateRef<HTMLElement>('end');

const found = usePages(() => mediaPages(props.site, words.value, pictures.value), {
  keeps: (key) => ofMedia(props.site).every((part, at) => key[at] === part),
});
const files = computed(() => found.pages.value?.flat() ?? []);
const known = computed(() => found.pages.value !== undefined);
const problem = computed(() => failed.value || found.problem.value);
useIntersectionObserver(end, ([entry]) => {
  if (entry?.isIntersecting) {
    found.more();
  }
});

async function look(file: Media): Promise<void> {
  try {
    const params = { path: { site: props.site, id: file.id } };
    take(await ask(api.GET('/api/sites/{site}/media/{id}', { params })));
    shown.value = true;
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

function take(next: Schemas['OpenMedia']): void {
  open.value = next;
  alt.value = next.file.alt;
  focus.value = { x: next.file.focusX, y: next.file.focusY };
}

async function describe(): Promise<void> {
  const file = open.value?.file;
  if (!file) {
    return;
  }
  try {
    const body = { alt: alt.value, focusX: focus.value.x, focusY: focus.value.y };
    const params = { path: { site: props.site, id: file.id } };
    const next = await ask(api.PUT('/api/sites/{site}/media/{id}', { params, body }));
    take(next);
    await renew(ofMedia(props.site));
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
  }
}

async function remove(): Promise<void> {
  const file = open.value?.file;
  if (!file || !(await isConfirmed(t('media.reallyDelete', { name: file.name }), t('record.delete')))) {
    return;
  }
  try {
    await ask(api.DELETE('/api/sites/{site}/media/{id}', { params: { path: { site: props.site, id: file.id } } }));
    await renew(ofMedia(props.site));
    shown.value = false;
  } catch (thrown) {
    failed.value = sentenceOf(thrown);
    shown.value = false;
  }
}

/** Where somebody clicks is what matters most. */
function point(event: MouseEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  focus.value = {
    x: Math.round(((event.clientX - box.left) / box.width) * 100),
    y: Math.round(((event.clientY - box.top) / box.height) * 100),
  };
}

const use = (each: Schemas['UseView']) =>
  `/w/${props.workspace}/records/${props.site}/${addressOf(each)}/${String(each.id)}`;
</script>

<template>
  <div class="stack">
    <h1>{{ $t('media.title') }}</h1>
    <div class="row">
      <TextInput
        v-model:value="search"
        class="find"
        :placeholder="$t('media.search')"
        :aria-label="$t('media.search')"
      />
      <Check v-model:checked="pictures">{{ $t('media.picturesOnly') }}</Check>
    </div>
    <Problems v-if="problem" :of="[{ sentence: problem, severity: 'blocker' }]" />
    <div v-if="known && files.length === 0" class="panel empty">
      <p>{{ $t(search || pictures ? 'media.noneFits' : 'media.none') }}</p>
    </div>
    <ul v-else class="grid">
      <li v-for="file in files" :key="file.id">
        <MediaThumb :file="file" @click="look(file)" />
      </li>
    </ul>
    <div ref="end" class="end" />
    <NDrawer v-model:show="shown" :width="420" :aria-label="open?.file.name">
      <NDrawerContent v-if="open" :title="open.file.name" closable>
        <div class="stack">
          <NButton
            v-if="open.file.width"
            text
            class="picture"
            :aria-label="$t('form.focusOf', { name: open.file.name })"
            @click="point"
          >
            <img :src="`${open.file.address}?width=640`" :alt="open.file.alt" />
            <span class="focus" :style="{ left: `${focus.x}%`, top: `${focus.y}%` }" />
          </NButton>
          <p class="hint">
            {{ open.file.format.toUpperCase() }}, {{ kilobytes(open.file.bytes)
            }}<template v-if="open.file.width"
              >, {{ $t('form.size', { width: open.file.width, height: open.file.height }) }}</template
            >. {{ $t('media.by', { name: open.file.createdBy }) }}
          </p>
          <template v-if="open.file.width">
            <div>
              <label class="label" for="media-alt">{{ $t('form.alt') }}</label>
              <TextInput id="media-alt" v-model:value="alt" maxlength="1000" :disabled="!session.mayWrite" />
              <p class="hint">{{ $t('form.focusHint') }}</p>
            </div>
            <NButton v-if="session.mayWrite" size="small" type="primary" @click="describe">{{
              $t('media.keep')
            }}</NButton>
          </template>
          <div>
            <span class="label">{{ $t('media.uses') }}</span>
            <ul v-if="open.uses.length" class="uses">
              <li v-for="each in open.uses" :key="`${each.key}/${each.id}`">
                <RouterLink :to="use(each)">{{ each.title }}</RouterLink> <span class="muted">{{ each.singular }}</span>
              </li>
            </ul>
            <p v-else class="muted">{{ $t('media.unused') }}</p>
          </div>
          <div class="row spread">
            <a :href="open.file.address" target="_blank">{{ $t('media.whole') }}</a>
            <NButton v-if="session.mayWrite && open.uses.length === 0" size="small" quaternary @click="remove">{{
              $t('record.delete')
            }}</NButton>
          </div>
        </div>
      </NDrawerContent>
    </NDrawer>
  </div>
</template>

<style scoped>
.find {
  width: 260px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.picture {
  display: block;
  width: 100%;
  height: auto;
  cursor: crosshair;
}
.picture :deep(.n-button__content) {
  position: relative;
  display: block;
}
.picture img {
  display: block;
  width: 100%;
  height: auto;
}
.focus {
  position: absolute;
  width: 14px;
  height: 14px;
  margin: -7px;
  border: 2px solid var(--surface);
  border-radius: 50%;
  outline: 2px solid var(--petrol);
}
.uses {
  margin: 0;
  padding-left: 16px;
}
.end {
  min-height: 1px;
}
</style>
