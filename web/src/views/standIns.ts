import * as THREE from 'three';
import type { Piece } from '../core/types';
import { core } from '../session/evaluated';
import { hazed } from './air';
import { finished } from './finishes';
import { Recent } from './recent';
import { Standing } from './standing';

/** Meshes that are kept for the next of their kind. */
const MOST_KEPT = 300;

const meshes = new Recent<THREE.BufferGeometry>(MOST_KEPT);

/** What all stand-ins are made of: their meshes have the colours. */
export const standInMaterial = hazed(
  new THREE.MeshStandardMaterial({ vertexColors: true, roughness: 0.85, side: THREE.DoubleSide }),
);

/** A stand-in as the core shapes it. Those of one shape and colour share their mesh. */
export function standIn(p: Piece, like: Piece | undefined, ready: () => void): Standing {
  const finish = p.finish ?? like?.finish;
  const material = finish ? finished(finish, (like ?? p).colour, true, ready) : standInMaterial;
  return new Standing(p.id, shaped(p, like), material);
}

const shaped = (p: Piece, like?: Piece): THREE.BufferGeometry =>
  meshes.get(JSON.stringify([(like ?? p).shape, (like ?? p).colour]), () => mesh(p.id));

function mesh(id: string): THREE.BufferGeometry {
  const g = new THREE.BufferGeometry();
  const m = core().standIn(id);
  if (!m) return g;
  g.setAttribute('position', new THREE.Float32BufferAttribute(m.positions, 3));
  g.setAttribute('normal', new THREE.Float32BufferAttribute(m.normals, 3));
  g.setAttribute('color', new THREE.Float32BufferAttribute(m.colours, 3));
  g.setAttribute('uv', new THREE.Float32BufferAttribute(m.places, 2));
  g.setIndex(m.indices);
  return g;
}
