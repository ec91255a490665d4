import { askFor, type What } from '../doing/renders';
import { getJson } from '../session/http';
import { say } from '../session/said';
import { drawHere } from './drawnHere';
import { film } from './filming';
import type { Look } from './film';

/** How a preview is made: share of the delivery size, and what it shows. */
export interface How {
  percent: number;
  handles: boolean;
  /** Whether the server draws it, in a browser of its own. */
  byServer: boolean;
  /** Whether a picture that says what the film is goes in front of it. */
  slateInFront?: boolean;
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

/** Asks for a preview of what is here, once every edit is stored, and has it drawn; gives whether it was taken. */
export async function askPreview(what: What, how: How): Promise<boolean> {
  const asked = await askFor<{ id: string }>('previews', what, how);
  if (!asked) return false;
  if (how.byServer) return true;
  // one frame is drawn at once, by the page as it stands; a film in a frame of its own, so that work goes on
  if (what !== 'frame') drawHere(asked.id);
  else
    try {
      await film(await getJson(`/api/renders/${asked.id}`), async () => {});
    } catch (e) {
      say(e instanceof Error ? e.message : String(e), true);
      return false;
    }
  return true;
}
