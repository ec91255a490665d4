import { postJson } from '../session/http';
import { allStored } from '../session/outbox';
import { cutSpans } from '../session/cut';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';

/** What of the sequence: the cut, this shot, this frame, or some of the cut's shots by their ids. */
export type What = 'cut' | 'shot' | 'frame' | { shots: string[] };

/**
 * How a render is made: share of the delivery size, lens rays a pixel, a shot with its handles or without, and whether what
 * moves while the shutter is open is blurred.
 */
export interface How {
  percent: number;
  samples: number;
  handles: boolean;
  motionBlur: boolean;
  /** What is kept beside the pictures; pictures alone where it is left out. */
  kept?: object;
}

/** A quarter of the delivery size, as quick as it can still be judged. */
export const PREVIEW: How = { percent: 25, samples: 16, handles: false, motionBlur: true };

/** Asks for a render of what is here, once every edit is stored; gives whether it was taken. */
export async function askRender(what: What, how: How): Promise<boolean> {
  const s = useSequence.getState();
  const span = cutSpans()
    .filter((c) => c.first <= s.frame)
    .at(-1);
  if (what === 'shot' && !span) {
    say('There is no shot on this frame. Move into the cut first.', true);
    return false;
  }
  try {
    await allStored();
    await postJson(`/api/sequences/${s.id}/renders`, {
      what: typeof what === 'string' ? what : 'shots',
      spans: typeof what === 'string' ? [span?.id ?? ''] : what.shots,
      camera: lensCamera(s),
      frame: Math.round(s.frame),
      ...how,
    });
    return true;
  } catch (e) {
    say(e instanceof Error ? e.message : String(e), true);
    return false;
  }
}
