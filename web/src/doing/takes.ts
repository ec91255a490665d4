import type { Shot, Take } from '../core/types';

/** The take of a shot that is in the programme. */
export const chosenTake = (shot: Shot): Take => shot.takes.find((t) => t.id === shot.chosen)!;
