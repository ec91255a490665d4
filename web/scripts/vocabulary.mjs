import { readdirSync, readFileSync } from 'node:fs';
import { basename } from 'node:path';
import tsBlankSpace from 'ts-blank-space';

const NAME = 'virtual:vocabulary';
const FOLDER = new URL('../src/recipes/vocabulary/', import.meta.url);

/** What they take in from elsewhere. */
const BESIDE = [new URL('../src/core/usual.ts', import.meta.url)];

/** The words of recipes as JavaScript by the names of their files, for the machine that recipes run in. */
export function vocabulary() {
  return {
    name: 'vocabulary',
    resolveId: (id) => (id === NAME ? `\0${NAME}` : undefined),
    load(id) {
      if (id !== `\0${NAME}`) return undefined;
      const all = {};
      const words = readdirSync(FOLDER).filter((f) => f.endsWith('.ts'));
      for (const url of [...words.map((file) => new URL(file, FOLDER)), ...BESIDE]) {
        this.addWatchFile(url.pathname);
        all[basename(url.pathname, '.ts')] = tsBlankSpace(readFileSync(url, 'utf8'));
      }
      return `export const vocabulary = ${JSON.stringify(all)};`;
    },
  };
}
