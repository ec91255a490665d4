import type { Camera, RigPart } from '../core/types';
import { core } from '../session/evaluated';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
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

/** Puts a new part on a camera's stack. */
export const addPart = (camera: Camera, kind: RigPart['kind']): boolean =>
  editProposed(`Add ${PARTS[kind].name}`, () => core().newPart(camera.id, kind, newId(kind)));

/** A copy of a part with an id of its own. */
export const copyOf = (part: RigPart): RigPart => ({ ...part, id: newId(part.kind) });
