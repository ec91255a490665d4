import type {
  Entity,
  Header,
  Light,
  LightForm,
  Mark,
  Path,
  PathShapesForm,
  PathStyle,
  StandInKind,
  Vec3,
} from '../../core/types';
import {
  LIGHT_TILT,
  lightPlace,
  nextColour,
  STAND_INS,
  TRIPOD,
  usualCamera,
  usualLayer,
  usualLight,
} from '../../core/usual';
import { Camera } from './camera';
import { cut } from './cut';
import {
  allKept,
  chance,
  commands,
  frame,
  frames,
  header,
  make,
  metres,
  newId,
  outside,
  questions,
  usual,
  type Amount,
  type Frames,
} from './host';
import { parameter, parameters } from './parameters';
import { Piece, place, Thing, type At } from './things';

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
    const [x, y, z] = place(at);
    const of = (given: Amount | undefined, i: number) =>
      given === undefined ? found.size[i] : metres(given);
    const size: Vec3 = [of(width, 0), of(height, 1), of(depth, 2)];
    return new Piece(usual('standIn', name, form, { x, y, z, pan }, size, colour ?? found.colour), 'piece');
  },

  /** A group to nest pieces in. */
  group(name: string): Piece {
    return new Piece(usual('group', name), 'piece');
  },

  /** A layer to lay things on. */
  layer(name: string, colour?: string): Thing {
    const id = newId('layer');
    const count = allKept().filter((e) => e.kind === 'layer').length;
    added(usualLayer(id, name, colour ?? nextColour(count)));
    return new Thing(id, 'layer');
  },

  /** A named point, free or riding on a piece or its anchor. */
  mark(name: string, at: At, { rides, anchor }: { rides?: Piece; anchor?: string } = {}): Thing<Mark> {
    const on = rides ? (anchor ?? 'centre') : null;
    return new Thing(usual('mark', name, place(at), rides?.id ?? null, on), 'mark');
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
      at = TRIPOD,
      pan = 0,
      tilt = 0,
      lens,
      letter,
    }: { at?: At; pan?: number; tilt?: number; lens?: Amount; letter?: string } = {},
  ): Camera {
    const count = allKept().filter((e) => e.kind === 'camera').length;
    const id = newId('camera');
    const free = letter ?? questions.freeLetter();
    added(usualCamera(id, name, free, count, place(at), { pan, tilt }));
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
    { at = [0, 2.6, 0], pan = 0, tilt = LIGHT_TILT }: { at?: At; pan?: number; tilt?: number } = {},
  ): Thing<Light> {
    const channels = lightPlace(form, place(at), pan, tilt);
    return new Thing(added(usualLight(newId('light'), name, form, channels)).id, 'light');
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
  random: (from = 0, to = 1): number => from + (to - from) * chance(),

  /** Says how far a long recipe is, 0 to 1. */
  progress: (share: number): void => outside().progress(share),
};

export type Kite = typeof kite;
