/** The words of recipes as JavaScript, by the names of their files: made by scripts/vocabulary.mjs. */
declare module 'virtual:vocabulary' {
  export const vocabulary: Record<string, string>;
}
