import type { Core } from '../core/bridge';
import { theCore } from '../core/load';
import { LensRow } from '../core/types';
import { useSequence } from './state';

let world = new Float64Array(0);
let lens = new Float64Array(0);
let seen = { frame: NaN, version: -1 };
let other: { frame: number; rate: number } | null = null;

/** The frame that is evaluated and drawn: the one that is shown, but within {@link atFrame}. */
export const shownFrame = (): number => other?.frame ?? useSequence.getState().frame;

/** Frames of the scene that pass in one of the programme about {@link shownFrame}: as fast as it was made unless a shot of the reel is looked at. */
export function shownRate(): number {
  const { followCut, reel } = useSequence.getState();
  return other ? other.rate : followCut && reel !== null ? theCore().rateAt(reel) : 1;
}

/**
 * Does some drawing at another frame, or a part of one, than the page shows.
 *
 * @param rate frames of the scene that pass in one of the film about it
 */
export function atFrame<T>(frame: number, work: () => T, rate = 1): T {
  const had = other;
  other = { frame, rate };
  try {
    return work();
  } finally {
    other = had;
  }
}

/** Evaluates {@link shownFrame} unless that was done; the arrays are reused from call to call. */
export function evaluated(): { world: Float64Array; lens: Float64Array } {
  const { version } = useSequence.getState();
  const frame = shownFrame();
  const core = theCore();
  if (seen.frame !== frame || seen.version !== version) {
    const slots = core.slots();
    if (world.length !== slots * 16) {
      world = new Float64Array(slots * 16);
      lens = new Float64Array(slots * LensRow.SIZE);
    }
    core.evaluate(frame, world, lens);
    seen = { frame, version };
  }
  return { world, lens };
}

/** The core, to be asked about what is shown: where a sequence is open, its plan stands at the shown frame. */
export function core(): Core {
  if (useSequence.getState().id) evaluated();
  return theCore();
}

/** What the core says of the shown frame; asked again whenever the frame or the sequence is another. */
export function useCore<T>(question: (core: Core) => T): T {
  useSequence((s) => s.frame);
  return useCoreStill(question);
}

/** What the core says that is the same on every frame; asked again when the sequence is another. */
export function useCoreStill<T>(question: (core: Core) => T): T {
  useSequence((s) => s.version);
  return question(core());
}
