import type { Attention, Camera, Framings, Light } from '../core/types';
import { core } from '../session/evaluated';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { useSequence } from '../session/state';

/** Frames that a focus pull usually takes: a second of film at 24. */
export const PULL_FRAMES = 24;

/** Stands for the frames that a turn usually takes. */
export const USUAL_TRAVEL = -1;

/** The selected camera or spot and the part whose cues the keyboard puts: never one not selected. */
function cued(): { camera: Camera | Light; part: Attention | Framings } | undefined {
  const s = useSequence.getState();
  const camera = s.entities[s.selected[0]];
  if (camera?.kind === 'light') return camera.attention ? { camera, part: camera.attention } : undefined;
  if (camera?.kind !== 'camera') {
    if (s.entities[s.camera]) say('Cues go to the selected camera. Select one first.');
    return undefined;
  }
  const parts = camera.rig.filter(
    (p): p is Attention | Framings => p.on && (p.kind === 'attention' || p.kind === 'framings'),
  );
  const part = parts.findLast((p) => p.kind === 'attention') ?? parts[0];
  return part && { camera, part };
}

const members = (p: Attention | Framings): string[] =>
  p.kind === 'attention' ? p.subjects.map((s) => s.entity) : p.cameras;

/**
 * Puts a cue on this frame that holds the mix of this moment; in the middle of a turn it eases out, so that
 * it does not stop dead. Gives false when there is nothing to hold.
 *
 * @param atOnce stops a turn on this very frame
 */
export function cueHere(atOnce = false): boolean {
  const on = cued();
  if (!on || !members(on.part).length) return false;
  const frame = Math.round(useSequence.getState().frame);
  return editProposed('Hold this mix', () => core().holdMix(on.camera.id, on.part.id, frame, atOnce));
}

/** Turns to the subject (or goes to the framing) of that number from this frame on. */
export function turnTo(index: number): boolean {
  const on = cued();
  const id = on && members(on.part)[index];
  if (!id) return false;
  const s = useSequence.getState();
  return editProposed(`Turn to ${s.entities[id]?.name ?? id}`, () =>
    core().turnCuesTo(on.camera.id, on.part.id, id, Math.round(s.frame), USUAL_TRAVEL),
  );
}
