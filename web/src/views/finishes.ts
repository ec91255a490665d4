import * as THREE from 'three';
import type { Finish, Piece } from '../core/types';
import { hazed } from './air';
import { Recent } from './recent';
import { Pictures } from './pictures';

/** Pictures of surfaces that are kept at hand. */
const MOST_PICTURES = 60;

/** Materials that are kept: while a slider is dragged there is another for each step. */
const MOST_MATERIALS = 100;

const pictures = new Pictures(
  'The picture of a surface could not be loaded from the server. It is tried again.',
  (t) => {
    t.flipY = false; // places count from the top
    t.wrapS = t.wrapT = THREE.RepeatWrapping;
  },
  MOST_PICTURES,
);

/** How many pictures of surfaces are on their way. */
export const picturesComing = (): number => pictures.coming();

/** Surfaces that are alike share their material, and with it its shaders. */
const materials = new Recent<THREE.MeshStandardMaterial>(MOST_MATERIALS);

/**
 * The material of a piece's own finish. It has its picture once that is here.
 *
 * @param inCorners whether its mesh has its colour in its corners
 */
export function finished(
  finish: Finish,
  colour: string,
  inCorners: boolean,
  ready: () => void,
): THREE.Material {
  const material = materials.get(JSON.stringify([finish, colour, inCorners]), () =>
    hazed(
      new THREE.MeshStandardMaterial({
        vertexColors: inCorners,
        color: inCorners ? '#ffffff' : colour,
        roughness: finish.roughness,
        metalness: finish.metal,
        emissive: finish.glow > 0 ? colour : '#000000',
        emissiveIntensity: finish.glow > 0 ? finish.glow : 1,
        side: THREE.DoubleSide,
      }),
    ),
  );
  const show = () => {
    const map = finish.picture ? pictures.get(finish.picture, shown) : null;
    if (material.map === map) return;
    material.map = map;
    if (finish.glow > 0) material.emissiveMap = map;
    material.needsUpdate = true;
  };
  const shown = () => {
    show();
    ready();
  };
  show();
  return material;
}

/** Gives every mesh of a model one surface. */
export function coat(root: THREE.Object3D, like: Piece, finish: Finish, ready: () => void): void {
  const material = finished(finish, like.colour, false, ready);
  root.traverse((o) => {
    if (o instanceof THREE.Mesh) o.material = material;
  });
}
