import { describe, expect, it } from 'vitest';
import type { DepthReading, DepthRulerBar } from '../core/types';
import { laidOut, scaleOf, ticks, toM, toX, type Scale } from './rulerLayout';

const bar = (name: string, nearM: number, farM: number): DepthRulerBar => ({
  id: name,
  name,
  colour: '#ffffff',
  nearM,
  farM,
  pointM: (nearM + farM) / 2,
  straightM: farM,
  inFrame: true,
});

const ruler = (bars: DepthRulerBar[]): DepthReading => ({
  bars,
  nearClipM: 0.1,
  farClipM: 1000,
  focusM: 5,
  nearLimitM: 4,
  farLimitM: null,
  hyperfocalM: 30,
});

describe('the scale of the depth ruler', () => {
  const s: Scale = { low: 0.1, high: 100, width: 300 };

  it('is logarithmic: every factor of ten takes a third here', () => {
    expect(toX(s, 0.1)).toBe(0);
    expect(toX(s, 1)).toBeCloseTo(100);
    expect(toX(s, 10)).toBeCloseTo(200);
    expect(toX(s, 5000)).toBeCloseTo(300);
  });

  it('goes both ways', () => {
    for (const m of [0.13, 0.9, 4.2, 77]) expect(toM(s, toX(s, m))).toBeCloseTo(m);
    expect(toM(s, -50)).toBeCloseTo(0.1);
  });

  it('holds the near clip, the focus and every subject', () => {
    const all = scaleOf(ruler([bar('Pim', 12, 13), bar('Kite', 70, 80)]), 400);
    expect(all.low).toBeLessThan(0.1);
    expect(all.high).toBeGreaterThan(80);
  });

  it('is never empty, whatever stands at the lens', () => {
    const all = scaleOf({ ...ruler([]), nearClipM: 0.001, focusM: 0.02, nearLimitM: 0.019 }, 400);
    expect(all.high).toBeGreaterThan(all.low * 2);
  });

  it('rules round distances with room for their labels', () => {
    for (const width of [90, 220, 700]) {
      const marks = ticks({ low: 0.05, high: 400, width });
      const at = marks.map((m) => toX({ low: 0.05, high: 400, width }, m));
      for (let i = 1; i < at.length; i++) expect(at[i] - at[i - 1]).toBeGreaterThanOrEqual(40);
      for (const m of marks) expect([1, 2, 5]).toContain(Number(m.toExponential(0)[0]));
    }
  });
});

describe('bars on the ruler', () => {
  const s: Scale = { low: 0.1, high: 100, width: 500 };

  it('never lie over each other in one row', () => {
    const bars = Array.from({ length: 9 }, (_, i) => bar(`Subject ${i}`, 5 + i * 0.4, 5.3 + i * 0.4));
    const laid = laidOut(bars, s);
    expect(laid).toHaveLength(9);
    const named = laid.filter((l) => l.side !== 'none');
    for (const a of named)
      for (const b of named)
        if (a !== b && a.row === b.row) expect(a.x + a.width <= b.x || b.x + b.width <= a.x).toBe(true);
  });

  it('keep their names inside: one at the far end has its name before it', () => {
    expect(laidOut([bar('Runaway kite', 90, 99)], s)[0].side).toBe('end');
    expect(laidOut([bar('Pim', 2, 2.3)], s)[0].side).toBe('start');
  });

  it('are wide enough to be hit', () => {
    expect(laidOut([bar('Thin', 50, 50.01)], s)[0].width).toBeGreaterThanOrEqual(5);
  });
});
