import { theCore } from '../core/load';
import type { Entity, Placed, Shot } from '../core/types';
import { useSequence } from './state';

let kept: { version: number; names: number; shots: Placed[] } = { version: -1, names: -1, shots: [] };
let places = new Float64Array(0);

const NONE: Placed[] = [];

/** Numbers that the core gives for each shot's place. */
const EACH = 4;

/** The shots in their places, as the core has them: asked once for every edit and preview. */
export function programme(): Placed[] {
  const { version, id } = useSequence.getState();
  if (!id) return NONE;
  if (kept.version === version) return kept.shots;
  const core = theCore();
  const names = core.programmeNames();
  if (names !== kept.names) return (kept = { version, names, shots: core.programme() }).shots;
  // only places are new, as while a shot is dragged: they come as numbers
  if (places.length !== kept.shots.length * EACH) places = new Float64Array(kept.shots.length * EACH);
  core.programmePlaces(places);
  const shots = kept.shots.map((p, i) => ({
    ...p,
    first: places[i * EACH],
    last: places[i * EACH + 1],
    sceneFirst: places[i * EACH + 2],
    sceneLast: places[i * EACH + 3],
  }));
  return (kept = { version, names, shots }).shots;
}

/** The shots in their places, for a component. */
export function useProgramme(): Placed[] {
  return useSequence(programme);
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
export type OfTheCut = Extract<
  Entity,
  { kind: 'shot' | 'marker' | 'soundTrack' | 'sound' | 'acceptedNote' | 'actionLine' | 'cutEntry' }
>;

const OF_THE_CUT: ReadonlySet<string> = new Set([
  'shot',
  'marker',
  'soundTrack',
  'sound',
  'acceptedNote',
  'actionLine',
  'cutEntry',
] satisfies OfTheCut['kind'][]);

export const isOfTheCut = (e: Entity): e is OfTheCut => OF_THE_CUT.has(e.kind);

let scene = { version: -1, header: null as unknown, entities: {} as Record<string, Entity>, stamp: 0 };

/** Whether two states of a document show the same scene: they differ in shots alone. */
function showAlike(a: Record<string, Entity>, b: Record<string, Entity>): boolean {
  let count = 0;
  for (const id in a) if (!isOfTheCut(a[id])) count++;
  for (const id in b) {
    if (isOfTheCut(b[id])) continue;
    if (a[id] !== b[id]) return false;
    count--;
  }
  return count === 0;
}

/** A number that grows whenever something that cameras see may look different: not when only shots are others. */
export function sceneVersion(): number {
  const { version, header, entities } = useSequence.getState();
  if (version !== scene.version) {
    // the same document shown anew: models have come, say
    const anew = entities === scene.entities;
    const other = anew || header !== scene.header || !showAlike(scene.entities, entities);
    scene = { version, header, entities, stamp: scene.stamp + (other ? 1 : 0) };
  }
  return scene.stamp;
}
