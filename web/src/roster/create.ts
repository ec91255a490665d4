import type { Camera, Command, Entity, Piece, RigPart, StandInKind } from '../core/types';
import { edit, newId, say, select, useSequence } from '../sequence/store';

const COLOURS = ['#f0785a', '#37b6a8', '#b48af0', '#f2b441', '#7fb2f0', '#e58fb8', '#9ecb6b', '#d8b08c'];

/** Stand-ins with the size they start at, metres. */
export const STAND_INS: {
  form: StandInKind;
  name: string;
  size: [number, number, number];
  colour: string;
}[] = [
  { form: 'adult', name: 'Adult', size: [0.52, 1.83, 0.32], colour: '#5c8fbf' },
  { form: 'child', name: 'Child', size: [0.42, 1.2, 0.26], colour: '#e6a83c' },
  { form: 'box', name: 'Box', size: [1, 1, 1], colour: '#c9b391' },
  { form: 'cylinder', name: 'Cylinder', size: [1, 1, 1], colour: '#a9b7c6' },
  { form: 'sphere', name: 'Sphere', size: [1, 1, 1], colour: '#d98b6a' },
  { form: 'cone', name: 'Cone', size: [1, 1, 1], colour: '#9ecb6b' },
  { form: 'plane', name: 'Plane', size: [4, 0, 4], colour: '#8f9b68' },
];

const all = () => Object.values(useSequence.getState().entities);

function freeName(base: string): string {
  const names = new Set(all().map((e) => e.name));
  if (!names.has(base)) return base;
  for (let i = 2; ; i++) if (!names.has(`${base} ${i}`)) return `${base} ${i}`;
}

function add(label: string, entity: Entity): void {
  if (edit(label, { kind: 'add', entity })) select(entity.id);
}

export function piece(
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
    shape,
    colour,
    shown: true,
    locked: false,
    order: 'panTiltRoll',
    channels,
  };
}

export function addStandIn(form: StandInKind): void {
  const s = STAND_INS.find((x) => x.form === form)!;
  const [width, height, depth] = s.size;
  add(
    `Add ${s.name.toLowerCase()}`,
    piece(newId('piece'), freeName(s.name), { kind: 'standIn', form, width, height, depth }, s.colour),
  );
}

export const addGroup = () =>
  add('Add a group', piece(newId('piece'), freeName('Group'), { kind: 'group' }, '#cccccc'));

export const addMark = () =>
  add('Add a mark', {
    kind: 'mark',
    id: newId('mark'),
    name: freeName('Mark'),
    rides: null,
    channels: { y: 1.6 },
  });

/** A camera on a tripod with a head, at eye height, three metres back. */
export function addCamera(): void {
  const cameras = all().filter((e): e is Camera => e.kind === 'camera');
  const used = new Set(cameras.map((c) => c.letter));
  let letter = 'A';
  for (let i = 0; used.has(letter); i++)
    letter = i < 26 ? String.fromCharCode(65 + i) : 'A' + String.fromCharCode(65 + (i % 26));
  const rig: RigPart[] = [
    { kind: 'base', id: 'base', on: true, rides: null, takes: 'position', channels: { y: 1.6, z: 3 } },
    { kind: 'head', id: 'head', on: true, channels: {} },
  ];
  add('Add a camera', {
    kind: 'camera',
    id: newId('camera'),
    name: freeName(`Camera ${letter}`),
    letter,
    colour: COLOURS[cameras.length % COLOURS.length],
    locked: false,
    depthOfField: false,
    channels: {},
    rig,
  });
}

export function drawPath(): void {
  useSequence.setState({
    drawing: [],
    desk: useSequence.getState().desk === 'deliver' ? 'move' : useSequence.getState().desk,
  });
  say('Click the places the path goes through, then finish it.');
}

/** Takes the selected entities away; what refers to them lets go, after saying so. */
export function removeSelected(): void {
  const { selected, entities } = useSequence.getState();
  if (!selected.length) return;
  const names = selected.map((id) => `“${entities[id]?.name}”`).join(', ');
  const remove: Command = { kind: 'remove', ids: selected, letGo: true };
  if (edit(`Remove ${names}`, remove)) say(`Removed ${names}. Whatever used it let go; undo brings it back.`);
}
