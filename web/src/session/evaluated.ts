import { replaceEqualDeep } from '@tanstack/react-query';
import { useMemo, useRef } from 'react';
import type { Core } from '../core/bridge';
import { theCore } from '../core/load';
import { LensRow } from '../core/types';
import { useSequence } from './state';

let world = new Float64Array(0);
let lens = new Float64Array(0);
let seen = { frame: NaN, version: -1, take: '' };
let other: { frame: number; rate: number; take?: string } | null = null;

/** The frame that is evaluated and drawn: the one that is shown, but within {@link atFrame}. */
export const shownFrame = (): number => other?.frame ?? useSequence.getState().frame;

/** What a take is called among those of all shots, as the core has it. */
export const inShot = (shot: string, take: string): string => `${shot}/${take}`;

/** The chosen take of a shot, so called; '' where there is no such shot. */
export function takeOf(shot: string): string {
  const e = useSequence.getState().entities[shot];
  return e?.kind === 'shot' ? inShot(e.id, e.chosen) : '';
}

/** The take that is looked at, so that what is laid over it alone shows: the chosen one of the shot that is followed. '' for none. */
export function shownTake(): string {
  if (other?.take !== undefined) return other.take;
  const { followCut, shot } = useSequence.getState();
  return followCut && shot ? takeOf(shot) : '';
}

/** Frames of the scene that pass in one of the programme about {@link shownFrame}: as fast as it was made unless a shot of the reel is looked at. */
export function shownRate(): number {
  const { followCut, reel } = useSequence.getState();
  return other ? other.rate : followCut && reel !== null ? theCore().rateAt(reel) : 1;
}

/**
 * Does some drawing at another frame, or a part of one, than the page shows.
 *
 * @param rate frames of the scene that pass in one of the film about it
 * @param take another one than is looked at; '' for none
 */
export function atFrame<T>(frame: number, work: () => T, rate = 1, take?: string): T {
  const had = other;
  other = { frame, rate, take: take ?? had?.take };
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
  const take = shownTake();
  if (seen.frame !== frame || seen.version !== version || seen.take !== take) {
    const slots = core.slots();
    if (world.length !== slots * 16) {
      world = new Float64Array(slots * 16);
      lens = new Float64Array(slots * LensRow.SIZE);
    }
    core.evaluate(frame, take, world, lens);
    seen = { frame, version, take };
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

/**
 * What the core says that is the same on every frame; asked again when the sequence is another. What of the answer is as it was
 * is the same object as before, so that what is drawn from it stays.
 */
export function useCoreStill<T>(question: (core: Core) => T): T {
  'use no memo'; // the core answers otherwise from version to version, which no argument tells
  useSequence((s) => s.version);
  const last = useRef<T | undefined>(undefined);
  last.current = replaceEqualDeep(last.current, question(core()));
  return last.current as T;
}

/** How numbers are shown; another function once the sequence shows them in other units. */
export function useShowNumber(): Core['showNumber'] {
  'use no memo'; // as above
  const id = useSequence((s) => s.id);
  const header = useSequence((s) => s.header);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- another one for each of them
  return useMemo(() => (value, unit) => theCore().showNumber(value, unit), [id, header]);
}
