import type { Camera, RigPart } from '../core/types';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { palette } from '../theme/tokens';

/** Part names with what each is for, and the accent each is drawn in; in the order they are offered. */
export const PARTS: Record<RigPart['kind'], { name: string; for: string; accent: string }> = {
  base: { name: 'Base', for: 'Where the stack stands, or what it rides', accent: palette.slate },
  framings: {
    name: 'Framings',
    for: 'Travels between other cameras’ framings',
    accent: 'var(--coral)',
  },
  rail: { name: 'Rail', for: 'Rides a path at even speed', accent: 'var(--marigold)' },
  slide: {
    name: 'Slide',
    for: 'Truck, pedestal, dolly: one straight move, one curve',
    accent: 'var(--marigold)',
  },
  arm: { name: 'Arm', for: 'A crane: length, swing and lift', accent: 'var(--marigold)' },
  head: { name: 'Head', for: 'Pan, tilt and roll', accent: 'var(--coral)' },
  attention: {
    name: 'Attention',
    for: 'Looks at subjects and turns from one to another',
    accent: 'var(--teal)',
  },
  dollyZoom: {
    name: 'Dolly zoom',
    for: 'Holds a size while the distance or the lens changes',
    accent: 'var(--lilac)',
  },
  spring: { name: 'Spring', for: 'Follows late, and settles', accent: palette.slate },
  operator: { name: 'Operator', for: 'Someone holds the camera: sway, steps, breath', accent: palette.slate },
  trim: { name: 'Trim', for: 'A small offset on top, for a note', accent: 'var(--lilac)' },
};

/** A part of a kind as it starts. */
export function fresh(kind: RigPart['kind']): RigPart {
  const id = newId(kind);
  switch (kind) {
    case 'base':
      return { kind, id, on: true, rides: null, takes: 'position', channels: {} };
    case 'rail':
      return { kind, id, on: true, path: null, facing: 'keep', guide: null, level: true, channels: {} };
    case 'framings':
      return {
        kind,
        id,
        on: true,
        route: 'straight',
        keepHorizon: true,
        cameras: [],
        cues: [],
        channels: {},
      };
    case 'dollyZoom':
      return { kind, id, on: true, subject: null, gives: 'lens', mmPerM: 1, channels: {} };
    case 'arm':
      return { kind, id, on: true, level: true, channels: {} };
    case 'trim':
      return { kind, id, on: true, label: '', span: null, channels: {} };
    case 'operator':
      return { kind, id, on: true, preset: 'onShoulder', stepsPerSecond: 1.8, seed: 1, channels: {} };
    case 'attention':
      return {
        kind,
        id,
        on: true,
        up: 'world',
        upPiece: null,
        blend: 'directions',
        subjects: [],
        cues: [],
        channels: {},
      };
    default:
      return { kind, id, on: true, channels: {} };
  }
}

/** Where a new part goes: framings and rails next to the ground, everything else on top. */
export function indexFor(kind: RigPart['kind'], rig: RigPart[]): number {
  if (kind === 'base') return 0;
  const base = rig.findIndex((p) => p.kind === 'base');
  if (kind === 'framings') return base + 1;
  if (kind === 'rail')
    return (
      Math.max(
        base,
        rig.findIndex((p) => p.kind === 'framings'),
      ) + 1
    );
  return rig.length;
}

/** Puts a new part on a camera's stack. */
export const addPart = (camera: Camera, kind: RigPart['kind']): boolean =>
  edit(`Add ${PARTS[kind].name}`, {
    kind: 'addPart',
    camera: camera.id,
    part: fresh(kind),
    index: indexFor(kind, camera.rig),
  });

/** A copy of a part with an id of its own. */
export const copyOf = (part: RigPart): RigPart => ({ ...part, id: newId(part.kind) });
