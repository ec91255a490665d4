import * as THREE from 'three';
import type { Standing } from './standing';

/** What is drawn of those that are alike. */
export type Likeness = Pick<Standing, 'geometry' | 'material'>;

/** Numbers of a matrix, those of one of its columns, and where its place stands in it. */
const MATRIX = 16,
  COLUMN = 4,
  PLACE = 12;

/** Numbers of a place or a direction. */
const AXES = 3;

/** A mesh of no more vertices is less work than the graphics side has with beginning anew for each of its copies. */
const FEW_VERTICES = 128;

/** The most that two bytes tell apart. */
const IN_TWO_BYTES = 1 << 16;

/** Pieces of one mesh and one surface, drawn in one go wherever each of them stands. */
export abstract class AtOnce {
  abstract readonly mesh: THREE.Mesh;
  /** How many are drawn. */
  count = 0;
  private stands = false;
  /** Where they stood when they were last put there, from the first of them. */
  private readonly stood: Float64Array;
  /** Those that are drawn, in that order. */
  private readonly drawn: Standing[] = [];

  /** @param room how many there may be at the most */
  protected constructor(readonly room: number) {
    this.stood = new Float64Array(room * MATRIX);
  }

  /** Puts all of them where they are now; those that are hidden are left out. */
  place(members: Standing[]): void {
    // from one of them, since the graphics side has few digits
    this.mesh.position.setFromMatrixPosition(members[0].matrix);
    const from = [...this.mesh.position.toArray(), 0];
    const { stood } = this;
    let n = 0,
      moved = false;
    for (const one of members) {
      if (!one.visible) continue;
      this.drawn[n] = one;
      const [m, at] = [one.matrix.elements, n++ * MATRIX];
      for (let i = 0; i < MATRIX; i++) {
        const now = i < PLACE ? m[i] : m[i] - from[i - PLACE];
        moved ||= stood[at + i] !== now;
        stood[at + i] = now;
      }
    }
    if (this.stands && !moved && n === this.count) return;
    this.stands = true;
    this.count = n;
    this.stand(stood, n);
  }

  /**
   * Has them drawn where they stand.
   *
   * @param matrices of the first `count` of them, by columns, from the place of the mesh
   */
  protected abstract stand(matrices: Float64Array, count: number): void;

  /** Who of them a ray has met. */
  met(hit: THREE.Intersection): Standing {
    return this.drawn[this.nth(hit)];
  }

  protected abstract nth(hit: THREE.Intersection): number;

  /** The direction, in the world, of the surface that a ray has met, or null. */
  abstract normal(hit: THREE.Intersection): THREE.Vector3 | null;

  /** Frees what the graphics side holds of it. */
  abstract dispose(): void;

  /** What draws so many that are as this one is. */
  static of(like: Likeness, room: number): AtOnce {
    return like.geometry.getAttribute('position')?.count <= FEW_VERTICES
      ? new Merged(like, room)
      : new Instances(like, room);
  }
}

/** Each is drawn from the mesh that all of them have. */
class Instances extends AtOnce {
  readonly mesh: THREE.InstancedMesh;

  constructor({ geometry, material }: Likeness, room: number) {
    super(room);
    this.mesh = new THREE.InstancedMesh(geometry, material, room);
  }

  protected stand(matrices: Float64Array, count: number): void {
    const to = this.mesh.instanceMatrix;
    to.array.set(matrices.subarray(0, count * MATRIX));
    to.clearUpdateRanges();
    to.addUpdateRange(0, count * MATRIX);
    to.needsUpdate = true;
    this.mesh.count = count;
    this.mesh.computeBoundingSphere(); // what is out of sight is left out by it
  }

  protected nth({ instanceId }: THREE.Intersection): number {
    return instanceId!;
  }

  normal(hit: THREE.Intersection): THREE.Vector3 | null {
    return hit.face ? hit.face.normal.clone().transformDirection(this.met(hit).matrix) : null;
  }

  dispose(): void {
    this.mesh.dispose();
  }
}

/** All are one mesh, which has the vertices of each where it stands. */
class Merged extends AtOnce {
  readonly mesh: THREE.Mesh;
  private readonly places: Float32Array;
  private readonly directions: Float32Array;
  private readonly corners: number;

  constructor({ geometry, material }: Likeness, room: number) {
    super(room);
    this.places = geometry.getAttribute('position').array as Float32Array;
    this.directions = geometry.getAttribute('normal').array as Float32Array;
    this.corners = geometry.index!.count;
    const all = new THREE.BufferGeometry();
    const same = sameOf(geometry, room);
    for (const [name, attribute] of same.attributes) all.setAttribute(name, attribute);
    all.setIndex(same.index);
    for (const name of ['position', 'normal'])
      all.setAttribute(name, new THREE.BufferAttribute(new Float32Array(room * this.places.length), AXES));
    all.boundingSphere = new THREE.Sphere();
    this.mesh = new THREE.Mesh(all, material);
  }

  protected stand(matrices: Float64Array, count: number): void {
    const { geometry } = this.mesh;
    const position = geometry.getAttribute('position') as THREE.BufferAttribute;
    const normal = geometry.getAttribute('normal') as THREE.BufferAttribute;
    for (let i = 0; i < count; i++) {
      const m = matrices.subarray(i * MATRIX, (i + 1) * MATRIX);
      const at = i * this.places.length;
      moved(this.places, m, position.array as Float32Array, at);
      turned(this.directions, m, normal.array as Float32Array, at);
    }
    for (const a of [position, normal]) {
      a.clearUpdateRanges();
      a.addUpdateRange(0, count * this.places.length);
      a.needsUpdate = true;
    }
    geometry.setDrawRange(0, count * this.corners);
    enclose(position.array as Float32Array, count * this.places.length, geometry.boundingSphere!);
  }

  protected nth({ face }: THREE.Intersection): number {
    return Math.floor((face!.a * AXES) / this.places.length);
  }

  normal({ face }: THREE.Intersection): THREE.Vector3 | null {
    return face ? face.normal.clone() : null;
  }

  dispose(): void {
    const { geometry } = this.mesh;
    for (const name of OF_ALL) geometry.deleteAttribute(name); // others have them too
    geometry.setIndex(null);
    geometry.dispose();
  }
}

/** What of a vertex is the same wherever its piece stands. */
const OF_ALL = ['color', 'uv'];

interface Same {
  attributes: [string, THREE.BufferAttribute][];
  index: THREE.BufferAttribute;
}

const sames = new WeakMap<THREE.BufferGeometry, Map<number, Same>>();

/** What is the same in all that draw so many of a mesh: the graphics side has it once. */
function sameOf(one: THREE.BufferGeometry, room: number): Same {
  const bySize = sames.get(one) ?? new Map<number, Same>();
  sames.set(one, bySize);
  let same = bySize.get(room);
  if (same) return same;
  const attributes = OF_ALL.map((name): [string, THREE.BufferAttribute] => {
    const { array, itemSize } = one.getAttribute(name) as THREE.BufferAttribute;
    return [name, new THREE.BufferAttribute(repeated(array as Float32Array, room), itemSize)];
  });
  const corners = one.index!.array;
  const vertices = one.getAttribute('position').count;
  const numbers = room * vertices <= IN_TWO_BYTES ? Uint16Array : Uint32Array;
  const index = new numbers(room * corners.length);
  for (let i = 0; i < index.length; i++)
    index[i] = corners[i % corners.length] + Math.floor(i / corners.length) * vertices;
  same = { attributes, index: new THREE.BufferAttribute(index, 1) };
  bySize.set(room, same);
  return same;
}

function repeated(one: Float32Array, times: number): Float32Array {
  const all = new Float32Array(times * one.length);
  for (let i = 0; i < times; i++) all.set(one, i * one.length);
  return all;
}

// Numbers are taken from the lists one by one: taking a list apart is slow where the browser has not yet made it quick.

/** Writes places as a matrix puts them. */
function moved(from: Float32Array, m: Float64Array, to: Float32Array, at: number): void {
  for (let k = 0; k < from.length; k += AXES) {
    const u = from[k],
      v = from[k + 1],
      w = from[k + 2];
    for (let i = 0; i < AXES; i++)
      to[at + k + i] = m[i] * u + m[COLUMN + i] * v + m[2 * COLUMN + i] * w + m[PLACE + i];
  }
}

/** Writes normals as a matrix turns them: what is stretched along an axis leans away from it. Their length is not kept. */
function turned(from: Float32Array, m: Float64Array, to: Float32Array, at: number): void {
  const p = stretch(m, 0),
    q = stretch(m, COLUMN),
    r = stretch(m, 2 * COLUMN);
  for (let k = 0; k < from.length; k += AXES) {
    const u = from[k] / p,
      v = from[k + 1] / q,
      w = from[k + 2] / r;
    for (let i = 0; i < AXES; i++) to[at + k + i] = m[i] * u + m[COLUMN + i] * v + m[2 * COLUMN + i] * w;
  }
}

/** How far a matrix stretches the axis whose column begins there, squared. */
const stretch = (m: Float64Array, at: number): number =>
  m[at] * m[at] + m[at + 1] * m[at + 1] + m[at + 2] * m[at + 2];

/** The ball about the box that so many numbers of places lie in. */
function enclose(places: Float32Array, numbers: number, ball: THREE.Sphere): void {
  const box = new THREE.Box3();
  const point = new THREE.Vector3();
  for (let k = 0; k < numbers; k += AXES) box.expandByPoint(point.fromArray(places, k));
  box.getBoundingSphere(ball);
}
