import type { Channel, Entity, Key, KeyShape, Piece as KeptPiece, Unit, Vec3 } from '../../core/types';
import {
  amount,
  frame,
  header,
  kept,
  make,
  metres,
  newId,
  questions,
  type Amount,
  type Frames,
} from './host';

/** A place in the world: across, up and towards the viewer, in metres or as it is typed. */
export type At = [x: Amount, y: Amount, z: Amount];

export const place = (at: At): Vec3 => [metres(at[0]), metres(at[1]), metres(at[2])];

/** A key as it is given: its frame, its value, and how the curve passes. */
export type KeyGiven = [at: Frames, value: Amount] | [at: Frames, value: Amount, shape: KeyShape];

/** Numbers of a matrix, and where its place stands in it. */
const MATRIX = 16,
  PLACE = 12;

/** Something of the sequence, held by its id: it goes on being the same when it is renamed or changed. */
export class Thing<E extends Entity = Entity> {
  readonly id: string;
  readonly kind: E['kind'];

  constructor(id: string, kind: E['kind']) {
    this.id = id;
    this.kind = kind;
  }

  /** As it is kept: every field, with curves and all. */
  get kept(): E {
    const e = kept(this.id);
    if (!e) throw new Error(`What is called ${this.id} is not in the sequence any more.`);
    return e as E;
  }

  /** What it is called. */
  get name(): string {
    return this.kept.name;
  }

  /** Calls it something else. */
  rename(name: string): this {
    make({ kind: 'rename', id: this.id, name });
    return this;
  }

  /** Takes it away. What used it lets it go. */
  remove(): void {
    make({ kind: 'remove', ids: [this.id], letGo: true });
  }

  /** Shows it, or hides it. */
  show(shown = true): this {
    make({ kind: 'show', ids: [this.id], shown });
    return this;
  }

  /** Locks it, or unlocks it. */
  lock(locked = true): this {
    make({ kind: 'lock', ids: [this.id], locked });
    return this;
  }

  /** Lays it on a layer; on none with null. */
  layer(layer: Thing | null): this {
    make({ kind: 'lay', ids: [this.id], layer: layer?.id ?? null });
    return this;
  }

  /** The addresses of all numbers that can be set, such as `x`, `pan` or `focalLength`. */
  get numbers(): string[] {
    return questions.channels(this.id, header().firstFrame).map((c) => c.address);
  }

  /** A number of it at a frame. */
  value(number: string, at: Frames = header().firstFrame): number {
    return this.about(number, frame(at)).value;
  }

  /** Sets a number for good, in place of any keys. */
  set(number: string, value: Amount): this {
    return this.channel(number, this.read(number, value));
  }

  /** Sets a number on a frame: as a key. */
  key(number: string, at: Frames, value: Amount): this {
    make({
      kind: 'setValue',
      id: this.id,
      channel: number,
      frame: frame(at),
      value: this.read(number, value),
      key: true,
    });
    return this;
  }

  /**
   * Moves a number through keys, in place of those it has.
   *
   * @param keys frame and value each, and how the curve passes: `hold`, `straight` or `smooth`, which it is when left out
   */
  keys(number: string, ...keys: KeyGiven[]): this {
    return this.channel(number, {
      keys: keys.map(([at, value, shape]) => keyOf(frame(at), this.read(number, value), shape ?? 'smooth')),
      before: 'hold',
      after: 'hold',
    });
  }

  /** Gives a number a channel as it is kept: one value, or a curve. */
  channel(number: string, value: Channel): this {
    make({ kind: 'setChannel', id: this.id, channel: number, value });
    return this;
  }

  /** Where it is in the world on a frame, in metres. */
  where(at: Frames = header().firstFrame): Vec3 {
    const m = new Float64Array(MATRIX);
    questions.poses(this.id, [frame(at)], m);
    return [m[PLACE], m[PLACE + 1], m[PLACE + 2]];
  }

  private about(number: string, at: number) {
    const found = questions.channels(this.id, at).find((c) => c.address === number);
    if (found) return found;
    const there = this.numbers.slice(0, 12).join(', ');
    throw new Error(`“${this.name}” has no number called “${number}”. It has ${there}.`);
  }

  private read(number: string, value: Amount): number {
    return typeof value === 'number'
      ? amount(value, 'factor')
      : amount(value, this.about(number, header().firstFrame).unit as Unit);
  }
}

const keyOf = (at: number, value: number, shape: KeyShape): Key => ({
  frame: at,
  value,
  shape,
  inFrames: 0,
  inValue: 0,
  outFrames: 0,
  outValue: 0,
  joined: true,
});

/** A stand-in, a model or a group. */
export class Piece extends Thing<KeptPiece> {
  /** Stands it somewhere for good. */
  at(...to: At): this {
    const [x, y, z] = place(to);
    return this.set('x', x).set('y', y).set('z', z);
  }

  /** Turns it about its upright axis; degrees. */
  pan(degrees: Amount): this {
    return this.set('pan', degrees);
  }

  /** Has it go from place to place. */
  goes(...stops: [at: Frames, to: At][]): this {
    const axes = ['x', 'y', 'z'] as const;
    axes.forEach((axis, i) => this.keys(axis, ...stops.map(([at, to]): KeyGiven => [at, place(to)[i]])));
    return this;
  }

  /** Nests it in another; with null in none. It stays where it is. */
  nest(parent: Piece | null): this {
    make({
      kind: 'nest',
      id: this.id,
      parent: parent?.id ?? null,
      keepPlace: true,
      frame: header().firstFrame,
    });
    return this;
  }

  /** Its colour, as `#rrggbb`. */
  paint(colour: string): this {
    make({ kind: 'reshape', id: this.id, shape: this.kept.shape, colour });
    return this;
  }

  /** How its surface takes light. */
  finish(finish: { roughness?: number; metal?: number; glow?: number }): this {
    make({
      kind: 'setFinish',
      ids: [this.id],
      finish: { roughness: 0.8, metal: 0, glow: 0, picture: null, ...finish },
    });
    return this;
  }

  /**
   * Copies it, each copy a step on from the last.
   *
   * @param instances whether they keep the shape of this one
   */
  copies(count: number, step: At, { instances = false } = {}): Piece[] {
    const ids = Array.from({ length: count }, () => newId('piece'));
    if (count > 0) make(...questions.copies([this.id], ids, ...place(step), instances));
    return ids.map((id) => new Piece(id, 'piece'));
  }

  /** Names of points of it that can be looked at, such as eyes or head. */
  get anchors(): string[] {
    return questions.anchors(this.id);
  }
}
