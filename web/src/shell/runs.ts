import { openWindow } from '../session/windows';
import { camerasOf } from '../session/cameras';
import { stepView } from '../doing/earlierViews';
import { level } from '../frame/LensTools';
import { chosen, copyKeys, hasCopied, pasteKeys, removeChosen } from '../lanes/chosen';
import { cueHere, turnTo } from '../doing/cueing';
import { duplicateSelected, groupSelected, removeSelected } from '../doing/create';
import { isolate } from '../doing/withSelection';
import { play } from '../session/time';
import { desksFor } from '../session/desks';
import { redo, undo } from '../session/document';
import { say } from '../session/said';
import { select, chooseKeys, endPicking } from '../session/selection';
import { useSequence, type LensTool } from '../session/state';
import { goTo } from '../session/time';
import { layOver, lensCamera, setView } from '../session/view';
import type { ShortcutId } from '../shortcuts/list';
import { finishPath } from '../setting/SetView';
import { frameAll, frameSelection } from '../views/setViewers';
import { fold } from '../session/arrangement';
import { nextRegion } from './regions';

const get = useSequence.getState;
const frame = () => Math.round(get().frame);

/** What a shortcut does; false where it means nothing now, and its key is free for another. */
export type Run = (e?: KeyboardEvent) => boolean | void;

const desk =
  (n: number): Run =>
  () => {
    const d = desksFor(get().role)[n - 1];
    if (!d) return false;
    setView({ desk: d.id });
  };

const tool =
  (lensTool: LensTool): Run =>
  () =>
    setView({ lensTool });

/** Goes to the camera that comes before or after in the order of letters. */
function stepCamera(by: 1 | -1): boolean {
  const s = get();
  const cameras = camerasOf(s.entities);
  if (cameras.length < 2) return false;
  const at = cameras.findIndex((c) => c.id === lensCamera(s));
  select(cameras[(at + by + cameras.length) % cameras.length].id);
  return true;
}

/** The first of these that means something now. */
function leave(): boolean {
  const s = get();
  if (s.picking) endPicking();
  else if (s.drawing) setView({ drawing: null });
  else if (s.over) setView({ over: null });
  else if (chosen().length) chooseKeys({});
  else return false;
  return true;
}

/** What every shortcut of the list does. */
export const RUNS: Record<ShortcutId, Run> = {
  commands: () => openWindow({ kind: 'commands' }),
  keys: () => openWindow({ kind: 'keys' }),
  undo,
  redo,
  leave,
  desk1: desk(1),
  desk2: desk(2),
  desk3: desk(3),
  desk4: desk(4),
  desk5: desk(5),
  roster: () => fold(get().desk, 'roster'),
  side: () => fold(get().desk, 'side'),
  nextPart: () => nextRegion(1),
  earlierPart: () => nextRegion(-1),
  play: () => play(!get().playing),
  back: () => goTo(frame() - 1),
  on: () => goTo(frame() + 1),
  first: () => goTo(get().header.firstFrame),
  last: () => goTo(get().header.lastFrame),
  copy: () => {
    if (!chosen().length) return false;
    say(`${copyKeys()} keys copied.`);
  },
  paste: () => {
    if (!hasCopied()) return false;
    pasteKeys();
  },
  nextCamera: () => stepCamera(1),
  earlierCamera: () => stepCamera(-1),
  sheet: () => layOver('sheet'),
  shots: () => layOver('shots'),
  earlierView: () => stepView(lensCamera(get()), -1),
  laterView: () => stepView(lensCamera(get()), 1),
  turnTo: (e) => turnTo(Number(e?.key ?? 1) - 1),
  hold: () => cueHere(),
  holdAtOnce: () => cueHere(true),
  duplicate: () => duplicateSelected(false),
  group: groupSelected,
  alone: isolate,
  remove: () => {
    if (!removeChosen()) removeSelected();
  },
  finishPath: () => {
    if (!get().drawing) return false;
    finishPath();
  },
  frameAll,
  frameSelection,
  'lens-turn': tool('turn'),
  'lens-orbit': tool('orbit'),
  'lens-truck': tool('truck'),
  'lens-dolly': tool('dolly'),
  'lens-roll': tool('roll'),
  'lens-zoom': tool('zoom'),
  level,
};
