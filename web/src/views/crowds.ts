import * as THREE from 'three';
import { AtOnce, type Likeness } from './atOnce';
import { CROWDED } from './layers';
import type { Met } from './met';
import type { Standing } from './standing';

/** So many that are alike are drawn at once; fewer one by one. */
const LEAST = 16;

/** So many at the most: what is out of sight, or out of a light's reach, is not drawn, and that is told of all of them. */
const MOST = 400;

/** So many stand in one cell on the whole where a larger crowd is parted by where they stand. */
const IN_A_CELL = 200;

/** The least ground a crowd is taken to stand on, m: those in a row, or on one spot, have none. */
const LEAST_GROUND_M = new THREE.Vector3(1, 1, 1);

/**
 * Room for so many: it doubles, so that a crowd that grows is not made anew for each that comes, and what is the same in
 * all of one size is kept in a few sizes.
 */
const roomFor = (many: number): number => Math.min(MOST, 2 ** Math.ceil(Math.log2(many + 1)));

interface Crowd {
  drawn: AtOnce;
  members: Standing[];
}

/**
 * Draws pieces of one mesh and one surface at once: thousands cost what one does. What is
 * asked of one of them by itself, such as its hatching, makes a mesh of it that is not drawn with the others.
 */
export class Crowds {
  readonly group = new THREE.Group();
  private crowds = new Map<string, Crowd>();

  /**
   * @param alone where those are drawn that are not of a crowd
   * @param like what most crowds are made of: its shaders are made with the others, before one comes
   */
  constructor(
    private readonly alone: THREE.Group,
    like: Likeness,
  ) {
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

  /** Finds who is alike, after pieces came, went or changed, and stand where they are now. */
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
      for (const s of those) s.layer = crowded ? CROWDED : 0;
      if (!crowded) {
        for (const s of those) s.in(this.alone);
        continue;
      }
      for (const [cell, near] of cells(those))
        for (let at = 0; at < near.length; at += MOST) {
          const own = `${key} ${cell} ${at}`;
          const members = near.slice(at, at + MOST);
          let drawn = were.get(own)?.drawn;
          if (drawn && drawn.room < members.length) drawn = without(drawn);
          this.crowds.set(own, { drawn: drawn ?? this.drawnAs(members), members });
          were.delete(own);
        }
    }
    for (const gone of were.values()) if (gone.drawn.mesh.parent) without(gone.drawn);
  }

  private drawnAs(members: Standing[]): AtOnce {
    const drawn = AtOnce.of(members[0], roomFor(members.length));
    drawn.mesh.castShadow = drawn.mesh.receiveShadow = true;
    this.group.add(drawn.mesh);
    return drawn;
  }

  /** Whom a ray meets of those that are drawn so, the nearest first. */
  met(ray: THREE.Raycaster): Met[] {
    const byMesh = new Map(
      [...this.crowds.values()].map(({ drawn }) => [drawn.mesh as THREE.Object3D, drawn]),
    );
    return ray.intersectObject(this.group, true).flatMap((hit) => {
      const drawn = byMesh.get(hit.object);
      const { distance, point } = hit;
      return drawn ? [{ id: drawn.met(hit).id, distance, point, normal: drawn.normal(hit) }] : [];
    });
  }

  /** Puts all of them where their pieces are now. */
  place(): void {
    for (const { drawn, members } of this.crowds.values()) drawn.place(members);
  }
}

/** Those that stand near each other, by the cell of the ground they stand in; all in one where they are few. */
function cells(all: Standing[]): Map<string, Standing[]> {
  if (all.length <= MOST) return new Map([['', all]]);
  const room = new THREE.Box3();
  const at = new THREE.Vector3();
  for (const { matrix } of all) room.expandByPoint(at.setFromMatrixPosition(matrix));
  const { x, z } = room.getSize(at).max(LEAST_GROUND_M);
  // a power of two, so that the cells stay as they are while a few come and go
  const sideM = 2 ** Math.ceil(Math.log2(Math.sqrt((x * z * IN_A_CELL) / all.length)));
  const found = new Map<string, Standing[]>();
  for (const s of all) {
    at.setFromMatrixPosition(s.matrix);
    const key = `${Math.floor(at.x / sideM)},${Math.floor(at.z / sideM)}`;
    const those = found.get(key);
    if (those) those.push(s);
    else found.set(key, [s]);
  }
  return found;
}

function without(drawn: AtOnce): undefined {
  drawn.mesh.removeFromParent();
  drawn.dispose();
  return undefined;
}
