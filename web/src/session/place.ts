import { desksFor } from './desks';
import { useSequence, type SequenceState } from './state';
import { goTo } from './time';

/** What links made by earlier builds call the last desk. */
const EARLIER_HAND_OVER = 'deliver';

/** The sequence that an address names, if it names one. */
export const sequenceIn = (hash: string): string => hash.replace(/^#/, '').split('?')[0];

/** The revision that an address asks to look at a sequence at; null for now. */
export function momentIn(hash: string): number | null {
  const at = new URLSearchParams(hash.split('?')[1] ?? '').get('at');
  return at !== null && /^\d{1,15}$/.test(at) ? Number(at) : null;
}

/** An address that leads to a sequence's desk, camera and frame as they are now. */
export function linkTo(s: SequenceState): string {
  const camera = s.entities[s.camera];
  const asked = new URLSearchParams({ desk: s.desk, frame: String(Math.round(s.frame)) });
  if (camera?.kind === 'camera') asked.set('camera', camera.letter);
  return `${location.origin}${location.pathname}#${s.id}?${asked.toString()}`;
}

/** Goes where the address says, in the sequence that is open. What is not there is passed over. */
export function goToPlace(hash: string): void {
  const asked = new URLSearchParams(hash.split('?')[1] ?? '');
  const s = useSequence.getState();
  const named = asked.get('desk');
  const desk = desksFor(s.role).find((d) => d.id === (named === EARLIER_HAND_OVER ? 'handover' : named));
  const letter = asked.get('camera');
  const camera = Object.values(s.entities).find((e) => e.kind === 'camera' && e.letter === letter);
  if (desk) useSequence.setState({ desk: desk.id });
  if (camera) useSequence.setState({ camera: camera.id, selected: [camera.id] });
  // the Cut desk is about what is live
  if (desk || camera) useSequence.setState({ followCut: useSequence.getState().desk === 'cut' });
  const frame = Number(asked.get('frame') ?? NaN);
  if (Number.isFinite(frame)) goTo(frame);
}
