import * as THREE from 'three';
import { LensRow } from '../core/types';
import { core, evaluated, shownFrame } from '../session/evaluated';
import { PLATES } from './layers';

/**
 * Puts the core's world transform, delivery window and clips into a camera of the graphics library.
 *
 * @param wider how many times wider and higher than the delivery frame the picture is, about its middle
 */
export function lookThrough(
  id: string,
  into: THREE.PerspectiveCamera,
  wider: [number, number] = [1, 1],
): boolean {
  const slot = core().slot(id);
  if (slot < 0) return false;
  const { world, lens } = evaluated();
  look(world, slot * 16, lens, slot * LensRow.SIZE, into, wider);
  return true;
}

const world = new Float64Array(16);
const lens = new Float64Array(LensRow.SIZE);

/** The same for a camera of one of two versions that are compared; false where it has none. */
export function lookThroughCompared(
  side: 0 | 1,
  id: string,
  into: THREE.PerspectiveCamera,
  wider: [number, number],
): boolean {
  if (!core().comparedCamera(side, id, shownFrame(), world, lens)) return false;
  look(world, 0, lens, 0, into, wider);
  return true;
}

function look(
  world: Float64Array,
  w: number,
  lens: Float64Array,
  o: number,
  into: THREE.PerspectiveCamera,
  wider: [number, number],
): void {
  const near = lens[o + LensRow.NEAR];
  const far = lens[o + LensRow.FAR];
  into.matrixAutoUpdate = false;
  into.matrix.fromArray(world, w);
  into.matrixWorld.copy(into.matrix);
  into.matrixWorldInverse.copy(into.matrixWorld).invert();
  const x = (lens[o + LensRow.LEFT] + lens[o + LensRow.RIGHT]) / 2;
  const y = (lens[o + LensRow.BOTTOM] + lens[o + LensRow.TOP]) / 2;
  const across = ((lens[o + LensRow.RIGHT] - lens[o + LensRow.LEFT]) / 2) * wider[0];
  const up = ((lens[o + LensRow.TOP] - lens[o + LensRow.BOTTOM]) / 2) * wider[1];
  into.projectionMatrix.makePerspective(
    (x - across) * near,
    (x + across) * near,
    (y + up) * near,
    (y - up) * near,
    near,
    far,
  );
  into.projectionMatrixInverse.copy(into.projectionMatrix).invert();
  into.near = near;
  into.far = far;
  into.matrixWorldAutoUpdate = false;
  into.layers.enable(PLATES);
}
