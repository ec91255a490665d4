import { replaceEqualDeep } from '@tanstack/react-query';
import { Refused } from '../core/answer';
import { theCore } from '../core/load';
import type { Camera, Change, Command, Delta, Entity, Header, Made } from '../core/types';
import { forgotten, noted, step, useHistory } from './history';
import type { PendingEdit } from './outbox';
import { attempt, say } from './said';
import { useSequence } from './state';

const set = useSequence.setState;
const get = useSequence.getState;

let base: Record<string, Entity> = {};
let baseHeader: Header;
let onEdit: (edit: PendingEdit) => void = () => {};

/** Who takes finished edits to the server. */
export function whenEdited(take: (edit: PendingEdit) => void): void {
  onEdit = take;
}

const listening = new Set<(commands: Command[]) => void>();

/** Hears of every edit that this page makes; gives what ends it. */
export function whenMade(take: (commands: Command[]) => void): () => void {
  listening.add(take);
  return () => listening.delete(take);
}

/** The entities after a change. What of them is as it was is the same object: a camera that moves keeps its rig parts. */
function patched(from: Record<string, Entity>, change: Change): Record<string, Entity> {
  const next = { ...from };
  for (const id of Object.keys(change.before)) if (!(id in change.after)) delete next[id];
  for (const [id, after] of Object.entries(change.after))
    next[id] = replaceEqualDeep(from[id], after) as Entity;
  return next;
}

/** Those of the chosen things that are still there. */
function stillThere(selected: string[]): string[] {
  const there = selected.filter((id) => base[id]);
  return there.length === selected.length ? selected : there;
}

/** Fills the store from a document the core has opened. */
export function opened(id: string, revision: number): void {
  const doc = theCore().document();
  base = Object.fromEntries(doc.entities.map((e) => [e.id, e]));
  baseHeader = doc.header;
  const s = get();
  const cameras = doc.entities.filter((e): e is Camera => e.kind === 'camera');
  const same = s.id === id;
  const camera = same && base[s.camera] ? s.camera : (cameras[0]?.id ?? '');
  set({
    id,
    revision,
    header: doc.header,
    entities: base,
    version: s.version + 1,
    camera,
    selected: same ? s.selected.filter((x) => base[x]) : camera ? [camera] : [],
    ...(same ? {} : { frame: doc.header.firstFrame }),
  });
  if (!same) forgotten();
}

/**
 * Shows what the core has done; gives it as the core keeps it for taking it back, or null when that is nothing:
 * a handle that came back to where it was taken.
 */
function applied({ change, delta }: Made): Delta | null {
  base = patched(base, change);
  baseHeader = change.headerAfter ?? baseHeader;
  set((s) => ({
    entities: base,
    header: baseHeader,
    version: s.version + 1,
    selected: stillThere(s.selected),
    camera: base[s.camera] ? s.camera : (Object.values(base).find((e) => e.kind === 'camera')?.id ?? ''),
  }));
  const nothing = !change.headerAfter && !Object.keys({ ...change.before, ...change.after }).length;
  return nothing ? null : delta;
}

/** Applies what someone else did. */
export function applyForeign(delta: Delta): void {
  applied(theCore().applyDelta(delta));
}

/** Applies an edit that waits to be stored, again. */
export function reapply(edit: PendingEdit): void {
  applied(theCore().apply(edit.commands));
}

/**
 * Whether this account may not change anything, or not what commands change, after saying so.
 *
 * @param commands those of an edit; who reviews may make some
 */
export function readOnly(commands: Command[] = []): boolean {
  const { mayEdit, mayReview } = get();
  if (mayEdit) return false;
  if (mayReview && commands.length && attempt(() => theCore().ofReview(commands))) return false;
  // once for a whole drag
  if (get().message?.text !== LOOKS_ONLY) say(LOOKS_ONLY, true);
  return true;
}

/** Said where somebody would edit who only looks. */
export const LOOKS_ONLY = 'You may look here but not change. Ask an artist to make this edit.';

/** Refuses a change that touches what is approved. */
function refuseTouched(change: Change): void {
  const { approvals, entities } = get();
  if (!Object.keys(approvals).length) return;
  const id = Object.keys({ ...change.before, ...change.after }).find((x) => approvals[x]);
  if (!id) return;
  const e = entities[id];
  const name = e?.kind === 'camera' ? `Camera ${e.letter}` : (e?.name ?? 'It');
  const text = `${name} was approved by ${approvals[id].by}. A lead or a reviewer reopens it before it is changed.`;
  throw new Refused({ code: 'approved', entity: id, field: '', text });
}

/** As above, of commands that are not made yet. */
function refuseApproved(commands: Command[]): void {
  if (!Object.keys(get().approvals).length) return; // else it is not asked of the core at all
  const change = theCore().preview(commands);
  theCore().endPreview();
  refuseTouched(change);
}

/** Applies an edit and hands it to whoever stores it; gives what it did, null when that is nothing. */
function finished(label: string, commands: Command[]): Delta | null {
  refuseApproved(commands);
  const change = applied(theCore().apply(commands));
  if (!change) return null;
  onEdit({ id: crypto.randomUUID(), label, commands });
  return change;
}

/** Commands that key what has keys without being asked for a key. */
const KEYING: Command['kind'][] = ['setValue', 'walk', 'orbit', 'placeCamera', 'level', 'setLimits'];

/** Refuses, while automatic keying is off, what would put keys by itself. */
function keysByItself(commands: Command[]): boolean {
  if (get().keying !== 'off') return false;
  if (!commands.some((c) => KEYING.includes(c.kind) && 'key' in c && !c.key)) return false;
  const added = attempt(() => theCore().wouldKey(commands));
  if (!added?.length) return false;
  say(
    `Automatic keying is off, and ${added[0]} has keys. Put one here with its small kite, or switch keying on below.`,
    true,
  );
  return true;
}

/** Why commands may not be made: one of them changes a number whose lane is locked on this page. */
function lockedLane(commands: Command[]): boolean {
  const { lockedLanes, entities } = get();
  if (!lockedLanes.length) return false;
  for (const c of commands) {
    if (!('id' in c) || !('channel' in c) || !lockedLanes.includes(`${c.id}:${c.channel}`)) continue;
    say(`The lane of “${entities[c.id]?.name ?? ''}” is locked: unlock it with its small lock first.`, true);
    return true;
  }
  return false;
}

/** Makes an edit: all commands or none. Gives false when it was refused, after saying why. */
export function edit(label: string, ...commands: Command[]): boolean {
  if (commands.length === 0 || readOnly(commands)) return false;
  endPreview();
  if (lockedLane(commands) || keysByItself(commands)) return false;
  return (
    attempt(() => {
      const change = finished(label, commands);
      if (change) {
        noted({ label, change });
        for (const take of listening) take(commands);
      }
      return true;
    }) ?? false
  );
}

let previewed: { label: string; commands: Command[] } | null = null;

/** Has the views show what the core lays over the sequence; it is taken away again where it touches what is approved. */
function overlaid(label: string, commands: Command[], change: Change): boolean {
  const may = attempt(() => {
    refuseTouched(change);
    return true;
  });
  if (!may) {
    theCore().endPreview();
    return false;
  }
  previewed = { label, commands };
  set((s) => ({
    entities: patched(base, change),
    header: change.headerAfter ?? baseHeader,
    version: s.version + 1,
  }));
  return true;
}

const mayBeShown = (commands: Command[]): boolean =>
  !readOnly(commands) && !lockedLane(commands) && !keysByItself(commands);

/** Shows what commands would do while a handle is dragged. A refused one keeps the last good one; then it gives false. */
export function preview(label: string, ...commands: Command[]): boolean {
  if (!mayBeShown(commands)) return false;
  const change = attempt(() => theCore().preview(commands));
  return change ? overlaid(label, commands, change) : false;
}

/** Draws what `show` brings, one view after the other, so that the page goes on between them; gives what `show` gave. */
type InTurns = (show: () => boolean) => Promise<boolean>;

let inTurns: InTurns = (show) => Promise.resolve(show());

/** Says who draws what is laid: it is much. */
export function whenLaid(by: InTurns): void {
  inTurns = by;
}

/** Shows what the core has laid over the sequence already, as a preview; false where it may not be. */
export async function previewLaid(label: string, commands: Command[], change: Change): Promise<boolean> {
  if (!mayBeShown(commands)) {
    theCore().dropLaid();
    return false;
  }
  theCore().showLaid();
  return inTurns(() => overlaid(label, commands, change));
}

/** Whether something is being dragged: a preview lies over the sequence. */
export const previewing = (): boolean => previewed !== null;

/** Makes the previewed commands an edit. */
export function commitPreview(): void {
  const p = previewed;
  endPreview();
  if (p) edit(p.label, ...p.commands);
}

export function endPreview(): void {
  if (!previewed) return;
  previewed = null;
  theCore().endPreview();
  set((s) => ({ entities: base, header: baseHeader, version: s.version + 1 }));
}

function turnBack(way: 'undo' | 'redo'): void {
  if (!useHistory.getState()[way].length) return;
  if (!get().mayReview && readOnly()) return;
  endPreview();
  const done = step(
    way,
    ({ label, change }) =>
      attempt(() => {
        const back = theCore().takeBack(change, way === 'undo');
        const says = `${way === 'undo' ? 'Undo' : 'Redo'}: ${label}`;
        return { change: back.commands.length ? finished(says, back.commands) : null, left: back.left };
      }),
    (change) => theCore().turned(change),
  );
  if (!done) return;
  const others = done.left.length ? `${listed(done.left)} stays as somebody else has made it since.` : '';
  if (done.change) say(`${way === 'undo' ? 'Undone' : 'Done again'}: ${done.label}. ${others}`.trim());
  else say(`Nothing of “${done.label}” is left to take back. ${others}`, true);
}

/** The first few of a list, and how many more there are. */
const listed = (all: string[]): string =>
  all.slice(0, 3).join(', ') + (all.length > 3 ? ` and ${all.length - 3} more` : '');

export const undo = () => turnBack('undo');
export const redo = () => turnBack('redo');

/** Says that what is evaluated and drawn is another now, though the document is the same: a model came, say. */
export const drawnAnew = (): void => set((s) => ({ version: s.version + 1 }));
