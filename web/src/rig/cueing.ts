import { theCore } from '../core/load';
import type { Attention, Camera, Command, Cue, Framings, Light } from '../core/types';
import { edit, say, useSequence } from '../session/store';

/** Frames a new turn takes: half a second of film at 24. */
export const TURN_FRAMES = 12;

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

/** Frames in which a turn that is held comes to rest. */
const EASE_OUT = 8;

/**
 * Puts a cue on this frame that holds the mix of this moment; in the middle of a turn it eases out to
 * where the turn would be half that time on, so that it does not stop dead. Gives false when there is
 * nothing to hold.
 *
 * @param atOnce stops a turn on this very frame
 */
export function cueHere(atOnce = false): boolean {
  const on = cued();
  if (!on) return false;
  const ids = members(on.part);
  if (!ids.length) return false;
  const frame = Math.round(useSequence.getState().frame);
  const at = (f: number) => {
    const shares = new Float64Array(ids.length);
    theCore().shares(on.camera.id, on.part.id, f, 1, shares);
    return shares;
  };
  const now = at(frame);
  const turns = !atOnce && at(frame + 1).some((v, i) => Math.abs(v - now[i]) > 1e-6);
  const shares = turns ? at(frame + EASE_OUT / 2) : now;
  return edit('Hold this mix', {
    kind: 'putCue',
    camera: on.camera.id,
    part: on.part.id,
    cue: {
      frame,
      travel: turns ? EASE_OUT : 0,
      ease: turns ? 'slowStop' : 'slowBoth',
      mix: Object.fromEntries(ids.map((id, i) => [id, shares[i]]).filter(([, v]) => (v as number) > 0)),
    },
  });
}

/** Turns to the subject (or goes to the framing) of that number from this frame on. */
export function turnTo(index: number): boolean {
  const on = cued();
  const id = on && members(on.part)[index];
  if (!id) return false;
  const frame = Math.round(useSequence.getState().frame);
  const put = (cue: Cue): Command => ({ kind: 'putCue', camera: on.camera.id, part: on.part.id, cue });
  // a turn that begins where the first cue stands comes from what that cue holds: it moves one frame up
  const first = on.part.cues[0];
  const before = first?.frame === frame && first.mix[id] !== 1 ? [put({ ...first, frame: frame - 1 })] : [];
  return edit(
    `Turn to ${useSequence.getState().entities[id]?.name ?? id}`,
    ...before,
    put({ frame, travel: TURN_FRAMES, ease: 'slowBoth', mix: { [id]: 1 } }),
  );
}
