import * as THREE from 'three';
import type { Camera } from '../core/types';
import { core } from '../session/evaluated';
import { useSequence } from '../session/state';
import { Paced } from './paced';
import { palette } from '../theme/tokens';

/** More keys than these are not drawn as frustums. */
const MOST_KEYS = 60;
const MOST_TICKS = 4000;

/** A camera's place on the frame of a key. */
export interface GhostKey {
  frame: number;
  at: THREE.Vector3;
  world: number[];
}

/** The selected camera's way through the set: a line, a tick for every frame, a frustum at every key. */
export class Ghosts {
  readonly group = new THREE.Group();
  keys: GhostKey[] = [];
  camera = '';
  private made: unknown[] = [];
  private readonly paced = new Paced();

  /** Brings the ghosts to the present document. Gives whether there is something new to draw. */
  update(): boolean {
    const s = useSequence.getState();
    const all = s.ghosts && s.desk === 'move' ? s.selected.map((id) => s.entities[id]) : [];
    const cameras = all.filter((e): e is Camera => e?.kind === 'camera');
    const shown = cameras[0];
    const now = [cameras.map((c) => c.id).join(), shown ? s.version : 0];
    if (now.every((v, i) => v === this.made[i]) && this.made.length) return false;
    return this.paced.make(() => {
      this.made = now;
      this.group.traverse((o) => (o as THREE.Line).geometry?.dispose());
      this.group.clear();
      this.keys = [];
      this.camera = shown?.id ?? '';
      for (const c of cameras) this.way(c);
      if (shown) this.draw(shown);
    });
  }

  /** The line with its ticks. */
  private way(c: Camera): void {
    const { firstFrame, lastFrame } = useSequence.getState().header;
    const n = Math.min(MOST_TICKS, lastFrame - firstFrame + 1);
    const step = (lastFrame - firstFrame) / Math.max(1, n - 1);
    const places = new Float64Array(n * 3);
    core().route(c.id, firstFrame, step, places);
    const geometry = new THREE.BufferGeometry();
    geometry.setAttribute('position', new THREE.Float32BufferAttribute(Float32Array.from(places), 3));
    geometry.computeBoundingSphere();
    if ((geometry.boundingSphere?.radius ?? 0) > 0.002) {
      const colour = c.colour;
      this.group.add(
        new THREE.Line(
          geometry,
          new THREE.LineBasicMaterial({ color: colour, fog: false, transparent: true, opacity: 0.75 }),
        ),
        new THREE.Points(
          geometry,
          new THREE.PointsMaterial({ color: colour, size: 4, sizeAttenuation: false, fog: false }),
        ),
      );
    }
  }

  /** The frustums at the keys. */
  private draw(c: Camera): void {
    const frames = core().standing(c.id, false).slice(0, MOST_KEYS);
    const worlds = new Float64Array(frames.length * 16);
    core().poses(c.id, frames, worlds);
    const lines: number[] = [];
    const reach = 0.45 * c.iconSize;
    const corners = [
      [-0.6, 0.34],
      [0.6, 0.34],
      [0.6, -0.34],
      [-0.6, -0.34],
    ].map(([x, y]) => [x * reach, y * reach, -reach]);
    frames.forEach((frame, i) => {
      const world = [...worlds.subarray(i * 16, i * 16 + 16)];
      const m = new THREE.Matrix4().fromArray(world);
      const put = (p: number[]) =>
        lines.push(...new THREE.Vector3(...(p as [number, number, number])).applyMatrix4(m));
      corners.forEach((p, k) => {
        put([0, 0, 0]);
        put(p);
        put(p);
        put(corners[(k + 1) % 4]);
      });
      this.keys.push({ frame, at: new THREE.Vector3().setFromMatrixPosition(m), world });
    });
    const g = new THREE.BufferGeometry();
    g.setAttribute('position', new THREE.Float32BufferAttribute(lines, 3));
    this.group.add(
      new THREE.LineSegments(
        g,
        new THREE.LineBasicMaterial({ color: palette.marigold, fog: false, depthTest: false }),
      ),
    );
  }
}
