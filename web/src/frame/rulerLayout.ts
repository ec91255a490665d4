import type { DepthReading, DepthRulerBar } from '../core/types';

const ROWS = 3;
const LABEL_PX = 40;
const LETTER_PX = 6.2;

/** A logarithmic scale of metres over pixels. */
export interface Scale {
  low: number;
  high: number;
  width: number;
}

/** Where a distance stands on the scale; what is beyond stands at its end. */
export const toX = (s: Scale, m: number) =>
  (Math.log(Math.max(s.low, Math.min(s.high, m)) / s.low) / Math.log(s.high / s.low)) * s.width;
/** The distance that stands at a place. */
export const toM = (s: Scale, x: number) =>
  s.low * Math.pow(s.high / s.low, Math.max(0, Math.min(1, x / s.width)));

/** From just before the nearest thing to well behind the farthest subject. */
export function scaleOf(r: DepthReading, width: number): Scale {
  const near = Math.min(r.nearClipM, r.nearLimitM, ...r.bars.map((b) => Math.max(0.2, b.nearM)));
  const far = Math.max(r.focusM, r.farLimitM ?? r.focusM * 2, ...r.bars.map((b) => b.farM), 4);
  return { low: Math.max(0.01, near * 0.7), high: Math.max(far * 2.2, near * 20), width };
}

/** Round distances, no nearer to each other on the screen than their labels are wide. */
export function ticks(s: Scale): number[] {
  const all: number[] = [];
  for (let k = Math.floor(Math.log10(s.low)); k <= Math.log10(s.high); k++)
    for (const m of [1, 2, 5]) {
      const v = m * 10 ** k;
      if (v <= s.low || v >= s.high) continue;
      if (all.length && toX(s, v) - toX(s, all[all.length - 1]) < LABEL_PX) continue;
      if (toX(s, v) > LABEL_PX / 2 && toX(s, v) < s.width - LABEL_PX / 2) all.push(v);
    }
  return all;
}

/** A subject's bar with the row it is drawn in, and where its name goes; no name where there is no room. */
export interface Laid {
  bar: DepthRulerBar;
  x: number;
  width: number;
  row: number;
  side: 'start' | 'end' | 'none';
}

/** Puts each bar into the first row where it and its name have room. */
export function laidOut(bars: DepthRulerBar[], s: Scale): Laid[] {
  const taken: [number, number][][] = Array.from({ length: ROWS }, () => []);
  const free = (row: number, a: number, b: number) => taken[row].every(([c, d]) => b < c || a > d);
  return bars.map((bar) => {
    const x = toX(s, Math.max(s.low, bar.nearM));
    const width = Math.max(5, toX(s, bar.farM) - x);
    const name = bar.name.length * LETTER_PX + 8;
    for (const side of ['start', 'end'] as const) {
      const from = side === 'start' ? x : x - name;
      const to = side === 'start' ? x + width + name : x + width;
      if (from < 0 || to > s.width) continue;
      const row = taken.findIndex((_, r) => free(r, from, to));
      if (row < 0) continue;
      taken[row].push([from, to]);
      return { bar, x, width, row, side };
    }
    const row = Math.max(
      0,
      taken.findIndex((_, r) => free(r, x, x + width)),
    );
    taken[row].push([x, x + width]);
    return { bar, x, width, row, side: 'none' as const };
  });
}
