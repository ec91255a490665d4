import { theCore } from '../core/load';
import type { Attention, Camera, Framings } from '../core/types';
import { edit, useSequence } from '../sequence/store';

/** Frames a new hand-over takes: half a second of film at 24. */
export const HAND_OVER = 12;

/** The selected camera, or the one looked through, and the part whose cues the keyboard puts. */
function cued(): { camera: Camera; part: Attention | Framings } | undefined {
  const s = useSequence.getState();
  const chosen = s.entities[s.selected[0]];
  const camera = chosen?.kind === 'camera' ? chosen : s.entities[s.camera];
  if (camera?.kind !== 'camera') return undefined;
  const parts = camera.rig.filter(
    (p): p is Attention | Framings => p.on && (p.kind === 'attention' || p.kind === 'framings'),
  );
  const part = parts.findLast((p) => p.kind === 'attention') ?? parts[0];
  return part && { camera, part };
}

const members = (p: Attention | Framings): string[] =>
  p.kind === 'attention' ? p.subjects.map((s) => s.entity) : p.cameras;

/** Puts a cue on this frame that holds the mix of this moment. Gives false when there is nothing to hold. */
export function cueHere(): boolean {
  const on = cued();
  if (!on) return false;
  const ids = members(on.part);
  if (!ids.length) return false;
  const frame = Math.round(useSequence.getState().frame);
  const shares = new Float64Array(ids.length);
  theCore().shares(on.camera.id, on.part.id, frame, 1, shares);
  return edit('Hold this mix', {
    kind: 'putCue',
    camera: on.camera.id,
    part: on.part.id,
    cue: {
      frame,
      travel: 0,
      ease: 'slowBoth',
      mix: Object.fromEntries(ids.map((id, i) => [id, shares[i]]).filter(([, v]) => (v as number) > 0)),
    },
  });
}

/** Hands over to the subject (or framing) of that number from this frame on. */
export function handOverTo(index: number): boolean {
  const on = cued();
  const id = on && members(on.part)[index];
  if (!id) return false;
  return edit(`Hand over to ${useSequence.getState().entities[id]?.name ?? id}`, {
    kind: 'putCue',
    camera: on.camera.id,
    part: on.part.id,
    cue: {
      frame: Math.round(useSequence.getState().frame),
      travel: HAND_OVER,
      ease: 'slowBoth',
      mix: { [id]: 1 },
    },
  });
}
