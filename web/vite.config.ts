import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { defineConfig } from 'vitest/config';

/** What `vite build --mode gallery` makes: the controls on a page of their own, for tests. */
const gallery = { outDir: 'target/gallery', rollupOptions: { input: 'gallery.html' } };

export default defineConfig(({ mode }) => ({
  plugins: [vue(), icons({ compiler: 'vue3' })],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  server: { fs: { allow: ['..'] }, proxy: { '/api': 'http://127.0.0.1:8080', '/at': 'http://127.0.0.1:8080' } },
  build: {
    target: 'es2023',
    license: { fileName: 'licenses/interface.txt' },
    chunkSizeWarningLimit: 900,
    ...(mode === 'gallery' ? gallery : {}),
  },
  test: {
    environment: 'happy-dom',
    // how fast a machine is says nothing of what is tested
    testTimeout: 30_000,
    setupFiles: ['src/shared/testing/setup.ts'],
    environmentOptions: { happyDOM: { url: 'http://localhost/' } },
    reporters: ['default', 'junit'],
    outputFile: { junit: 'target/vitest.xml' },
  },
}));
