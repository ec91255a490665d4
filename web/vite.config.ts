import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';
import { vocabulary } from './scripts/vocabulary.mjs';

// The core is served beside the page as it is: a WebAssembly module is not the bundler's to change.
export default defineConfig({
  base: './', // the page may lie below a path of a proxy's
  plugins: [react({ compiler: true }), vocabulary()],
  worker: { format: 'es', plugins: () => [vocabulary()] },
  build: { chunkSizeWarningLimit: 2000, assetsInlineLimit: 0 },
  // sheets are read by a test; how long one takes says nothing, so that it is ended only where it hangs
  test: { css: true, testTimeout: 120_000 },
  server: { proxy: { '/api': 'http://127.0.0.1:8080', '/core': 'http://127.0.0.1:8080' } },
});
