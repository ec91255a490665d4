import { describe, expect, it } from 'vitest';
import { ruling, snapped, toFrame, toX, zoomed, type Scale } from './scale';

const scale: Scale = { first: 1001, last: 1240, width: 960 };

describe('lane scale', () => {
  it('turns frames into pixels and back', () => {
    expect(toX(scale, 1001)).toBe(0);
    expect(toX(scale, 1121)).toBe(480);
    expect(toFrame(scale, toX(scale, 1077.25))).toBeCloseTo(1077.25, 9);
  });
  it('snaps to whole frames inside the stretch', () => {
    expect(snapped(scale, 4.4)).toBe(1002);
    expect(snapped(scale, -50)).toBe(1001);
    expect(snapped(scale, 5000)).toBe(1240);
  });
  it('rules no closer than a label is wide', () => {
    for (const width of [200, 960, 4000])
      for (const frames of [240, 20_000, 200_000, 5_000_000]) {
        const s = { first: 1001, last: 1000 + frames, width };
        expect((ruling(s, 24) * width) / frames).toBeGreaterThanOrEqual(63);
      }
  });
  it('zooms about a frame and stays within bounds', () => {
    const z = zoomed(scale, 1121, 0.5, 1001, 1240);
    expect(z.last - z.first).toBeCloseTo(120, -1);
    expect(zoomed(scale, 1001, 4, 1001, 1240)).toEqual({ first: 1001, last: 1240 });
    const tight = zoomed(scale, 1240, 0.0001, 1001, 1240);
    expect(tight.last - tight.first).toBe(10);
  });
});
