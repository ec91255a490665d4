import { compareNextTake } from '../doing/compared';
import { removeSound, selectedSound, splitSound } from '../doing/sounds';
import { openWindow } from '../session/windows';
import { camerasOf } from '../session/cameras';
import { stepView } from '../doing/earlierViews';
import { level } from '../frame/LensTools';
import { fullScreen } from '../frame/SlateOver';
import { chosen, copyKeys, hasCopied, pasteKeys, removeChosen } from '../lanes/chosen';
import { cueHere, turnTo } from '../doing/cueing';
import { duplicateSelected, groupSelected, removeSelected } from '../doing/create';
import { addMarker, goToMarker } from '../doing/markers';
import { isolate } from '../doing/withSelection';
import { setCutting } from '../doing/cutting';
import {
  joinNext,
  liftShot,
  longer,
  loopShot,
  newShot,
  nextTake,
  removeShot,
  roll,
  slide,
  slip,
  splitHere,
  swapOrder,
  trimToPlayhead,
} from '../doing/reel';
import { desksFor } from '../session/desks';
import { redo, undo } from '../session/document';
import { say } from '../session/said';
import { select, chooseKeys, endPicking } from '../session/selection';
import { useSequence, type LensTool } from '../session/state';
import {
  bounds,
  goIn,
  goToCut,
  onReel,
  play,
  playOver,
  playWithPreRoll,
  shownTime,
  shuttle,
  stepBy,
} from '../session/time';
import { layOver, lensCamera, openDesk, setView, turnRecipes } from '../session/view';
import type { ShortcutId } from '../shortcuts/list';
import { finishPath } from '../setting/SetView';
import { frameAll, frameSelection } from '../views/setViewers';
import { fold } from '../session/arrangement';
import { nextRegion } from './regions';

const get = useSequence.getState;
/** Something that is done to the reel: on other desks its key means nothing. */
const reel = (work: () => void) => () => {
  if (!onReel()) return false;
  work();
};

/** Marks where what is played over and over begins, or ends. */
function rangeFrom(end: 0 | 1): void {
  const [first, last] = get().loop ?? bounds();
  const at = Math.round(shownTime());
  playOver(end === 0 ? [at, Math.max(at, last)] : [Math.min(first, at), at]);
}

/** What a shortcut does; false where it means nothing now, and its key is free for another. */
export type Run = (e?: KeyboardEvent) => boolean | void;

const desk =
  (n: number): Run =>
  () => {
    const d = desksFor(get().role)[n - 1];
    if (!d) return false;
    openDesk(d.id);
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
  preRoll: playWithPreRoll,
  back: () => stepBy(-1),
  on: () => stepBy(1),
  first: () => goIn(bounds()[0]),
  last: () => goIn(bounds()[1]),
  backwards: () => shuttle(-1),
  still: () => play(false),
  forwards: () => shuttle(1),
  nextCut: () => goToCut(1),
  earlierCut: () => goToCut(-1),
  loopShot: reel(loopShot),
  rangeIn: () => rangeFrom(0),
  rangeOut: () => rangeFrom(1),
  rangeOff: () => playOver(null),
  split: reel(() => {
    const sound = selectedSound();
    if (sound) splitSound(sound);
    else splitHere();
  }),
  join: reel(joinNext),
  lift: reel(liftShot),
  insertShot: reel(() => newShot('insert', get().camera)),
  overwriteShot: reel(() => newShot('overwrite', get().camera)),
  beginHere: reel(() => trimToPlayhead('head')),
  endHere: reel(() => trimToPlayhead('tail')),
  longer: reel(() => longer(1)),
  shorter: reel(() => longer(-1)),
  rollBack: reel(() => roll(-1)),
  rollOn: reel(() => roll(1)),
  slipBack: reel(() => slip(-1)),
  slipOn: reel(() => slip(1)),
  slideBack: reel(() => slide(-1)),
  slideOn: reel(() => slide(1)),
  orderEarlier: reel(() => swapOrder(-1)),
  orderLater: reel(() => swapOrder(1)),
  nextTake: reel(nextTake),
  compareTakes: reel(compareNextTake),
  fullScreen,
  marker: reel(addMarker),
  nextMarker: reel(() => goToMarker(1)),
  earlierMarker: reel(() => goToMarker(-1)),
  letters: reel(() => setCutting(get().cutting === 'off' ? 'on' : 'off')),
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
  recipes: () => get().role !== 'guest' && turnRecipes(),
  earlierView: () => stepView(lensCamera(get()), -1),
  laterView: () => stepView(lensCamera(get()), 1),
  turnTo: (e) => turnTo(Number(e?.key ?? 1) - 1),
  hold: () => cueHere(),
  holdAtOnce: () => cueHere(true),
  duplicate: () => duplicateSelected(false),
  group: groupSelected,
  alone: isolate,
  remove: () => {
    if (removeChosen()) return;
    // on the Cut desk it is about shots, unless the keyboard is in the roster
    const sound = selectedSound();
    if (onReel() && sound) removeSound(sound);
    else if (onReel() && !document.activeElement?.closest('aside.left')) removeShot();
    else removeSelected();
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
