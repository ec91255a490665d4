import type { Placed, Take } from '../core/types';
import { edit } from '../session/document';
import { core } from '../session/evaluated';
import { newId } from '../session/ids';
import { indexAt, placedAt, programme, shotOf } from '../session/programme';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { framesPerSecond } from '../session/settings';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { goToReel, playOver } from '../session/time';

const get = useSequence.getState;

/** How long a new shot is. */
const NEW_SECONDS = 2;

/** The frame of the programme on which the playhead stands. */
const playhead = (): number => Math.floor(get().reel ?? NaN);

/** The shot that an action is about: the selected one, or that on the playhead. */
export function aboutShot(): Placed | undefined {
  const s = get();
  return programme().find((p) => p.id === s.selected[0]) ?? (s.reel === null ? undefined : placedAt(s.reel));
}

/** Does something with the shot an action is about, or says that there is none. */
function withShot(work: (p: Placed) => void): void {
  const p = aboutShot();
  if (!p) {
    say('Select a shot in the reel, or put the playhead on one.');
    return;
  }
  const on = placedAt(get().reel ?? NaN)?.id === p.id;
  work(p);
  if (on) stayOn(p.id);
}

/** The playhead stays on a shot whose ends went past it: what is done next is done to the same one. */
function stayOn(id: string): void {
  const p = programme().find((x) => x.id === id);
  const { reel } = get();
  if (p && reel !== null && (reel < p.first || reel > p.last))
    goToReel(Math.max(p.first, Math.min(p.last, reel)));
}

/** Two shots of the one on the playhead, cut there. */
export function splitHere(): void {
  const i = indexAt(playhead());
  const p = programme()[i];
  if (!p || playhead() === p.first) {
    say('Put the playhead inside a shot: it is split there.');
    return;
  }
  edit(`Split ${p.shot}`, {
    kind: 'splitShot',
    id: p.id,
    after: playhead() - p.first,
    newId: newId('shot'),
    newCode: core().shotCode(i + 1),
  });
}

export const joinNext = (): void =>
  withShot((p) => edit(`Join ${p.shot} and the next`, { kind: 'joinShots', id: p.id }));

/** A gap of its length in its place. */
export const liftShot = (): void =>
  withShot((p) => edit(`Lift ${p.shot}`, { kind: 'liftShot', id: p.id, gapId: newId('gap') }));

/** Takes it out; what follows closes up. */
export const removeShot = (): void =>
  withShot((p) => edit(`Remove ${p.shot}`, { kind: 'remove', ids: [p.id], letGo: true }));

/** The shot begins on the playhead, or ends there; later shots come earlier or later. */
export function trimToPlayhead(end: 'head' | 'tail'): void {
  const at = playhead();
  const p = aboutShot();
  if (!p || Number.isNaN(at)) return withShot(() => {});
  const by = end === 'head' ? at - p.first : p.last - at;
  if (by === 0) return;
  const trim = end === 'head' ? { head: by, tail: 0 } : { head: 0, tail: by };
  if (!edit(`${end === 'head' ? 'Begin' : 'End'} ${p.shot} here`, { kind: 'trimShot', id: p.id, ...trim }))
    return;
  if (end === 'head') goToReel(p.first);
}

export const longer = (by: number): void =>
  withShot((p) =>
    edit(`${p.shot}: ${by > 0 ? 'longer' : 'shorter'}`, { kind: 'trimShot', id: p.id, head: 0, tail: -by }),
  );

export const roll = (by: number): void =>
  withShot((p) => edit(`Roll into ${p.shot}`, { kind: 'rollCut', id: p.id, by }));

export const slip = (by: number): void =>
  withShot((p) => edit(`Slip ${p.shot}`, { kind: 'slipShot', id: p.id, by }));

export const slide = (by: number): void =>
  withShot((p) => edit(`Slide ${p.shot}`, { kind: 'slideShot', id: p.id, by }));

/** Changes places with the shot before or after. */
export function swapOrder(way: 1 | -1): void {
  withShot((p) => {
    const shots = programme();
    const i = shots.findIndex((x) => x.id === p.id);
    if (!shots[i + way]) return;
    const before = shots[way > 0 ? i + 2 : i - 1]?.id ?? null;
    edit(`Move ${p.shot} ${way > 0 ? 'later' : 'earlier'}`, { kind: 'moveShots', ids: [p.id], before });
    const now = programme().find((x) => x.id === p.id);
    if (now) goToReel(now.first);
  });
}

/** Puts a new shot where the playhead is, of the action that is seen there, or behind all. */
export function newShot(how: 'insert' | 'overwrite' | 'append', camera: string | null): void {
  const s = get();
  const last = programme().at(-1);
  const after = last ? Math.round(last.sceneLast) + 1 : Math.round(s.frame);
  const goesOn = how === 'append' && after <= s.header.lastFrame;
  const first = goesOn ? after : Math.round(s.frame);
  const frames = Math.round(NEW_SECONDS * framesPerSecond());
  const id = newId('shot');
  const did = { insert: 'Insert a shot', overwrite: 'Lay a shot over', append: 'Append a shot' }[how];
  const made = editProposed(did, () =>
    core().newShot(s.reel ?? NaN, how, camera ?? '', first, frames, id, newId('shot')),
  );
  if (!made) return;
  select(id);
  goToReel(programme().find((p) => p.id === id)!.first);
}

/** The take after the chosen one, and after the last the first again. */
export function nextTake(): void {
  withShot((p) => {
    const shot = shotOf(p.id)!;
    if (shot.takes.length < 2) {
      say(`${p.shot} has one take. Another is made on its card.`);
      return;
    }
    const next: Take =
      shot.takes[(shot.takes.findIndex((t) => t.id === shot.chosen) + 1) % shot.takes.length];
    edit(`${p.shot}: take ${next.name}`, { kind: 'chooseTake', id: shot.id, take: next.id });
  });
}

/** Plays the shot over and over, or all again. */
export function loopShot(): void {
  const p = aboutShot();
  const { loop } = get();
  const same = p && loop && loop[0] === p.first && loop[1] === p.last;
  playOver(p && !same ? [p.first, p.last] : null);
}
