import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** What `vite build --mode gallery` makes: the controls on a page of their own, for tests. */
const gallery = { outDir: 'target/gallery', rollupOptions: { input: 'gallery.html' } };

/** Typefaces of sites, by their words in looks, with the packages that they come from. */
const typefaces = {
  hyperlegible: 'atkinson-hyperlegible-next',
  work_sans: 'work-sans',
  literata: 'literata',
  source_serif: 'source-serif-4',
  bitter: 'bitter',
  fraunces: 'fraunces',
};

/** Puts typefaces where the pages of sites find them: a style sheet for each, and the files that it leads to. */
function sitesTypefaces(): Plugin {
  return {
    name: 'sites-typefaces',
    generateBundle() {
      for (const [word, name] of Object.entries(typefaces)) {
        const folder = new URL(`./node_modules/@fontsource-variable/${name}/`, import.meta.url);
        const read = (file: string): Buffer => readFileSync(new URL(file, folder));
        const emit = (fileName: string, source: Buffer | string): void => {
          this.emitFile({ type: 'asset', fileName: `public/typefaces/${fileName}`, source });
        };
        emit(`${word}.css`, `${read('wght.css').toString()}${read('wght-italic.css').toString()}`);
        emit(`${word}-licence.txt`, read('LICENSE'));
        for (const file of readdirSync(new URL('files/', folder)).filter((each) => /-wght-\w+\.woff2$/.test(each))) {
          emit(`files/${file}`, read(`files/${file}`));
        }
      }
    },
  };
}

export default defineConfig(({ mode }) => ({
  plugins: [vue(), icons({ compiler: 'vue3' }), ...(mode === 'gallery' ? [] : [sitesTypefaces()])],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  server: {
    fs: { allow: ['..'] },
    proxy: Object.fromEntries(['/api', '/at', '/public'].map((path) => [path, 'http://127.0.0.1:8080'])),
  },
  build: {
    target: 'es2023',
    license: { fileName: 'licenses/interface.txt' },
    chunkSizeWarningLimit: 900,
    ...(mode === 'gallery' ? gallery : {}),
  },
  test: {
    environment: 'happy-dom',
    // one world for all files: to make one for each takes longer than the tests themselves
    isolate: false,
    // how fast a machine is says nothing of what is tested
    testTimeout: 30_000,
    setupFiles: ['src/shared/testing/setup.ts'],
    environmentOptions: { happyDOM: { url: 'http://localhost/' } },
    reporters: ['default', 'junit'],
    outputFile: { junit: 'target/vitest.xml' },
  },
}));
