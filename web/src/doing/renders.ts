import type { FileNames } from '../core/types';
import { postJson } from '../session/http';
import { allStored } from '../session/outbox';
import { shownShot } from '../session/programme';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';

/** What of the sequence: the cut, this shot, this frame, some of the cut's shots by their ids, or frames of the programme. */
export type What = 'cut' | 'shot' | 'frame' | { shots: string[] } | { range: [number, number] };

/** Files that a frame is handed on in. */
export type Form = 'PNG' | 'FINE_PNG' | 'EXR_HALF' | 'EXR';

/** What a render keeps beside its pictures. */
export interface Kept {
  form: Form;
  passes: string[];
  lights: string[];
  surroundings: boolean;
  bounce: boolean;
}

/** What is written into the pictures that are looked at: for each item its place; what is left out is not written. */
export interface BurnIn {
  places: Record<string, string>;
  /** Whether a picture that says what the film is goes in front of it. */
  slate?: boolean;
}

/** Pictures alone. */
export const PICTURES: Kept = { form: 'PNG', passes: [], lights: [], surroundings: true, bounce: false };

/** When a render has its turn. */
export type Urgency = 'URGENT' | 'NORMAL' | 'LATER';

/** What the turns are called. */
const TURNS: [Urgency, string][] = [
  ['URGENT', 'Before all others'],
  ['NORMAL', 'In turn'],
  ['LATER', 'When nothing else waits'],
];

/** Those that somebody may choose: only who may edit comes before all others. */
export const turnsFor = (artist: boolean): [Urgency, string][] => (artist ? TURNS : TURNS.slice(1));

/**
 * How a render is made: share of the delivery size, lens rays a pixel, shots with their handles or without, whether what
 * moves while the shutter is open is blurred, whether what is out of focus is, whether plates and haze are seen, whether the first, last and middle frames come first, when it has its turn, and
 * what is kept beside the pictures.
 */
export interface How {
  percent: number;
  samples: number;
  handles: boolean;
  motionBlur: boolean;
  blur: boolean;
  plates: boolean;
  haze: boolean;
  early: boolean;
  /** Of so many frames one is made; 0 for the first, middle and last of each shot. */
  every: number;
  urgency: Urgency;
  /** How files are called; null for the production's usual way. */
  names: FileNames | null;
  /** What is written into pictures, and where. */
  burnIn: BurnIn;
  kept: Kept;
}

/** A quarter of the delivery size, as quick as it can still be judged. */
export const PREVIEW: How = {
  percent: 25,
  samples: 16,
  handles: false,
  motionBlur: true,
  blur: true,
  plates: true,
  haze: true,
  early: true,
  every: 1,
  urgency: 'NORMAL',
  names: null,
  burnIn: { places: {} },
  kept: PICTURES,
};

/** What of the sequence it is, as the server is asked for it; null where there is nothing such on this frame. */
export function asked(what: What): object | null {
  const s = useSequence.getState();
  const here = shownShot();
  if (what === 'shot' && !here) return null;
  return {
    ...(typeof what === 'object'
      ? 'range' in what
        ? { what: 'range', range: what.range }
        : { what: 'shots', spans: what.shots }
      : what === 'shot'
        ? { what: 'shots', spans: [here!.id] }
        : { what }),
    camera: lensCamera(s),
    frame: s.frame,
  };
}

/**
 * Asks the server for pictures of what is here, once every edit is stored.
 *
 * @param where the address below the sequence's
 * @returns its answer, or null after saying why there is none
 */
export async function askFor<T>(where: 'renders' | 'previews', what: What, how: object): Promise<T | null> {
  const of = asked(what);
  if (!of) {
    say('There is no shot on this frame. Move into the cut first.', true);
    return null;
  }
  try {
    await allStored();
    return await postJson<T>(`/api/sequences/${useSequence.getState().id}/${where}`, { ...of, ...how });
  } catch (e) {
    say(e instanceof Error ? e.message : String(e), true);
    return null;
  }
}

/** Asks for a render; gives whether it was taken. */
export const askRender = async (what: What, how: How): Promise<boolean> =>
  (await askFor('renders', what, how)) !== null;
