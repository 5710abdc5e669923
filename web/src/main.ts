import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import './theme/theme.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { i18n } from './shared/i18n';
import { tellRefusals } from './shared/notice';

const app = createApp(App).use(createPinia()).use(i18n).use(router);
tellRefusals(app);
app.mount('#app');
