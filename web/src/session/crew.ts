import { theCore } from '../core/load';
import type { Entity } from '../core/types';
import { byLetter } from './cameras';

/** What is in a sequence, in the order in which a crew speaks of it. */
export const CREW: { name: string; holds: (e: Entity, subjects: Set<string>) => boolean }[] = [
  { name: 'Cameras', holds: (e) => e.kind === 'camera' },
  { name: 'Subjects', holds: (e, s) => s.has(e.id) },
  { name: 'Set', holds: (e, s) => e.kind === 'piece' && !s.has(e.id) },
  { name: 'Marks', holds: (e) => e.kind === 'mark' },
  { name: 'Paths', holds: (e) => e.kind === 'path' },
  { name: 'Lights', holds: (e) => e.kind === 'light' || e.kind === 'air' },
  { name: 'Plates', holds: (e) => e.kind === 'plate' },
  { name: 'Layers', holds: (e) => e.kind === 'layer' },
  { name: 'Measures', holds: (e) => e.kind === 'measure' },
];

const byWords = new Intl.Collator(undefined, { numeric: true });

/** Cameras by letter, all else by name, with numbers in it as one counts. */
export const inCrew = (a: Entity, b: Entity): number =>
  a.kind === 'camera' && b.kind === 'camera' ? byLetter(a, b) : byWords.compare(a.name, b.name);

/** The ids of what the core takes for subjects. */
export const subjectsNow = (): Set<string> => new Set(theCore().subjects());
