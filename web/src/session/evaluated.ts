import { theCore } from '../core/load';
import { LensRow } from '../core/types';
import { useSequence } from './state';

let world = new Float64Array(0);
let lens = new Float64Array(0);
let seen = { frame: NaN, version: -1 };

/** Evaluates the present frame unless that was done; the arrays are reused from call to call. */
export function evaluated(): { world: Float64Array; lens: Float64Array } {
  const { frame, version } = useSequence.getState();
  const core = theCore();
  if (seen.frame !== frame || seen.version !== version) {
    const slots = core.slots();
    if (world.length !== slots * 16) {
      world = new Float64Array(slots * 16);
      lens = new Float64Array(slots * LensRow.SIZE);
    }
    core.evaluate(frame, world, lens);
    seen = { frame, version };
  }
  return { world, lens };
}
