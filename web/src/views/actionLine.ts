import * as THREE from 'three';
import { core } from '../session/evaluated';
import { palette } from '../theme/tokens';
import { label, line } from './icons3d';

/** How far it goes on beyond the two, and how far from it the letters of each side stand, metres. */
const BEYOND_M = 30;
const ASIDE_M = 1.4;

/** Over the ground, metres: under it nothing would be seen of it. */
const OVER_M = 0.02;

/** The line of action, and which cameras are on which side of it. */
export class ActionLineDrawn {
  readonly group = new THREE.Group();
  private drawn = '';

  /** Brings it to the shown frame; gives whether it is another. */
  update(): boolean {
    const l = core().lineOfAction();
    const key = l
      ? [...l.from, ...l.to].map((v) => v.toFixed(2)).join() + l.left.join() + '|' + l.right.join()
      : '';
    if (key === this.drawn) return false;
    this.drawn = key;
    for (const o of [...this.group.children]) {
      o.removeFromParent();
      (o as THREE.Line).geometry?.dispose();
      if (o instanceof THREE.Sprite) o.material.map?.dispose();
    }
    if (!l) return true;
    const from = new THREE.Vector3(l.from[0], OVER_M, l.from[2]);
    const to = new THREE.Vector3(l.to[0], OVER_M, l.to[2]);
    const along = to.clone().sub(from);
    if (along.lengthSq() === 0) return true;
    along.normalize();
    const ends = [
      from.clone().addScaledVector(along, -BEYOND_M),
      to.clone().addScaledVector(along, BEYOND_M),
    ];
    this.group.add(this.stroke(ends, 0.45), this.stroke([from, to], 1));
    const right = new THREE.Vector3(-along.z, 0, along.x);
    const middle = from.clone().add(to).multiplyScalar(0.5);
    for (const [letters, way] of [
      [l.left, -1],
      [l.right, 1],
    ] as const) {
      const text = label(letters.length ? letters.join(' ') : '–', palette.teal, 0.9);
      text.position.copy(middle).addScaledVector(right, way * ASIDE_M);
      this.group.add(text);
    }
    return true;
  }

  private stroke(points: THREE.Vector3[], opacity: number): THREE.Line {
    const g = new THREE.BufferGeometry().setFromPoints(points);
    return new THREE.Line(g, line(palette.teal, { depthTest: false, transparent: true, opacity }));
  }
}
