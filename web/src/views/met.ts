import * as THREE from 'three';
import type { Crowds } from './crowds';
import { AIDS } from './layers';

/** What a ray has met: whom, how far away, where, and which way, in the world, the surface looks. */
export interface Met {
  id: string;
  distance: number;
  point: THREE.Vector3;
  normal: THREE.Vector3 | null;
}

/** A ray meets a line that it passes so near, m. */
const LINE_M = 0.15;

/** The nearest of some icons that a ray meets. */
export function metIcon(ray: THREE.Raycaster, icons: THREE.Object3D[]): Met | undefined {
  ray.layers.set(AIDS);
  ray.params.Line.threshold = LINE_M;
  return met(ray, icons)[0];
}

/** The nearest piece that a ray meets, drawn by itself or with others. */
export function metPiece(ray: THREE.Raycaster, pieces: THREE.Group, crowds: Crowds): Met | undefined {
  ray.layers.set(0);
  const alone = met(ray, pieces.children)[0];
  const crowded = crowds.met(ray)[0];
  if (!alone || !crowded) return alone ?? crowded;
  return crowded.distance < alone.distance ? crowded : alone;
}

/** What is seen of some objects, and of what is in them, along a ray, the nearest first. */
function met(ray: THREE.Raycaster, among: THREE.Object3D[]): Met[] {
  return ray.intersectObjects(among, true).flatMap(({ object, distance, point, face }) => {
    const id = shownAs(object);
    const normal = face ? face.normal.clone().transformDirection(object.matrixWorld) : null;
    return id ? [{ id, distance, point, normal }] : [];
  });
}

/** The entity that an object stands for or is a part of; '' where it is not seen. */
function shownAs(object: THREE.Object3D): string {
  let id = '';
  for (let o: THREE.Object3D | null = object; o; o = o.parent) {
    if (!o.visible) return '';
    id ||= (o.userData.id as string | undefined) ?? '';
  }
  return id;
}
