import * as THREE from 'three';
import { theCore } from '../core/load';
import { evaluated, LENS } from '../sequence/evaluated';
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
  const o = slot * LENS;
  const near = lens[o + 3];
  const far = lens[o + 4];
  into.matrixAutoUpdate = false;
  into.matrix.fromArray(world, slot * 16);
  into.matrixWorld.copy(into.matrix);
  into.matrixWorldInverse.copy(into.matrixWorld).invert();
  const x = (lens[o + 8] + lens[o + 9]) / 2;
  const y = (lens[o + 10] + lens[o + 11]) / 2;
  const w = ((lens[o + 9] - lens[o + 8]) / 2) * wider[0];
  const h = ((lens[o + 11] - lens[o + 10]) / 2) * wider[1];
  into.projectionMatrix.makePerspective(
    (x - w) * near,
    (x + w) * near,
    (y + h) * near,
    (y - h) * near,
    near,
    far,
  );
  into.projectionMatrixInverse.copy(into.projectionMatrix).invert();
  into.near = near;
  into.far = far;
  into.matrixWorldAutoUpdate = false;
  into.layers.enable(PLATES);
  return true;
}
