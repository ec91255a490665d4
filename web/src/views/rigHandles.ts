import * as THREE from 'three';
import { core } from '../session/evaluated';
import { PARTS } from '../doing/parts';
import { mayKey } from '../session/laneState';
import { attempt } from '../session/said';
import { useSequence } from '../session/state';
import type { Grip } from './grips';
import { palette } from '../theme/tokens';

interface Handle {
  part: string;
  from: [number, number, number];
  at: [number, number, number];
}

/** What the selected camera's parts are dragged by in the set: carriage, arm's end, slide's head. */
export class RigHandles {
  readonly group = new THREE.Group();
  private handles: Handle[] = [];
  private camera = '';
  private made: unknown[] = [];

  /** Brings the handles to the present frame. Gives whether there is something new to draw. */
  update(): boolean {
    const s = useSequence.getState();
    const c = s.entities[s.selected[0]];
    const shown = s.desk === 'move' && s.ghosts && !s.playing && c?.kind === 'camera' ? c : undefined;
    const now = [shown?.id, shown ? s.version : 0, shown ? s.frame : 0];
    if (this.made.length && now.every((v, i) => v === this.made[i])) return false;
    this.made = now;
    this.group.traverse((o) => (o as THREE.Line).geometry?.dispose());
    this.group.clear();
    this.camera = shown?.id ?? '';
    this.handles = shown ? core().rigHandles(shown.id, s.frame) : [];
    if (this.handles.length) this.draw();
    return true;
  }

  private draw(): void {
    const line = new THREE.BufferGeometry();
    const ends = this.handles.flatMap((h) => [...h.from, ...h.at]);
    line.setAttribute('position', new THREE.Float32BufferAttribute(ends, 3));
    const dots = new THREE.BufferGeometry();
    const at = this.handles.flatMap((h) => h.at);
    dots.setAttribute('position', new THREE.Float32BufferAttribute(at, 3));
    const over = { depthTest: false, transparent: true, fog: false };
    this.group.add(
      new THREE.LineSegments(line, new THREE.LineBasicMaterial({ color: palette.marigold, ...over })),
      new THREE.Points(
        dots,
        new THREE.PointsMaterial({ color: '#15223a', size: 13, sizeAttenuation: false, ...over }),
      ),
      new THREE.Points(
        dots,
        new THREE.PointsMaterial({ color: palette.marigold, size: 9, sizeAttenuation: false, ...over }),
      ),
    );
    this.group.children.forEach((c, i) => (c.renderOrder = 7 + i));
  }

  grips(): Grip[] {
    const c = useSequence.getState().entities[this.camera];
    if (c?.kind !== 'camera' || c.locked) return [];
    return this.handles.map((h) => {
      const part = c.rig.find((p) => p.id === h.part);
      return {
        at: new THREE.Vector3(...h.at),
        click: () => {},
        label: `Move the ${part ? PARTS[part.kind].name.toLowerCase() : 'part'}`,
        moved: (to) =>
          attempt(() =>
            core().moveHandle(c.id, h.part, to.x, to.y, to.z, useSequence.getState().frame, mayKey()),
          ) ?? [],
      };
    });
  }
}
