<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import { useHelp } from '@/model/useHelp';
import TextInput from '@/shared/controls/TextInput.vue';
import { helpPages, type HelpPageName, type HelpPageText } from '@/shared/messages/help';
import SettingReference from './SettingReference.vue';
import { searchHelp } from './search';

/** The help: a page for each area, found by its name or by words. */
const route = useRoute();
const names = Object.keys(helpPages) as HelpPageName[];
const words = ref('');
const name = computed(() => names.find((each) => each === route.params.page) ?? 'first');
const page = computed<HelpPageText>(() => helpPages[name.value]);
const next = computed(() => names[names.indexOf(name.value) + 1]);
const hits = computed(() => searchHelp(helpPages, words.value));
const settings = useHelp();
const top = useTemplateRef<HTMLElement>('top');
watch(
  () => route.fullPath,
  () => (words.value = ''),
);
// what the settings do comes from the server, and moves what stands below
watch(
  [() => route.fullPath, settings],
  async () => {
    await nextTick();
    const target = document.getElementById(route.hash.slice(1)) ?? top.value;
    target?.scrollIntoView({ block: 'start' });
  },
  { immediate: true },
);

const pictures = import.meta.glob<string>('../../../docs/screenshots/*.png', {
  eager: true,
  query: '?url',
  import: 'default',
});
const pictureOf: Partial<Record<HelpPageName, string>> = {
  first: 'model',
  model: 'code',
  fields: 'workbook',
  relations: 'map',
  pages: 'pages',
  exchange: 'in-out',
  releases: 'releases',
  sites: 'plan',
  records: 'entry-form',
  public: 'public-page',
  accounts: 'accounts',
};
const picture = computed(() => pictures[`../../../docs/screenshots/${pictureOf[name.value] ?? ''}.png`]);
const licenses = ['interface', 'icons', 'server'] as const;
const lines = (text: string | undefined) => (text ?? '').split('\n').filter(Boolean);
const to = (at: string, section = '') => ({ name: 'help', params: { page: at }, hash: section && `#${section}` });
</script>

<template>
  <div ref="top" class="page help-page">
    <div class="aside">
      <TextInput v-model:value="words" :placeholder="$t('help.search')" :aria-label="$t('help.search')" />
      <nav :aria-label="$t('help.contents')">
        <RouterLink v-for="each in names" :key="each" :to="to(each)" :class="{ here: each === name }">{{
          helpPages[each].title
        }}</RouterLink>
      </nav>
      <p class="small licenses">
        <span>{{ $t('help.licenses.title') }}</span>
        <a v-for="each in licenses" :key="each" :href="`/licenses/${each}.txt`" target="_blank">{{
          $t(`help.licenses.${each}`)
        }}</a>
      </p>
    </div>
    <div v-if="words.trim()">
      <h1>{{ $t('help.title') }}</h1>
      <p role="status" class="muted">
        {{ hits.length ? $t('help.found', hits.length) : $t('help.nothing', { words: words.trim() }) }}
      </p>
      <ul class="hits">
        <li v-for="hit in hits" :key="`${hit.page}#${hit.section}`">
          <RouterLink :to="to(hit.page, hit.section)">{{ hit.title }}</RouterLink>
          <span v-if="hit.section" class="muted small">{{ hit.pageTitle }}</span>
          <p>{{ hit.excerpt }}</p>
        </li>
      </ul>
    </div>
    <div v-else>
      <h1>{{ page.title }}</h1>
      <p class="lead">{{ page.lead }}</p>
      <figure v-if="picture && page.picture">
        <img :src="picture" :alt="page.picture" width="1280" height="800" loading="lazy" />
      </figure>
      <section v-for="(section, key) in page.sections" :id="String(key)" :key="key">
        <h2>{{ section.title }}</h2>
        <p v-for="line in lines(section.text)" :key="line">{{ line }}</p>
        <ol v-if="section.steps">
          <li v-for="step in lines(section.steps)" :key="step">{{ step }}</li>
        </ol>
      </section>
      <SettingReference v-if="name === 'fields'" />
      <p v-if="next" class="next">
        <RouterLink :to="to(next)">{{ $t('help.next', { title: helpPages[next].title }) }}</RouterLink>
      </p>
    </div>
  </div>
</template>

<style scoped>
.help-page {
  display: grid;
  grid-template-columns: 220px minmax(0, 72ch);
  gap: 48px;
}
.aside {
  position: sticky;
  top: 24px;
  align-self: start;
  display: grid;
  gap: 16px;
}
.licenses {
  display: grid;
  gap: 2px;
  padding: 0 8px;
  color: var(--muted);
}
nav {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
nav a {
  padding: 4px 8px;
  border-radius: 4px;
  color: var(--ink);
  text-decoration: none;
}
nav a:hover {
  background: var(--raised);
}
nav a.here {
  background: var(--petrol-soft);
  font-weight: 600;
}
.lead {
  margin: 8px 0 24px;
  font-size: 17px;
  line-height: 26px;
}
figure {
  margin: 0 0 8px;
}
img {
  width: 100%;
  height: auto;
  border: 1px solid var(--line);
  border-radius: 4px;
}
section {
  padding-top: 24px;
  scroll-margin-top: 16px;
}
section p,
ol {
  margin: 8px 0 0;
  line-height: 24px;
}
ol {
  padding-left: 24px;
}
li + li {
  margin-top: 6px;
}
.hits {
  display: grid;
  gap: 16px;
  margin: 16px 0 0;
  padding: 0;
  list-style: none;
}
.hits p {
  margin: 2px 0 0;
}
.hits .small {
  display: block;
  margin: 0;
}
.next {
  margin-top: 32px;
  padding-top: 16px;
  border-top: 1px solid var(--line);
}
@media (max-width: 700px) {
  .help-page {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
  .aside {
    position: static;
  }
}
</style>
