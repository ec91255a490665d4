import * as THREE from 'three';
import { theCore } from '../core/load';
import { evaluated, LENS } from '../session/evaluated';
import { useSequence } from '../session/state';
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
  const slot = theCore().slot(id);
  if (slot < 0) return false;
  const { world, lens } = evaluated();
  look(world, slot * 16, lens, slot * LENS, into, wider);
  return true;
}

const world = new Float64Array(16);
const lens = new Float64Array(LENS);

/** The same for a camera of one of two versions that are compared; false where it has none. */
export function lookThroughCompared(
  side: 0 | 1,
  id: string,
  into: THREE.PerspectiveCamera,
  wider: [number, number],
): boolean {
  if (!theCore().comparedCamera(side, id, useSequence.getState().frame, world, lens)) return false;
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
  const near = lens[o + 3];
  const far = lens[o + 4];
  into.matrixAutoUpdate = false;
  into.matrix.fromArray(world, w);
  into.matrixWorld.copy(into.matrix);
  into.matrixWorldInverse.copy(into.matrixWorld).invert();
  const x = (lens[o + 8] + lens[o + 9]) / 2;
  const y = (lens[o + 10] + lens[o + 11]) / 2;
  const across = ((lens[o + 9] - lens[o + 8]) / 2) * wider[0];
  const up = ((lens[o + 11] - lens[o + 10]) / 2) * wider[1];
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
