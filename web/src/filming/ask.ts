import { getJson, postJson } from '../session/http';
import { allStored } from '../session/outbox';
import { cutSpans } from '../session/cut';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';
import { drawHere } from './drawnHere';
import { film } from './filming';
import type { Look } from './film';

/** How a preview is made: share of the delivery size, and what it shows. */
export interface How {
  percent: number;
  handles: boolean;
  /** Whether the server draws it, in a browser of its own. */
  byServer: boolean;
  look: Look;
}

/** What a preview shows unless something else is chosen. */
export const USUAL_LOOK: Look = {
  blur: true,
  motionBlur: false,
  plates: true,
  haze: true,
  guides: false,
  slate: true,
};

/** Half of the delivery size, drawn by this page. */
export const USUAL: How = { percent: 50, handles: false, byServer: false, look: USUAL_LOOK };

/** What of the sequence: the cut, some of its shots, or this frame. */
export type What = { cut: true } | { shots: string[] } | { frame: true };

/** The cut's entry that this frame lies in, or undefined. */
export const spanHere = () =>
  cutSpans()
    .filter((c) => c.first <= useSequence.getState().frame)
    .at(-1);

/** Asks for a preview of what is here, once every edit is stored, and has it drawn; gives whether it was taken. */
export async function askPreview(what: What, how: How): Promise<boolean> {
  const s = useSequence.getState();
  const frame = 'frame' in what;
  try {
    await allStored();
    const { id } = await postJson<{ id: string }>(`/api/sequences/${s.id}/previews`, {
      what: frame ? 'frame' : 'cut' in what ? 'cut' : 'shots',
      spans: 'shots' in what ? what.shots : [],
      camera: lensCamera(s),
      frame: Math.round(s.frame),
      ...how,
    });
    if (how.byServer) return true;
    // one frame is drawn at once, by the page as it stands; a film in a frame of its own, so that work goes on
    if (frame) await film(await getJson(`/api/renders/${id}`), async () => {});
    else drawHere(id);
    return true;
  } catch (e) {
    say(e instanceof Error ? e.message : String(e), true);
    return false;
  }
}
