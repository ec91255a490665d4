import { readdirSync, readFileSync } from 'node:fs';
import tsBlankSpace from 'ts-blank-space';

const NAME = 'virtual:vocabulary';
const FOLDER = new URL('../src/recipes/vocabulary/', import.meta.url);

/** The words of recipes as JavaScript by the names of their files, for the machine that recipes run in. */
export function vocabulary() {
  return {
    name: 'vocabulary',
    resolveId: (id) => (id === NAME ? `\0${NAME}` : undefined),
    load(id) {
      if (id !== `\0${NAME}`) return undefined;
      const all = {};
      for (const file of readdirSync(FOLDER).filter((f) => f.endsWith('.ts'))) {
        const url = new URL(file, FOLDER);
        this.addWatchFile(url.pathname);
        all[file.replace(/\.ts$/, '')] = tsBlankSpace(readFileSync(url, 'utf8'));
      }
      return `export const vocabulary = ${JSON.stringify(all)};`;
    },
  };
}
