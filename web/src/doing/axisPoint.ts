import type { Vec3 } from '../core/types';

let ask: () => Vec3 | null = () => null;

/** The lens view tells where its axis meets the set. */
export function whenAskedForAxisPoint(answer: () => Vec3 | null): void {
  ask = answer;
}

/** Where the lens view's axis meets the set; null when it meets nothing. */
export const axisPoint = (): Vec3 | null => ask();
