import { defineConfig } from 'vite';
import { vocabulary } from './scripts/vocabulary.mjs';

/** The language's own package asks where it lies, as scripts of an older kind do. */
const WHERE =
  "import { fileURLToPath } from 'node:url'; const __filename = fileURLToPath(import.meta.url), __dirname = __filename.replace(/[^/]*$/, '');";

// What runs recipes on the server: one file, with all it needs.
export default defineConfig({
  publicDir: false,
  plugins: [vocabulary()],
  ssr: { noExternal: true, target: 'node' },
  build: {
    ssr: 'scripts/recipe-runner.mjs',
    outDir: 'dist/recipes',
    minify: true,
    rollupOptions: { output: { entryFileNames: 'runner.mjs', codeSplitting: false, banner: WHERE } },
  },
});
