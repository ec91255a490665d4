import type { Command, Vec3 } from '../core/types';
import { LensRow } from '../core/types';
import { core, evaluated } from '../session/evaluated';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { goTo } from '../session/time';

/** Where a camera stood, which way it looked and through which lens. */
export interface Pose {
  frame: number;
  at: Vec3;
  pan: number;
  tilt: number;
  roll: number;
  focalLength: number;
}

const MOST = 60;
const past = new Map<string, Pose[]>();
const future = new Map<string, Pose[]>();
const listOf = (m: Map<string, Pose[]>, camera: string) => {
  const of = `${useSequence.getState().id} ${camera}`; // ids are a sequence's own
  return m.get(of) ?? m.set(of, []).get(of)!;
};

/** Position and angles of a rigid transform of 16 numbers. */
export function poseOf(m: Float64Array): Omit<Pose, 'frame' | 'focalLength'> {
  const angles = new Float64Array(3);
  core().angles(m, angles);
  return { at: [m[12], m[13], m[14]], pan: angles[0], tilt: angles[1], roll: angles[2] };
}

function now(camera: string): Pose | undefined {
  const slot = core().slot(camera);
  if (slot < 0) return undefined;
  const { world, lens } = evaluated();
  return {
    ...poseOf(world.slice(slot * 16, slot * 16 + 16)),
    frame: useSequence.getState().frame,
    focalLength: lens[slot * LensRow.SIZE + LensRow.FOCAL],
  };
}

/** Keeps a camera's present view, before it is moved. */
export function remember(camera: string): void {
  const pose = now(camera);
  if (!pose) return;
  listOf(past, camera).push(pose);
  if (listOf(past, camera).length > MOST) listOf(past, camera).shift();
  listOf(future, camera).length = 0;
}

/** The command that puts a camera at a pose. */
export function placed(camera: string, p: Omit<Pose, 'focalLength'>): Command {
  const { at, pan, tilt, roll, frame } = p;
  return { kind: 'placeCamera', camera, frame, at, pan, tilt, roll, key: mayKey() };
}

/** Steps through a camera's earlier views: −1 back, 1 forward. */
export function stepView(camera: string, by: -1 | 1): void {
  const from = listOf(by < 0 ? past : future, camera);
  const to = listOf(by < 0 ? future : past, camera);
  const pose = from.at(-1);
  const here = now(camera);
  if (!pose || !here) {
    say(by < 0 ? 'There is no earlier view of this camera.' : 'This is its latest view.');
    return;
  }
  goTo(pose.frame);
  const lens: Command[] =
    Math.abs(pose.focalLength - here.focalLength) < 1e-9
      ? []
      : [
          {
            kind: 'setValue',
            id: camera,
            channel: 'focalLength',
            frame: pose.frame,
            value: pose.focalLength,
            key: mayKey(),
          },
        ];
  if (!edit(by < 0 ? 'Earlier view' : 'Later view', placed(camera, pose), ...lens)) return;
  from.pop();
  to.push(here);
}

export const hasView = (camera: string, by: -1 | 1): boolean =>
  listOf(by < 0 ? past : future, camera).length > 0;
