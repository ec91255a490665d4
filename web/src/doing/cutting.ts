import { create } from 'zustand';
import type { Camera, Command } from '../core/types';
import { edit, endPreview, preview, previewing, readOnly } from '../session/document';
import { core } from '../session/evaluated';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
import { attempt } from '../session/said';
import { useSequence } from '../session/state';
import { onReel } from '../session/time';
import { setView } from '../session/view';

const get = useSequence.getState;

/** What letters have done since playing or practising began; it is shown, and not yet an edit. */
export const usePressed = create<{ commands: Command[]; presses: number }>(() => ({
  commands: [],
  presses: 0,
}));

const NOTHING = { commands: [], presses: 0 };
const LABEL = 'Cut while it plays';

const show = () => preview(LABEL, ...usePressed.getState().commands);

/** Cuts to a camera where the playhead is. While it plays, and in practice, that is shown and kept for later. */
export function cutTo(camera: string): void {
  const s = get();
  const { letter } = s.entities[camera] as Camera;
  if (!onReel(s)) {
    editProposed(`Cut to camera ${letter}`, () =>
      core().cutHere(Math.round(s.frame), s.shot, camera, newId('shot')),
    );
    return;
  }
  if (readOnly()) return;
  const press = { frame: s.reel!, camera, newId: newId('shot') };
  if (!s.playing && s.cutting !== 'practice') {
    editProposed(`Cut to camera ${letter}`, () => core().switched([press]));
    return;
  }
  const more = attempt(() => core().switched([press]));
  if (!more?.length) return;
  const was = usePressed.getState();
  const now = { commands: [...was.commands, ...more], presses: was.presses + 1 };
  if (preview(LABEL, ...now.commands)) usePressed.setState(now);
}

/** Makes what was pressed an edit: one, to be undone at once. */
export function keepPressed(): void {
  const pressed = usePressed.getState();
  usePressed.setState(NOTHING);
  endPreview();
  if (!pressed.commands.length || edit(LABEL, ...pressed.commands)) return;
  // why it was refused has been said; what was pressed is there to be kept later, or dropped
  usePressed.setState(pressed);
  show();
}

/** Leaves the reel as it was. */
export function dropPressed(): void {
  usePressed.setState(NOTHING);
  endPreview();
}

/** How letters cut from now on. What was practised and not kept goes. */
export function setCutting(cutting: 'off' | 'on' | 'practice'): void {
  if (get().cutting === 'practice' && cutting !== 'practice') dropPressed();
  setView({ cutting });
}

/** Takes a camera's letter while letters cut; gives whether it was one. */
export function cutByLetter(e: KeyboardEvent): boolean {
  const s = get();
  if (s.cutting === 'off' || !onReel(s) || e.ctrlKey || e.metaKey || e.altKey || e.key.length !== 1)
    return false;
  const letter = e.key.toUpperCase();
  const camera = Object.values(s.entities).find((c) => c.kind === 'camera' && c.letter === letter);
  if (!camera) return false;
  e.preventDefault();
  if (!e.repeat) cutTo(camera.id);
  return true;
}

useSequence.subscribe((s, old) => {
  if (!usePressed.getState().commands.length) return;
  if (s.id !== old.id) usePressed.setState(NOTHING);
  else if (old.playing && !s.playing && s.cutting !== 'practice') keepPressed();
  else if (s.desk !== 'cut') {
    // other desks show what there is; it waits for this one
    if (old.desk === 'cut') endPreview();
  } else if (s.version !== old.version || old.desk !== 'cut')
    // another edit took the preview away: what is practised is shown on top of it again
    queueMicrotask(
      () =>
        usePressed.getState().commands.length &&
        get().desk === 'cut' &&
        get().cutting === 'practice' &&
        !previewing() &&
        show(),
    );
});
