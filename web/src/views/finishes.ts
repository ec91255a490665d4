import * as THREE from 'three';
import type { Finish, Piece } from '../core/types';
import { at } from '../session/http';
import { say } from '../session/said';
import { hazed } from './air';

/** A picture that could not be loaded is asked for again after this long. */
const AGAIN_MS = 4000;

const pictures = new Map<string, THREE.Texture | 'coming'>();
const said = new Set<string>();

/** How many pictures of surfaces are on their way. */
export const picturesComing = (): number => [...pictures.values()].filter((t) => t === 'coming').length;

/** The picture of an asset, or null until it is here; `ready` is called then. */
function picture(asset: string, ready: () => void): THREE.Texture | null {
  const have = pictures.get(asset);
  if (have) return have === 'coming' ? null : have;
  pictures.set(asset, 'coming');
  new THREE.TextureLoader().load(
    at(`/api/assets/${asset}`),
    (t) => {
      t.colorSpace = THREE.SRGBColorSpace;
      t.flipY = false; // places count from the top
      t.wrapS = t.wrapT = THREE.RepeatWrapping;
      pictures.set(asset, t);
      for (const m of materials.values()) show(m, ready);
      ready();
    },
    undefined,
    () => {
      if (!said.has(asset))
        say('The picture of a surface could not be loaded from the server. It is tried again.', true);
      said.add(asset);
      globalThis.setTimeout(() => {
        pictures.delete(asset);
        ready();
      }, AGAIN_MS);
    },
  );
  return null;
}

interface Made {
  material: THREE.MeshStandardMaterial;
  finish: Finish;
}

/** Surfaces that are alike share their material, and with it its shaders. */
const materials = new Map<string, Made>();

function show({ material, finish }: Made, ready: () => void): void {
  const map = finish.picture ? picture(finish.picture, ready) : null;
  if (material.map === map) return;
  material.map = map;
  if (finish.glow > 0) material.emissiveMap = map;
  material.needsUpdate = true;
}

/**
 * The material of a piece's own finish.
 *
 * @param inCorners whether its mesh has its colour in its corners
 */
export function finished(
  finish: Finish,
  colour: string,
  inCorners: boolean,
  ready: () => void,
): THREE.Material {
  const key = JSON.stringify([finish, colour, inCorners]);
  let made = materials.get(key);
  if (!made) {
    const material = new THREE.MeshStandardMaterial({
      vertexColors: inCorners,
      color: inCorners ? '#ffffff' : colour,
      roughness: finish.roughness,
      metalness: finish.metal,
      emissive: finish.glow > 0 ? colour : '#000000',
      emissiveIntensity: finish.glow > 0 ? finish.glow : 1,
      side: THREE.DoubleSide,
    });
    made = { material: hazed(material), finish };
    materials.set(key, made);
  }
  show(made, ready);
  return made.material;
}

/** Gives every mesh of a model one surface. */
export function coat(root: THREE.Object3D, like: Piece, finish: Finish, ready: () => void): void {
  const material = finished(finish, like.colour, false, ready);
  root.traverse((o) => {
    if (o instanceof THREE.Mesh) o.material = material;
  });
}
