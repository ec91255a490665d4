import type { Delta } from '../core/types';
import { useHistory, type Done } from './history';
import { desksFor, type Desk } from './desks';
import { useSequence } from './state';

/** Edits that can be taken back after a reload. */
const KEPT_UNDO = 60;
const PAUSE_MS = 250;

interface Place {
  desk: Desk;
  frame: number;
  /** The shot it was seen in; builds before shots did not keep it. */
  shot?: string;
  camera: string;
  selected: string[];
  undo: Done[];
  redo: Done[];
}

const shelf = (id: string) => `jolly-kite.place.${id}`;
let timer = 0;

/** Goes back to where this window was in a sequence before it was reloaded. */
export function comeBack(id: string): void {
  // a window opened from another starts with that one's storage; it follows it instead
  const text = globalThis.opener ? null : sessionStorage.getItem(shelf(id));
  if (!text) return;
  try {
    const p = JSON.parse(text) as Place;
    const { entities, header, role } = useSequence.getState();
    const camera = entities[p.camera]?.kind === 'camera' ? { camera: p.camera } : {};
    const desk = desksFor(role).some((d) => d.id === p.desk) ? p.desk : 'move';
    useSequence.setState({
      ...camera,
      desk,
      followCut: desk === 'cut',
      shot: p.shot ?? '',
      frame: Math.max(header.firstFrame, Math.min(header.lastFrame, Number(p.frame) || header.firstFrame)),
      selected: p.selected.filter((x) => entities[x]),
    });
    useHistory.setState({ undo: p.undo.map(ofNow), redo: p.redo.map(ofNow) });
  } catch {
    sessionStorage.removeItem(shelf(id)); // of another build: begin at the beginning
  }
}

/** Earlier builds kept what an edit did as text. */
const ofNow = ({ label, change }: Done): Done => ({
  label,
  change: typeof change === 'string' ? (JSON.parse(change) as Delta) : change,
});

function keep(): void {
  const s = useSequence.getState();
  if (!s.id || globalThis.opener) return;
  const done = useHistory.getState();
  const place: Place = {
    desk: s.desk,
    frame: s.frame,
    shot: s.shot,
    camera: s.camera,
    selected: s.selected,
    undo: done.undo.slice(-KEPT_UNDO),
    redo: done.redo.slice(-KEPT_UNDO),
  };
  try {
    sessionStorage.setItem(shelf(s.id), JSON.stringify(place));
  } catch {
    sessionStorage.setItem(shelf(s.id), JSON.stringify({ ...place, undo: [], redo: [] })); // too large
  }
}

function soon(): void {
  if (!useSequence.getState().id) return;
  clearTimeout(timer);
  timer = globalThis.setTimeout(keep, PAUSE_MS) as unknown as number;
}

useSequence.subscribe((now, before) => {
  if (
    now.desk !== before.desk ||
    now.frame !== before.frame ||
    now.camera !== before.camera ||
    now.selected !== before.selected
  )
    soon();
});
useHistory.subscribe(soon);
globalThis.addEventListener?.('pagehide', keep);
