import { theCore } from '../core/load';

export interface CutSpan {
  id: string;
  shot: string;
  camera: string | null;
  first: number;
  last: number;
}

/** The spans of the cut, as the core has them. */
export function cutSpans(): CutSpan[] {
  return theCore().cut();
}

/** The span a frame lies in, or undefined before the first. */
export const spanAt = (frame: number): CutSpan | undefined =>
  cutSpans()
    .filter((c) => c.first <= frame)
    .at(-1);
