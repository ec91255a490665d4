import * as THREE from 'three';
import { CROWDED } from './layers';

/** So many that are alike are drawn at once; fewer one by one. */
const LEAST = 16;

/** So many at the most: a crowd out of sight is not drawn, and those that came together mostly stand together. */
const MOST = 400;

/** A crowd that grows has room for this much more, so that it is not made anew for each that comes. */
const ROOM = 1.5;

/** Numbers of a matrix, and where its place stands in it. */
const MATRIX = 16,
  PLACE = 12;

/** One of those that may be alike. */
export type Standing = THREE.Mesh<THREE.BufferGeometry, THREE.Material>;

interface Crowd {
  drawn: THREE.InstancedMesh;
  members: Standing[];
}

/**
 * Draws pieces of one mesh and one surface at once: thousands cost what one does. Each stays in the scene, unseen, to be
 * clicked on, measured and hatched.
 */
export class Crowds {
  readonly group = new THREE.Group();
  private crowds = new Map<string, Crowd>();

  /**
   * @param like a mesh of the material that most crowds have: its shaders are made with the others, before one comes
   */
  constructor(like: Standing) {
    const nobody = new THREE.InstancedMesh(like.geometry, like.material, 1);
    nobody.count = 0;
    nobody.frustumCulled = false;
    nobody.receiveShadow = true;
    this.group.add(nobody);
  }

  /** How many pieces are drawn so. */
  get count(): number {
    return [...this.crowds.values()].reduce((n, c) => n + c.drawn.count, 0);
  }

  /** Finds who is alike, after pieces came, went or changed. */
  gather(all: Iterable<Standing>): void {
    const alike = new Map<string, Standing[]>();
    for (const s of all) {
      const key = `${s.geometry.uuid} ${s.material.uuid}`;
      const those = alike.get(key);
      if (those) those.push(s);
      else alike.set(key, [s]);
    }
    const were = this.crowds;
    this.crowds = new Map();
    for (const [key, those] of alike) {
      const crowded = those.length >= LEAST;
      for (const m of those) m.layers.set(crowded ? CROWDED : 0);
      for (let at = 0; crowded && at < those.length; at += MOST) {
        const own = `${key} ${at}`;
        const members = those.slice(at, at + MOST);
        let drawn = were.get(own)?.drawn;
        if (drawn && drawn.instanceMatrix.count < members.length) drawn = this.without(drawn);
        this.crowds.set(own, { drawn: drawn ?? this.drawnAs(members), members });
        were.delete(own);
      }
    }
    for (const gone of were.values()) if (gone.drawn.parent) this.without(gone.drawn);
  }

  private without(drawn: THREE.InstancedMesh): undefined {
    drawn.removeFromParent();
    drawn.dispose();
    return undefined;
  }

  private drawnAs(members: Standing[]): THREE.InstancedMesh {
    const { geometry, material } = members[0];
    const drawn = new THREE.InstancedMesh(
      geometry,
      material,
      Math.min(MOST, Math.ceil(ROOM * members.length)),
    );
    drawn.castShadow = drawn.receiveShadow = true;
    this.group.add(drawn);
    return drawn;
  }

  /** Puts all of them where their pieces are now; those that are hidden are left out. */
  place(): void {
    for (const { drawn, members } of this.crowds.values()) {
      const to = drawn.instanceMatrix.array;
      // from one of them, since the graphics side has few digits
      drawn.position.setFromMatrixPosition(members[0].matrix);
      const { x, y, z } = drawn.position;
      let n = 0;
      for (const { visible, matrix } of members) {
        if (!visible) continue;
        const [m, at] = [matrix.elements, n * MATRIX];
        for (let i = 0; i < MATRIX; i++) to[at + i] = m[i];
        to[at + PLACE] = m[PLACE] - x;
        to[at + PLACE + 1] = m[PLACE + 1] - y;
        to[at + PLACE + 2] = m[PLACE + 2] - z;
        n++;
      }
      drawn.count = n;
      drawn.instanceMatrix.clearUpdateRanges();
      drawn.instanceMatrix.addUpdateRange(0, n * MATRIX);
      drawn.instanceMatrix.needsUpdate = true;
      drawn.computeBoundingSphere(); // what is out of sight is left out by it
    }
  }
}
