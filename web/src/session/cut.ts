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
