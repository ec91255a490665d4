import * as THREE from 'three';
import { theCore } from '../core/load';
import { evaluated, LENS } from '../sequence/evaluated';

/** Puts the core's world transform, delivery window and clips into a camera of the graphics library. */
export function lookThrough(id: string, into: THREE.PerspectiveCamera): boolean {
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
  into.projectionMatrix.makePerspective(
    lens[o + 8] * near,
    lens[o + 9] * near,
    lens[o + 11] * near,
    lens[o + 10] * near,
    near,
    far,
  );
  into.projectionMatrixInverse.copy(into.projectionMatrix).invert();
  into.near = near;
  into.far = far;
  into.matrixWorldAutoUpdate = false;
  return true;
}
