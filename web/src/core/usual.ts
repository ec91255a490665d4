// What things are like when they come, where nobody says otherwise: by hand and by recipe alike. A recipe's machine takes this
// file in as it is, so that it imports nothing but types.
import type { Camera, Entity, Light, LightForm, Mark, Piece, RigPart, StandInKind, Vec3 } from './types';

/** A stand-in: width, height and depth in metres. */
interface StandIn {
  name: string;
  size: Vec3;
  colour: string;
}

/** Stand-ins with the size they come in. */
export const STAND_INS: Record<StandInKind, StandIn> = {
  adult: { name: 'Adult', size: [0.52, 1.83, 0.32], colour: '#5c8fbf' },
  child: { name: 'Child', size: [0.42, 1.2, 0.26], colour: '#e6a83c' },
  sitting: { name: 'Sitting figure', size: [0.52, 1.34, 0.75], colour: '#7a8f5c' },
  box: { name: 'Box', size: [1, 1, 1], colour: '#c9b391' },
  cylinder: { name: 'Cylinder', size: [1, 1, 1], colour: '#a9b7c6' },
  sphere: { name: 'Sphere', size: [1, 1, 1], colour: '#d98b6a' },
  cone: { name: 'Cone', size: [1, 1, 1], colour: '#9ecb6b' },
  plane: { name: 'Plane', size: [4, 0, 4], colour: '#8f9b68' },
  ramp: { name: 'Ramp', size: [1.2, 0.6, 3], colour: '#b9a58a' },
  stairs: { name: 'Stairs', size: [1.2, 2.7, 4], colour: '#b0a69a' },
  arch: { name: 'Arch', size: [3, 3.2, 0.6], colour: '#cbb89c' },
  tree: { name: 'Tree', size: [3, 5, 3], colour: '#5f8f54' },
  vehicle: { name: 'Vehicle', size: [1.8, 1.45, 4.4], colour: '#c4574a' },
};

const COLOURS = ['#f0785a', '#37b6a8', '#b48af0', '#f2b441', '#7fb2f0', '#e58fb8', '#9ecb6b', '#d8b08c'];

/**
 * The colour of the next camera or layer.
 *
 * @param count how many there are
 */
export const nextColour = (count: number): string => COLOURS[count % COLOURS.length];

/** The colour of groups and models, which show none of their own. */
export const PLAIN = '#cccccc';

export function usualPiece(
  id: string,
  name: string,
  shape: Piece['shape'],
  colour: string,
  channels: Piece['channels'] = {},
): Piece {
  return {
    kind: 'piece',
    id,
    name,
    parent: null,
    layer: null,
    shape,
    colour,
    finish: null,
    shown: true,
    locked: false,
    order: 'panTiltRoll',
    channels,
  };
}

/** A stand-in of its usual size and colour, or of others. */
export function usualStandIn(
  id: string,
  name: string,
  form: StandInKind,
  channels: Piece['channels'],
  [width, height, depth]: Vec3 = STAND_INS[form].size,
  colour: string = STAND_INS[form].colour,
): Piece {
  return usualPiece(
    id,
    name,
    { kind: 'standIn', form, width, height, depth, stance: null },
    colour,
    channels,
  );
}

export const usualGroup = (id: string, name: string): Piece => usualPiece(id, name, { kind: 'group' }, PLAIN);

export function usualLayer(id: string, name: string, colour: string): Entity {
  return { kind: 'layer', id, name, colour, shown: true, rendered: true, locked: false };
}

/** A mark at a place; on what it rides where it does. */
export function usualMark(
  id: string,
  name: string,
  [x, y, z]: Vec3,
  rides: string | null = null,
  anchor: string | null = null,
): Mark {
  return { kind: 'mark', id, name, rides, anchor, layer: null, shown: true, channels: { x, y, z } };
}

/** A light of its usual strength, which the core gives. */
export function usualLight(id: string, name: string, form: LightForm, channels: Light['channels']): Light {
  return {
    kind: 'light',
    id,
    name,
    form,
    parent: null,
    layer: null,
    colour: form === 'sun' ? '#fff1dc' : '#ffffff',
    kelvin: form === 'sun' || form === 'guide' ? 0 : 4300,
    softShadow: true,
    shadowTint: '#000000',
    specular: true,
    sky: '#6f9fcf',
    horizon: '#dfe6ea',
    shown: true,
    attention: null,
    channels,
  };
}

/** How far down a light looks that shines one way, degrees. */
export const LIGHT_TILT = -60;

/** Where a light comes from: a sun from nowhere, a bulb to all sides. */
export function lightPlace(
  form: LightForm,
  [x, y, z]: Vec3,
  pan = 0,
  tilt: number = LIGHT_TILT,
): Record<string, number> {
  return form === 'sun' ? {} : { x, y, z, pan, tilt: form === 'point' ? 0 : tilt };
}

/** Where a tripod stands where nobody says: at eye height and three metres back. */
export const TRIPOD: Vec3 = [0, 1.6, 3];

/**
 * A camera on a tripod with a head.
 *
 * @param count how many cameras there are, for its colour
 * @param at where the tripod stands
 * @param head how the head is turned
 */
export function usualCamera(
  id: string,
  name: string,
  letter: string,
  count: number,
  [x, y, z]: Vec3,
  head: Record<string, number> = {},
): Camera {
  const rig: RigPart[] = [
    { kind: 'base', id: 'base', on: true, rides: null, takes: 'position', channels: { x, y, z } },
    { kind: 'head', id: 'head', on: true, channels: head },
  ];
  return {
    kind: 'camera',
    id,
    name,
    letter,
    colour: nextColour(count),
    locked: false,
    lockedChannels: [],
    depthOfField: false,
    motionBlur: false,
    filmBack: null,
    fit: null,
    iconSize: 1,
    focus: null,
    guides: [],
    surround: 1,
    layer: null,
    shown: true,
    channels: {},
    rig,
  };
}
