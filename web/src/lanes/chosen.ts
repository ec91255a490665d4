import { theCore } from '../core/load';
import type { Channel, Curve, Key, MotionEdit } from '../core/types';
import { channelOf } from '../fields/NumberField';
import { editProposed, previewProposed, useSequence } from '../sequence/store';

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

export function choose(lane: string, frames: number[], more = false): void {
  useSequence.setState((s) => ({
    chosenKeys: more ? { ...s.chosenKeys, [lane]: frames } : frames.length ? { [lane]: frames } : {},
  }));
}

const request = (picked: Picked[], edit: MotionEdit) => theCore().motion(JSON.stringify({ picked, edit }));

/** Edits chosen keys. */
export const editKeys = (label: string, picked: Picked[], edit: MotionEdit): boolean =>
  editProposed(label, request(picked, edit));

/** Shows an edit of chosen keys while something is dragged. */
export const previewKeys = (label: string, picked: Picked[], edit: MotionEdit): void =>
  previewProposed(label, request(picked, edit));

/** Every moving channel of a thing, or of one of its rig parts, with all its keys. */
export function wholeMotion(id: string, part?: string): Picked[] {
  const e = get().entities[id];
  if (!e) return [];
  const all = JSON.parse(theCore().channels(id, get().frame)) as { address: string; keyed: boolean }[];
  return all
    .filter((c) => c.keyed && (!part || c.address.startsWith(`${part}/`)))
    .map((c) => ({ id, channel: c.address, frames: [] }));
}

let clip: Key[] = [];

/** Copies the chosen keys of the first lane that has some. */
export function copyKeys(): number {
  const [p] = chosen();
  if (!p) return 0;
  clip = curveOf(p.id, p.channel)!.keys.filter((k) => p.frames.includes(k.frame));
  return clip.length;
}

/** Pastes copied keys into lanes, the first of them on the present frame. */
export function pasteKeys(lanes: string[]): boolean {
  return editKeys(
    'Paste keys',
    lanes.map((l) => ({ ...partsOf(l), frames: [] })),
    { kind: 'paste', frame: Math.round(get().frame), keys: clip },
  );
}
