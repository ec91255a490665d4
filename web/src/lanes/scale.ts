/** The stretch of frames the lanes show, and the turn from frames to pixels and back. */
export interface Scale {
  first: number;
  last: number;
  width: number;
}

export const toX = (s: Scale, frame: number): number =>
  ((frame - s.first) / (s.last + 1 - s.first)) * s.width;
export const toFrame = (s: Scale, x: number): number => s.first + (x / s.width) * (s.last + 1 - s.first);

/** The nearest whole frame to a place, inside the stretch. */
export const snapped = (s: Scale, x: number): number =>
  Math.max(s.first, Math.min(s.last, Math.round(toFrame(s, x))));

/** Room that a label takes, pixels. */
const LABEL_PX = 64;

const MINUTE_S = 60;

/** Frames between ruled lines, so that labels keep their distance. */
export function ruling(s: Scale, fps: number): number {
  const wanted = LABEL_PX / (s.width / (s.last + 1 - s.first));
  const seconds = [0.5, 1, 2, 5, 10, 30, ...[1, 5, 10, 30, 60].map((minutes) => minutes * MINUTE_S)];
  const found = [1, 2, 5, 10, ...seconds.map((x) => x * fps)].map(Math.round).find((n) => n >= wanted);
  const hour = Math.round(fps * MINUTE_S * MINUTE_S);
  return found ?? Math.ceil(wanted / hour) * hour;
}

/** A range closer or wider about a frame, kept inside whole bounds and at least ten frames long. */
export function zoomed(
  s: Scale,
  about: number,
  by: number,
  least: number,
  most: number,
): { first: number; last: number } {
  const length = Math.max(10, Math.min(most - least, (s.last - s.first) * by));
  const share = (about - s.first) / Math.max(1, s.last - s.first);
  const first = Math.max(least, Math.min(most - length, about - share * length));
  return { first: Math.round(first), last: Math.round(first + length) };
}
