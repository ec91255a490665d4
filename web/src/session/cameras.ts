import type { Camera, Entity } from '../core/types';

/** How letters follow each other: A … Z, then AA. */
export const byLetter = (a: Camera, b: Camera): number =>
  a.letter.length - b.letter.length || a.letter.localeCompare(b.letter);

/** The cameras in the order of their letters. */
export const camerasOf = (entities: Record<string, Entity>): Camera[] =>
  Object.values(entities)
    .filter((e): e is Camera => e.kind === 'camera')
    .sort(byLetter);
