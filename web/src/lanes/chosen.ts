import { chooseKeys } from '../session/selection';
import type { Channel, Curve, Key, MotionEdit } from '../core/types';
import { core } from '../session/evaluated';
import { channelOf } from '../fields/NumberField';
import { edit } from '../session/document';
import { editProposed, previewProposed } from '../session/proposals';
import { attempt, say } from '../session/said';
import { useSequence } from '../session/state';

/** Keys that are chosen in one lane. */
export interface Picked {
  id: string;
  channel: string;
  frames: number[];
}

const get = useSequence.getState;

export const laneOf = (id: string, channel: string): string => `${id}:${channel}`;
export const partsOf = (lane: string): { id: string; channel: string } => ({
  id: lane.slice(0, lane.indexOf(':')),
  channel: lane.slice(lane.indexOf(':') + 1),
});

const isCurve = (c: Channel | undefined): c is Curve => typeof c === 'object';

/** The curve of a lane, or undefined when it has none. */
export function curveOf(id: string, channel: string): Curve | undefined {
  const c = channelOf(get().entities[id], channel);
  return isCurve(c) ? c : undefined;
}

/** All chosen keys that still stand and whose lane is there to be seen, lane by lane. */
export function chosen(): Picked[] {
  const { selected, openLanes } = get();
  return Object.entries(get().chosenKeys)
    .filter(([lane]) => lane.startsWith(`${selected[0]}:`) || openLanes.includes(lane))
    .map(([lane, frames]) => {
      const { id, channel } = partsOf(lane);
      const there = curveOf(id, channel)?.keys ?? [];
      return { id, channel, frames: frames.filter((f) => there.some((k) => k.frame === f)) };
    })
    .filter((p) => p.frames.length > 0);
}

const request = (picked: Picked[], edit: MotionEdit) => core().motion({ picked, edit });

/** Edits chosen keys. */
export const editKeys = (label: string, picked: Picked[], edit: MotionEdit): boolean =>
  editProposed(label, () => request(picked, edit));

/** Shows an edit of chosen keys while something is dragged. */
export const previewKeys = (label: string, picked: Picked[], edit: MotionEdit): void =>
  previewProposed(label, () => request(picked, edit));

/** Every moving channel of a thing, or of one of its rig parts, with all its keys. */
export function wholeMotion(id: string, part?: string): Picked[] {
  const e = get().entities[id];
  if (!e) return [];
  const all = core().channels(id, get().frame);
  return all
    .filter((c) => c.keyed && (!part || c.address.startsWith(`${part}/`)))
    .map((c) => ({ id, channel: c.address, frames: [] }));
}

/** Takes the chosen keys away, saying whose they were; false when none is chosen. */
export function removeChosen(): boolean {
  const lanes = chosen();
  if (!lanes.length) return false;
  const count = lanes.reduce((n, p) => n + p.frames.length, 0);
  const names = lanes.map((p) => labelOf(p.id, p.channel));
  const done = edit(
    'Remove keys',
    ...lanes.map((p) => ({ kind: 'removeKeys' as const, id: p.id, channel: p.channel, frames: p.frames })),
  );
  if (done) {
    say(`${count === 1 ? '1 key' : `${count} keys`} of ${names.join(', ')} removed.`);
    chooseKeys({});
  }
  return true;
}

/** A number's name with whose it is, e.g. “Pan of Crane”. */
function labelOf(id: string, channel: string): string {
  const all = core().channels(id, get().frame);
  return `${all.find((c) => c.address === channel)?.label ?? channel} of ${get().entities[id]?.name ?? ''}`;
}

/** Keys that were copied: those of each lane. */
let clip: { channel: string; part: string; keys: Key[] }[] = [];

/** What a channel belongs to: the kind of its rig part, or nothing. */
function partKind(id: string, channel: string): string {
  const e = get().entities[id];
  const slash = channel.indexOf('/');
  if (slash < 0 || e?.kind !== 'camera') return '';
  return e.rig.find((p) => p.id === channel.slice(0, slash))?.kind ?? '';
}

/** Copies the chosen keys of all lanes. */
export function copyKeys(): number {
  const lanes = chosen();
  if (!lanes.length) return 0;
  clip = lanes.map((p) => ({
    channel: p.channel,
    part: partKind(p.id, p.channel),
    keys: curveOf(p.id, p.channel)!.keys.filter((k) => p.frames.includes(k.frame)),
  }));
  return clip.reduce((n, c) => n + c.keys.length, 0);
}

export const hasCopied = (): boolean => clip.length > 0;

/** The number of a thing that copied keys go to: the same one, or that of its first such part. */
function sameNumber(id: string, from: { channel: string; part: string }): string | undefined {
  const all = core()
    .channels(id, get().frame)
    .map((c) => c.address);
  if (all.includes(from.channel) && partKind(id, from.channel) === from.part) return from.channel;
  const name = from.channel.slice(from.channel.indexOf('/') + 1);
  return from.part
    ? all.find((a) => a.endsWith(`/${name}`) && partKind(id, a) === from.part)
    : all.find((a) => a === name);
}

/**
 * Pastes copied keys on the present frame, into the lanes that are chosen (one copied lane may go to
 * several) or else into the same numbers of what is selected.
 */
export function pasteKeys(): boolean {
  if (!clip.length) {
    say('Nothing was copied yet. Choose keys and press Ctrl+C.');
    return false;
  }
  const first = Math.min(...clip.map((c) => c.keys[0].frame));
  const frame = Math.round(get().frame);
  const lanes = chosen();
  const to: { id: string; channel: string; keys: Key[] }[] = [];
  const missing: string[] = [];
  if (clip.length === 1 && lanes.length) for (const p of lanes) to.push({ ...p, keys: clip[0].keys });
  else
    for (const id of get().selected)
      for (const c of clip) {
        const channel = sameNumber(id, c);
        if (channel) to.push({ id, channel, keys: c.keys });
        else missing.push(c.channel.slice(c.channel.indexOf('/') + 1));
      }
  if (!to.length) {
    say(`What is selected has no ${missing[0] ?? 'number'} to paste these keys into. Select what has.`, true);
    return false;
  }
  const commands = to.map((t) =>
    attempt(() =>
      request([{ id: t.id, channel: t.channel, frames: [] }], {
        kind: 'paste',
        frame: frame + t.keys[0].frame - first,
        keys: t.keys,
      }),
    ),
  );
  if (commands.includes(undefined)) return false;
  const done = edit('Paste keys', ...commands.flatMap((c) => c!));
  if (done) say(`Keys pasted into ${to.map((t) => labelOf(t.id, t.channel)).join(', ')}.`);
  return done;
}
