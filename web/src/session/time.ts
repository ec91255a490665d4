import { theCore } from '../core/load';
import { hear, hearFrame, hush } from './hearing';
import { indexAt, placedAt, programme } from './programme';
import { framesPerSecond } from './settings';
import { useSequence, type SequenceState } from './state';

const set = useSequence.setState;
const get = useSequence.getState;

/** How much faster than it was made it can be gone through. */
const MOST_PACE = 8;

let running = 0;

/** Whether the time that is shown is the programme's: on the Cut desk, where there is one. */
export const onReel = (s: SequenceState = get()): boolean => s.desk === 'cut' && programme().length > 0;

/** The first and the last frame of the time that is shown. */
export function bounds(): [number, number] {
  const { header } = get();
  const shots = programme();
  return onReel() ? [shots[0].first, shots.at(-1)!.last] : [header.firstFrame, header.lastFrame];
}

/** The frame of the time that is shown, on which the playhead stands. */
export function shownTime(s: SequenceState = get()): number {
  return onReel(s) ? (s.reel ?? programme()[0].first) : s.frame;
}

/** Where a frame of the scene is seen in the programme: in the shot that is looked at, or in the first that shows it. */
function seenIn(frame: number): Pick<SequenceState, 'reel' | 'shot'> {
  const seen = theCore().seenAt(frame);
  const { shot } = get();
  const at = seen.find((x) => x.id === shot) ?? seen[0];
  return at ? { reel: at.frame, shot: at.id } : { reel: null, shot };
}

/** What is shown on a frame of the programme. */
function onProgramme(frame: number): Pick<SequenceState, 'reel' | 'shot' | 'frame'> {
  const shots = programme();
  const reel = Math.max(shots[0].first, Math.min(shots.at(-1)!.last, frame));
  return { reel, shot: placedAt(reel)!.id, frame: theCore().sceneAt(reel) };
}

/** Shows a frame of the scene, within the sequence; on the reel the nearest that the programme shows. */
export function goTo(frame: number): void {
  const { header } = get();
  const at = Math.max(header.firstFrame, Math.min(header.lastFrame, frame));
  const seen = seenIn(at);
  set(seen.reel === null && onReel() ? onProgramme(nearest(at)) : { frame: at, ...seen });
}

/** Shows a frame of the programme, and lets it be heard. */
export function goToReel(frame: number): void {
  if (!programme().length) return;
  const was = get().reel;
  const to = onProgramme(frame);
  set(to);
  if (!get().playing && onReel() && to.reel !== was && to.reel !== null) hearFrame(to.reel);
}

/** Shows a frame of the time that is shown. */
export const goIn = (frame: number): void => (onReel() ? goToReel(frame) : goTo(frame));

/** So many frames on, or back. */
export const stepBy = (frames: number): void => goIn(Math.round(shownTime()) + frames);

/** Shows where the shot before or after begins; before it, where the one that is shown does. */
export function goToCut(way: 1 | -1): void {
  const shots = programme();
  const { reel } = get();
  if (!shots.length) return;
  const i = reel === null ? -1 : indexAt(reel);
  const began = i >= 0 && reel !== null && Math.round(reel) > shots[i].first;
  const to = shots[way > 0 ? i + 1 : began ? i : i - 1];
  if (to) goToReel(to.first);
  else if (way > 0) goToReel(shots.at(-1)!.last);
}

/** Whether the frame is where the programme has it, after an edit or on another desk. */
function settle(): void {
  const s = get();
  if (!s.id) return;
  if (!onReel(s)) {
    const at = seenIn(s.frame);
    if (at.reel !== s.reel || at.shot !== s.shot) set(at);
    return;
  }
  const at = onProgramme(s.reel ?? seenIn(s.frame).reel ?? nearest(s.frame));
  if (at.reel !== s.reel || at.frame !== s.frame || at.shot !== s.shot) set(at);
}

/** The beginning of the shot whose action is nearest to a frame of the scene. */
function nearest(frame: number): number {
  let best = programme()[0];
  for (const p of programme())
    if (Math.abs(p.sceneFirst - frame) < Math.abs(best.sceneFirst - frame)) best = p;
  return best.first;
}

useSequence.subscribe((s, old) => {
  // frames that are played are those of the time that was shown
  if (s.desk !== old.desk && (s.desk === 'cut' || old.desk === 'cut')) {
    if (s.playing) play(false);
    if (s.loop) set({ loop: null });
  }
  const moved = s.frame !== old.frame && s.reel === old.reel;
  if (s.version === old.version && s.desk === old.desk && s.id === old.id && !moved) return;
  // somebody else, an address or a history may ask for a frame of the scene
  if (moved && s.version === old.version && s.id) set(seenIn(s.frame));
  settle();
});

/**
 * Plays at true speed: the frame shown is always the one the clock asks for, and frames that could
 * not be drawn in time are counted as dropped.
 *
 * @param pace how often its speed; below 0 it runs backwards
 * @param before so many seconds before where the playhead stands, and not before what is played
 */
export function play(on: boolean, pace = 1, before = 0): void {
  cancelAnimationFrame(running);
  hush();
  set({ playing: on, pace, ...(on ? { dropped: 0 } : {}) });
  if (!on) return;
  const fps = framesPerSecond() * Math.abs(pace);
  const [first, last] = get().loop ?? bounds();
  const length = last - first + 1;
  const at = Math.round(shownTime());
  const within = at >= first && at <= last;
  const ahead = within && at < last ? Math.max(first, at - Math.round(before * framesPerSecond())) : first;
  const from = pace < 0 ? (within && at > first ? at : last) : ahead;
  const began = performance.now();
  const seconds = onReel() ? hear({ from, first, last, pace }) : () => (performance.now() - began) / 1000;
  // played faster than it is made, frames are left out on purpose
  const usual = Math.max(1, Math.abs(pace));
  let done = 0;
  const tick = () => {
    if (!get().playing) return hush();
    const n = Math.max(0, Math.floor(seconds() * fps));
    if (n !== done) {
      const gone = from - first + Math.sign(pace) * n;
      const frame = first + (((gone % length) + length) % length);
      const dropped = get().dropped + Math.max(0, Math.floor((n - done) / usual) - 1);
      if (onReel()) set({ ...onProgramme(frame), dropped });
      else set({ frame, ...seenIn(frame), dropped });
      done = n;
    }
    running = requestAnimationFrame(tick);
  };
  running = requestAnimationFrame(tick);
}

/** How much earlier it begins when what leads up to a frame is to be seen, seconds. */
const PRE_ROLL_S = 2;

/** Plays on from a little before the playhead, or ends that. */
export const playWithPreRoll = (): void => play(!get().playing, 1, PRE_ROLL_S);

/** Runs forwards or backwards: again the same way is twice as fast, the other way begins anew. */
export function shuttle(way: 1 | -1): void {
  const { playing, pace } = get();
  const on = playing && Math.sign(pace) === way;
  play(true, on ? way * Math.min(MOST_PACE, Math.abs(pace) * 2) : way);
}

/** Plays a range over and over: from its first to its last frame; null plays all. */
export const playOver = (loop: [number, number] | null): void => set({ loop });
