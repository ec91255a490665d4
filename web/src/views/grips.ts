import * as THREE from 'three';
import { poseOf } from '../doing/earlierViews';
import type { Command } from '../core/types';
import { commitPreview, endPreview, preview } from '../session/document';
import { mayKey } from '../session/laneState';
import { useSequence } from '../session/state';
import { goTo } from '../session/time';
import type { GhostKey } from './ghosts';

/** Something in the set view that is grabbed where it is drawn. */
export interface Grip {
  at: THREE.Vector3;
  /** What a click on it does. */
  click: () => void;
  label: string;
  moved: (to: THREE.Vector3) => Command[];
}

const turned = (k: GhostKey) => {
  const { pan, tilt, roll } = poseOf(Float64Array.from(k.world));
  return { pan, tilt, roll };
};

/** A ghost of a camera: dragging it moves the camera on that frame, a click goes there. */
export function ghostGrip(camera: string, k: GhostKey): Grip {
  return {
    at: k.at,
    click: () => goTo(k.frame),
    label: 'Move the camera on a key',
    moved: (to) => [
      {
        kind: 'placeCamera',
        camera,
        frame: k.frame,
        at: [to.x, to.y, to.z],
        ...turned(k),
        key: mayKey(),
      },
    ],
  };
}

/** A point of the selected path, in a plan or an elevation or freely in the plane that faces the viewer. */
export function pathGrips(): Grip[] {
  const s = useSequence.getState();
  const path = s.entities[s.selected[0]];
  if (path?.kind !== 'path' || s.drawing) return [];
  return path.points.map((p, i) => ({
    at: new THREE.Vector3(...p.at),
    click: () => {},
    label: `Move a point of ${path.name}`,
    moved: (to) => [
      {
        kind: 'reroute',
        id: path.id,
        style: path.style,
        closed: path.closed,
        points: path.points.map((q, k) => (k === i ? { ...q, at: [to.x, to.y, to.z] } : q)),
      },
    ],
  }));
}

/** The grip drawn nearest to a place on the screen, within reach. */
export function gripAt(
  grips: Grip[],
  x: number,
  y: number,
  eye: THREE.Camera,
  width: number,
  height: number,
  px = 10,
): Grip | undefined {
  let best: Grip | undefined;
  let least = px;
  for (const g of grips) {
    const p = g.at.clone().project(eye);
    if (p.z > 1) continue;
    const d = Math.hypot(((p.x + 1) / 2) * width - x, ((1 - p.y) / 2) * height - y);
    if (d < least) {
      least = d;
      best = g;
    }
  }
  return best;
}

/**
 * Drags a grip in the plane through it that faces the viewer, from a pressed pointer to its release.
 * A press without a move is a click.
 */
export function dragGrip(
  grip: Grip,
  e: PointerEvent,
  canvas: HTMLElement,
  eye: THREE.Camera,
  done: () => void,
): void {
  const ray = new THREE.Raycaster();
  const plane = new THREE.Plane().setFromNormalAndCoplanarPoint(
    eye.getWorldDirection(new THREE.Vector3()),
    grip.at,
  );
  const { clientX, clientY } = e;
  let dragged = false;
  const move = (m: PointerEvent) => {
    if (!dragged && Math.hypot(m.clientX - clientX, m.clientY - clientY) < 4) return;
    dragged = true;
    const r = canvas.getBoundingClientRect();
    ray.setFromCamera(
      new THREE.Vector2(((m.clientX - r.left) / r.width) * 2 - 1, 1 - ((m.clientY - r.top) / r.height) * 2),
      eye,
    );
    const to = ray.ray.intersectPlane(plane, new THREE.Vector3());
    if (to) preview(grip.label, ...grip.moved(to));
  };
  const stop = (keep: boolean) => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', up);
    window.removeEventListener('pointercancel', cancel);
    if (keep && dragged) commitPreview();
    else endPreview();
    if (keep && !dragged) grip.click();
    done();
  };
  const up = () => stop(true);
  const cancel = () => stop(false);
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', up);
  window.addEventListener('pointercancel', cancel);
}
