import { theCore } from '../core/load';
import type { Entity, Placed, Shot } from '../core/types';
import { useSequence } from './state';

let kept: { version: number; shots: Placed[] } = { version: -1, shots: [] };

/** The shots in their places, as the core has them: asked once for every edit and preview. */
export function programme(): Placed[] {
  const { version, id } = useSequence.getState();
  if (!id) return [];
  if (kept.version !== version) kept = { version, shots: theCore().programme() };
  return kept.shots;
}

/** The shots in their places, for a component. */
export function useProgramme(): Placed[] {
  useSequence((s) => s.version);
  return programme();
}

/** Which of the shots, from 0, a frame of the programme falls in; -1 outside. */
export function indexAt(reel: number, shots = programme()): number {
  let [low, high] = [0, shots.length - 1];
  if (high < 0 || reel < shots[0].first || reel >= shots[high].last + 1) return -1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (shots[middle].first <= reel) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The shot that a frame of the programme falls in. */
export const placedAt = (reel: number): Placed | undefined => programme()[indexAt(reel)];

/** The shot that the shown frame is seen in. */
export function shownShot(): Placed | undefined {
  const { reel } = useSequence.getState();
  return reel === null ? undefined : placedAt(reel);
}

/** A shot by its id. */
export function shotOf(id: string): Shot | undefined {
  const e = useSequence.getState().entities[id];
  return e?.kind === 'shot' ? e : undefined;
}

/** What the roster and the panels of things leave to the reel. */
export type OfTheCut = Extract<Entity, { kind: 'shot' } | { kind: 'cutEntry' }>;

export const isOfTheCut = (e: Entity): e is OfTheCut => e.kind === 'shot' || e.kind === 'cutEntry';
