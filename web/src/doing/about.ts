import type { Camera, DepthReading, Sighting, Vec3 } from '../core/types';
import { LensRow } from '../core/types';
import { core, evaluated, useCore } from '../session/evaluated';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';

export const rulerOf = (camera: string): DepthReading => core().depthRuler(camera);

export function sighting(camera: string, subject: string): Sighting | null {
  return core().sighting(camera, subject, '');
}

/** The subject that framing is about: the chosen one, else what is looked at, else the nearest. */
export function aboutSubject(): string {
  const s = useSequence.getState();
  const id = lensCamera(s);
  const camera = s.entities[id] as Camera | undefined;
  if (!camera) return '';
  if (s.about && s.entities[s.about]) return s.about;
  const chosen = s.selected.find((x) => s.entities[x]?.kind === 'piece' || s.entities[x]?.kind === 'mark');
  if (chosen) return chosen;
  for (const p of camera.rig)
    if (p.kind === 'attention' && p.on && p.subjects.length) return p.subjects[0].entity;
  return rulerOf(id).bars.find((b) => b.inFrame)?.id ?? '';
}

/** As {@link aboutSubject}, in what shall say it anew. */
export function useAboutSubject(): string {
  useSequence((s) => s.about);
  useSequence((s) => s.selected);
  useSequence(lensCamera);
  return useCore(() => aboutSubject());
}

/** The point that the camera orbits, and its distance along the axis. */
export function aboutPoint(): { at: Vec3; alongM: number } {
  const id = lensCamera(useSequence.getState());
  const subject = aboutSubject();
  const s = subject ? sighting(id, subject) : null;
  if (s && s.alongM > 0.05) return { at: [s.x, s.y, s.z], alongM: s.alongM };
  const slot = core().slot(id);
  const { world, lens } = evaluated();
  const o = slot * 16;
  const d = lens[slot * LensRow.SIZE + LensRow.FOCUS];
  return {
    at: [
      world[o + 12] - world[o + 8] * d,
      world[o + 13] - world[o + 9] * d,
      world[o + 14] - world[o + 10] * d,
    ],
    alongM: d,
  };
}
