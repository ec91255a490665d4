import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Desk } from './desks';

/** How a desk has its room: the side panels' widths and the lanes' height in pixels, and the set view's share of the views. */
export interface Arrangement {
  roster: number;
  side: number;
  time: number;
  set: number;
  rosterFolded: boolean;
  sideFolded: boolean;
}

/** A folded side panel's width, pixels. */
export const RAIL = 44;

/** All that lies between the parts and around them, across, pixels. */
const GAPS = 30;

/** What both views have at least by themselves, pixels: less only where somebody drags it so. */
const LEAST_VIEWS = 500;

/** What each view has at least by itself, pixels. */
const LEAST_VIEW = 210;

/** A side panel that has less room than this is folded until there is more, pixels. */
const LEAST_PANEL = 250;

const between = (least: number, v: number, most: number) => Math.max(least, Math.min(most, Math.round(v)));

/** What each desk begins with in a window of a size: the room goes to what is done there. */
export function usual(desk: Desk, width: number, height: number): Arrangement {
  const panels = {
    roster: between(208, width * 0.15, 250),
    side: between(292, width * 0.2, 340),
    rosterFolded: false,
    sideFolded: false,
  };
  switch (desk) {
    case 'set':
      return { ...panels, set: 0.6, time: between(120, height * 0.18, 240) };
    case 'frame':
      return { ...panels, set: 0.42, time: between(120, height * 0.19, 240) };
    case 'move':
      return { ...panels, set: 0.43, time: between(200, height * 0.4, 560) };
    case 'cut':
      return {
        ...panels,
        rosterFolded: true,
        sideFolded: true,
        set: 0.34,
        time: between(230, height * 0.37, 420),
      };
    case 'handover':
      return { ...panels, rosterFolded: true, side: between(380, width * 0.34, 620), set: 0.42, time: 128 };
  }
}

interface Own {
  own: Partial<Record<Desk, Partial<Arrangement>>>;
}

/** What a person has made of the desks' room, kept in their browser. */
export const useArrangements = create<Own>()(
  persist((): Own => ({ own: {} }), { name: 'jolly-kite.arrangement', version: 1 }),
);

/** How a desk is arranged now, so that it fits the window. */
export function arrangementOf(
  desk: Desk,
  width: number,
  height: number,
  own = useArrangements.getState().own,
): Arrangement {
  const a = { ...usual(desk, width, height), ...own[desk] };
  const spare = width - LEAST_VIEWS;
  const sideFolded = a.sideFolded || spare - RAIL < LEAST_PANEL;
  const side = sideFolded ? RAIL : Math.min(a.side, spare - RAIL);
  const rosterFolded = a.rosterFolded || spare - side < a.roster;
  const views = width - (rosterFolded ? RAIL : a.roster) - side - GAPS;
  return {
    set: own[desk]?.set ?? Math.max(LEAST_VIEW / views, Math.min(1 - LEAST_VIEW / views, a.set)),
    roster: rosterFolded ? RAIL : a.roster,
    rosterFolded,
    side,
    sideFolded,
    time: between(90, a.time, height - 250),
  };
}

export function arrange(desk: Desk, by: Partial<Arrangement>): void {
  useArrangements.setState((s) => ({ own: { ...s.own, [desk]: { ...s.own[desk], ...by } } }));
}

/** Gives a desk the room it usually has. */
export function usualArrangement(desk: Desk): void {
  useArrangements.setState((s) => {
    const own = { ...s.own };
    delete own[desk];
    return { own };
  });
}

/** Folds a side panel to its rail, or unfolds it. */
export function fold(desk: Desk, panel: 'roster' | 'side'): void {
  const [width, height] = [window.innerWidth, window.innerHeight];
  const a = arrangementOf(desk, width, height);
  if (panel === 'side') arrange(desk, { sideFolded: !a.sideFolded });
  else {
    arrange(desk, { rosterFolded: !a.rosterFolded });
    // where there is no room for both, the one that is asked for has it
    if (a.rosterFolded && arrangementOf(desk, width, height).rosterFolded)
      arrange(desk, { sideFolded: true });
  }
}
