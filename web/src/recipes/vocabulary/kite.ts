import type {
  Entity,
  Header,
  Light,
  LightForm,
  Mark,
  Path,
  PathShapesForm,
  PathStyle,
  Piece as KeptPiece,
  RigPart,
  StandInKind,
  Vec3,
} from '../../core/types';
import { Camera } from './camera';
import { cut } from './cut';
import {
  allKept,
  commands,
  frame,
  frames,
  header,
  make,
  metres,
  newId,
  outside,
  questions,
  type Amount,
  type Frames,
} from './host';
import { parameter, parameters } from './parameters';
import { Piece, place, Thing, type At } from './things';

/** What each kind of stand-in measures where nothing else is said: width, height and depth in metres; and its colour. */
const STAND_INS: Record<StandInKind, [Vec3, string]> = {
  adult: [[0.52, 1.83, 0.32], '#5c8fbf'],
  child: [[0.42, 1.2, 0.26], '#e6a83c'],
  sitting: [[0.52, 1.34, 0.75], '#7a8f5c'],
  box: [[1, 1, 1], '#c9b391'],
  cylinder: [[1, 1, 1], '#a9b7c6'],
  sphere: [[1, 1, 1], '#d98b6a'],
  cone: [[1, 1, 1], '#9ecb6b'],
  plane: [[4, 0, 4], '#8f9b68'],
  ramp: [[1.2, 0.6, 3], '#b9a58a'],
  stairs: [[1.2, 2.7, 4], '#b0a69a'],
  arch: [[3, 3.2, 0.6], '#cbb89c'],
  tree: [[3, 5, 3], '#5f8f54'],
  vehicle: [[1.8, 1.45, 4.4], '#c4574a'],
};

const CAMERAS = ['#f0785a', '#37b6a8', '#b48af0', '#f2b441', '#7fb2f0', '#e58fb8', '#9ecb6b', '#d8b08c'];

const wrapped = (e: Entity): Thing => {
  if (e.kind === 'camera') return new Camera(e.id, 'camera');
  return e.kind === 'piece' ? new Piece(e.id, 'piece') : new Thing(e.id, e.kind);
};

function added<T extends Entity>(entity: T): T {
  make({ kind: 'add', entity });
  return entity;
}

function named(name: string, kinds: Entity['kind'][] = []): Thing {
  const all = allKept().filter((e) => !kinds.length || kinds.includes(e.kind));
  const e = all.find((x) => x.name === name) ?? all.find((x) => x.id === name);
  if (e) return wrapped(e);
  const near = all.filter((x) => x.name.toLowerCase().includes(name.toLowerCase().slice(0, 3)));
  const hint = near.length
    ? ` There is ${near
        .slice(0, 4)
        .map((x) => `“${x.name}”`)
        .join(', ')}.`
    : '';
  throw new Error(`There is nothing called “${name}”.${hint}`);
}

/** What a recipe works with. Numbers are in metres, degrees and frames, or text with a unit: `'6ft'`, `'35mm'`, `'2s'`. */
export const kite = {
  /** Everything of a kind, or all there is. */
  all(...kinds: Entity['kind'][]): Thing[] {
    return allKept()
      .filter((e) => !kinds.length || kinds.includes(e.kind))
      .map(wrapped);
  },

  /** All cameras. */
  get cameras(): Camera[] {
    return kite.all('camera') as Camera[];
  },

  /** A thing by its name. */
  find: (name: string): Thing => named(name),

  /** A piece by its name. */
  piece: (name: string): Piece => named(name, ['piece']) as Piece,

  /** What is chosen, the frame, and the camera that is looked through, at the moment the recipe was started. */
  get now(): { frame: number; camera: Camera | null; selected: Thing[] } {
    const n = JSON.parse(outside().now()) as { frame: number; camera: string; selected: string[] };
    const all = allKept();
    const one = (id: string) => all.find((e) => e.id === id);
    const camera = one(n.camera);
    return {
      frame: n.frame,
      camera: camera ? (wrapped(camera) as Camera) : null,
      selected: n.selected.map(one).flatMap((e) => (e ? [wrapped(e)] : [])),
    };
  },

  /** Title, frames, rate, standards and what else stands in the sequence's header. */
  get header(): Header {
    return header();
  },

  /** Title, first and last frame and what else stands in the header. */
  setHeader(fields: Partial<Header>): void {
    make({ kind: 'setHeader', header: { ...header(), ...fields } });
  },

  /** Takes everything away. */
  clear(): void {
    const ids = allKept().map((e) => e.id);
    if (ids.length) make({ kind: 'remove', ids, letGo: true });
  },

  /**
   * A stand-in at true scale.
   *
   * @param form what it is; its size is the usual one for it where none is given
   */
  standIn(
    form: StandInKind,
    name: string,
    {
      at = [0, 0, 0],
      width,
      height,
      depth,
      pan = 0,
      colour,
    }: { at?: At; width?: Amount; height?: Amount; depth?: Amount; pan?: number; colour?: string } = {},
  ): Piece {
    const found = STAND_INS[form];
    if (!found) throw new Error(`There is no stand-in “${form}”: ${Object.keys(STAND_INS).join(', ')}.`);
    const [size, usual] = found;
    const [x, y, z] = place(at);
    const of = (given: Amount | undefined, i: number) => (given === undefined ? size[i] : metres(given));
    const entity: KeptPiece = {
      kind: 'piece',
      id: newId('piece'),
      name,
      parent: null,
      layer: null,
      shape: {
        kind: 'standIn',
        form,
        width: of(width, 0),
        height: of(height, 1),
        depth: of(depth, 2),
        stance: null,
      },
      colour: colour ?? usual,
      finish: null,
      shown: true,
      locked: false,
      order: 'panTiltRoll',
      channels: { x, y, z, pan },
    };
    return new Piece(added(entity).id, 'piece');
  },

  /** A group to nest pieces in. */
  group(name: string): Piece {
    const entity: KeptPiece = {
      kind: 'piece',
      id: newId('piece'),
      name,
      parent: null,
      layer: null,
      shape: { kind: 'group' },
      colour: '#cccccc',
      finish: null,
      shown: true,
      locked: false,
      order: 'panTiltRoll',
      channels: {},
    };
    return new Piece(added(entity).id, 'piece');
  },

  /** A layer to lay things on. */
  layer(name: string, colour = '#7fb2f0'): Thing {
    const id = newId('layer');
    added({ kind: 'layer', id, name, colour, shown: true, rendered: true, locked: false });
    return new Thing(id, 'layer');
  },

  /** A named point, free or riding on a piece or its anchor. */
  mark(name: string, at: At, { rides, anchor }: { rides?: Piece; anchor?: string } = {}): Thing<Mark> {
    const [x, y, z] = place(at);
    const entity: Mark = {
      kind: 'mark',
      id: newId('mark'),
      name,
      rides: rides?.id ?? null,
      anchor: rides ? (anchor ?? 'centre') : null,
      layer: null,
      shown: true,
      channels: { x, y, z },
    };
    return new Thing(added(entity).id, 'mark');
  },

  /** A path through places. */
  path(
    name: string,
    through: At[],
    { closed = false, style = 'through' }: { closed?: boolean; style?: PathStyle } = {},
  ): Thing<Path> {
    const points = through.map((p) => ({ at: place(p), in: [0, 0, 0] as Vec3, out: [0, 0, 0] as Vec3 }));
    const entity: Path = { kind: 'path', id: newId('path'), name, style, closed, points };
    return new Thing(added(entity).id, 'path');
  },

  /** A path of a plain shape about a place on the ground. */
  pathShape(form: PathShapesForm, x: Amount, z: Amount): Thing<Path> {
    const id = newId('path');
    make(...questions.pathShape(form, metres(x), metres(z), id));
    return new Thing(id, 'path');
  },

  /**
   * A camera on a tripod with a head; its letter is the next that is free.
   *
   * @param at where the tripod stands; at eye height and three metres back where it is left out
   */
  camera(
    name: string,
    {
      at = [0, 1.6, 3],
      pan = 0,
      tilt = 0,
      lens,
      letter,
    }: { at?: At; pan?: number; tilt?: number; lens?: Amount; letter?: string } = {},
  ): Camera {
    const [x, y, z] = place(at);
    const rig: RigPart[] = [
      { kind: 'base', id: 'base', on: true, rides: null, takes: 'position', channels: { x, y, z } },
      { kind: 'head', id: 'head', on: true, channels: { pan, tilt } },
    ];
    const count = allKept().filter((e) => e.kind === 'camera').length;
    const id = newId('camera');
    added({
      kind: 'camera',
      id,
      name,
      letter: letter ?? questions.freeLetter(),
      colour: CAMERAS[count % CAMERAS.length],
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
    });
    const camera = new Camera(id, 'camera');
    return lens === undefined ? camera : camera.lens(lens);
  },

  /** A camera that is there, by its letter or name. */
  cameraCalled(letterOrName: string): Camera {
    const e = allKept().find(
      (x) => x.kind === 'camera' && (x.letter === letterOrName || x.name === letterOrName),
    );
    if (e) return new Camera(e.id, 'camera');
    const there = kite.cameras.map((c) => c.letter).join(', ') || 'none';
    throw new Error(`There is no camera “${letterOrName}”. There is ${there}.`);
  },

  /** A light with its usual strength. A sun stands nowhere: `kite.light('sun', 'Sun').set('elevation', 12)`. */
  light(
    form: LightForm,
    name: string,
    { at = [0, 2.6, 0], pan = 0, tilt = -60 }: { at?: At; pan?: number; tilt?: number } = {},
  ): Thing<Light> {
    const [x, y, z] = place(at);
    const entity: Light = {
      kind: 'light',
      id: newId('light'),
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
      channels: form === 'sun' ? {} : { x, y, z, pan, tilt: form === 'point' ? 0 : tilt },
    };
    return new Thing(added(entity).id, 'light');
  },

  /** The reel: its shots and markers. */
  cut,

  /** What a recipe may ask for, each with its label. */
  parameter,

  /** Asks for what a recipe is about; gives what was chosen. To be asked before anything else. */
  parameters,

  /** Asks the core: every question that the page itself asks it, about what the recipe has made so far. */
  ask: questions,

  /** Every command by its name, with its fields as they are kept. */
  command: commands,

  /** Makes commands, such as questions that begin with what is wanted propose. */
  make,

  /** Renders a frame once the recipe is kept: through this camera, in per cent of the delivery size. */
  render(camera: Camera, at: Frames, { percent = 25, samples = 16 } = {}): void {
    outside().wish(JSON.stringify({ render: { camera: camera.id, frame: frame(at), percent, samples } }));
  },

  /** A length in metres, of a text with a unit: `'6ft'`. */
  metres,

  /** A number of frames, of a text: `'2s'`. */
  frames,

  /** A frame of the scene, of a text: `'2s'` is two seconds after the first. */
  frame,

  /** A number from 0 up to 1, or between two: the same every time for the same seed. */
  random: (from = 0, to = 1): number => from + (to - from) * outside().random(),

  /** Says how far a long recipe is, 0 to 1. */
  progress: (share: number): void => outside().progress(share),
};

export type Kite = typeof kite;
