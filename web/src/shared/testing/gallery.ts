import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@/theme/theme.css';
import { createApp, h } from 'vue';
import { i18n } from '@/shared/i18n';
import Themed from '@/theme/Themed.vue';
import Gallery from './Gallery.vue';

createApp({ render: () => h(Themed, null, { default: () => h(Gallery) }) })
  .use(i18n)
  .mount('#app');
