import type {
  Camera as KeptCamera,
  LensReport,
  Operator,
  PlaceSubjectBy,
  ReadyRig,
  RigPart,
  Route,
  Sighting,
  Warning,
} from '../../core/types';
import {
  amount,
  frame,
  frames,
  header,
  make,
  metres,
  newId,
  questions,
  type Amount,
  type Frames,
} from './host';
import { place, Thing, type At, type KeyGiven } from './things';

/** When a hand-over begins and how long it takes. */
export interface When {
  /** The frame at which it begins. */
  at?: Frames;
  /** How many frames it takes; at once where it is left out. */
  over?: Frames;
}

const begins = (when: When): number => (when.at === undefined ? header().firstFrame : frame(when.at));
const lasts = (when: When): number => (when.over === undefined ? 0 : frames(when.over));

/** A part of a camera's rig. Its numbers are `part.set('truck', 1)`. */
export class Part<P extends RigPart = RigPart> {
  readonly camera: Camera;
  readonly id: string;

  constructor(camera: Camera, id: string) {
    this.camera = camera;
    this.id = id;
  }

  /** As it is kept. */
  get kept(): P {
    return this.camera.kept.rig.find((p) => p.id === this.id) as P;
  }

  /** Sets a number of it for good. */
  set(number: string, value: Amount): this {
    this.camera.set(`${this.id}/${number}`, value);
    return this;
  }

  /** Sets a number of it on a frame: as a key. */
  key(number: string, at: Frames, value: Amount): this {
    this.camera.key(`${this.id}/${number}`, at, value);
    return this;
  }

  /** Moves a number of it through keys. */
  keys(number: string, ...keys: KeyGiven[]): this {
    this.camera.keys(`${this.id}/${number}`, ...keys);
    return this;
  }

  /** Changes what is no number: `part.change({ facing: 'travel' })`. */
  change(fields: Partial<Omit<P, 'kind' | 'id'>>): this {
    make({ kind: 'setPart', camera: this.camera.id, part: { ...this.kept, ...fields } });
    return this;
  }

  /** Switches it off. */
  off(): this {
    make({ kind: 'switchPart', camera: this.camera.id, part: this.id, on: false });
    return this;
  }

  /** Takes it off the camera. */
  remove(): void {
    make({ kind: 'removePart', camera: this.camera.id, part: this.id });
  }
}

/** Whom a camera looks at, over time. */
export class AttentionPart extends Part {
  /** Looks at somebody: at once, or from a frame on over some frames. */
  passTo(subject: Thing, when: When = {}): this {
    const { camera, id } = this;
    if (!this.looksAt().includes(subject.id)) make(...questions.takeMember(camera.id, id, subject.id));
    make(...questions.turnCuesTo(camera.id, id, subject.id, begins(when), lasts(when)));
    return this;
  }

  /** Shares its attention: `share([[pim, 0.7], [oda, 0.3]])`. What is left stays with the head. */
  share(shares: [Thing, number][], when: When = {}): this {
    for (const [subject] of shares)
      if (!this.looksAt().includes(subject.id))
        make(...questions.takeMember(this.camera.id, this.id, subject.id));
    const mix = Object.fromEntries(shares.map(([subject, share]) => [subject.id, share]));
    const cue = { frame: begins(when), travel: lasts(when), ease: 'slowBoth' as const, mix };
    make({ kind: 'putCue', camera: this.camera.id, part: this.id, cue });
    return this;
  }

  private looksAt(): string[] {
    const part = this.kept;
    return part.kind === 'attention' ? part.subjects.map((s) => s.entity) : [];
  }
}

export class Camera extends Thing<KeptCamera> {
  /** What it is called by in the trade's way: A, B, C … */
  get letter(): string {
    return this.kept.letter;
  }

  /** Stands the tripod somewhere for good. */
  at(...to: At): this {
    const [x, y, z] = place(to);
    const base = this.part('base').id;
    return this.set(`${base}/x`, x).set(`${base}/y`, y).set(`${base}/z`, z);
  }

  /** Turns the head; degrees. */
  aim(pan: Amount, tilt: Amount = 0, roll: Amount = 0): this {
    this.part('head').set('pan', pan).set('tilt', tilt).set('roll', roll);
    return this;
  }

  /** The focal length: `35`, `'50mm'`. */
  lens(focalLength: Amount): this {
    return this.set('focalLength', amount(focalLength, 'millimetres'));
  }

  /** The f-stop; with it depth of field is seen. */
  stop(fStop: Amount): this {
    make({ kind: 'setDepthOfField', camera: this.id, on: true });
    return this.set('fStop', amount(fStop, 'fStop'));
  }

  /** Focuses at a distance along the axis, or on somebody, whom it follows from then on. */
  focus(on: Thing | Amount, when: When = {}): this {
    if (!(on instanceof Thing)) return this.set('focusDistance', metres(on));
    if (when.at === undefined) make(...questions.followFocus(this.id, on.id, header().firstFrame));
    else make(...questions.pullFocus(this.id, on.id, begins(when), lasts(when)));
    return this;
  }

  /** The first part of a kind, put on where there is none. */
  part<K extends RigPart['kind']>(kind: K): Part<Extract<RigPart, { kind: K }>> {
    const there = this.kept.rig.find((p) => p.kind === kind);
    return new Part(this, there?.id ?? this.put(kind));
  }

  /** Puts one more part of a kind on, where such a part goes. */
  add<K extends RigPart['kind']>(kind: K): Part<Extract<RigPart, { kind: K }>> {
    return new Part(this, this.put(kind));
  }

  private put(kind: RigPart['kind']): string {
    const id = newId('part');
    make(...questions.newPart(this.id, kind, id));
    return id;
  }

  /** Whom it looks at. */
  attention(): AttentionPart {
    return new AttentionPart(this, this.part('attention').id);
  }

  /** Looks at somebody from the beginning on. */
  lookAt(subject: Thing): this {
    this.attention().passTo(subject);
    return this;
  }

  /**
   * Rides along a path.
   *
   * @param from,to progress, per cent of its length; between the frames `first` and `last`
   */
  rail(
    path: Thing,
    { from = 0, to = 100, first, last }: { from?: number; to?: number; first?: Frames; last?: Frames } = {},
  ): Part {
    const rail = this.part('rail').change({ path: path.id });
    const h = header();
    return rail.keys('progress', [first ?? h.firstFrame, from], [last ?? h.lastFrame, to]);
  }

  /** Gives it a rig that is ready to use, on its present place. */
  ready(
    kind: ReadyRig,
    { subject, path, between = [] }: { subject?: Thing; path?: string; between?: Camera[] } = {},
  ): this {
    const ids = between.map((c) => c.id);
    make(
      ...questions.readyRig(
        this.id,
        kind,
        subject?.id ?? '',
        path ?? newId('path'),
        ids,
        header().firstFrame,
      ),
    );
    return this;
  }

  /** Holds it like somebody does: a part of its own, the same every time for the same seed. */
  handheld(preset: Operator['preset'] = 'onShoulder', seed = 1): Part<Operator> {
    return this.add('operator').change({ preset, seed }) as Part<Operator>;
  }

  /** Travels between the framings of other cameras. */
  travel(stops: [camera: Camera, at: Frames, over: Frames][], route: Route = 'straight'): Part {
    const part = this.part('framings').change({ route, cameras: stops.map(([c]) => c.id) });
    const cues = stops.map(([c, at, over]) => ({
      frame: frame(at),
      travel: frames(over),
      ease: 'slowBoth' as const,
      mix: { [c.id]: 1 },
    }));
    make({ kind: 'setCues', camera: this.id, part: part.id, cues });
    return part;
  }

  /**
   * Puts somebody at a place of the frame.
   *
   * @param across,down from the left and from the top, 0 to 1
   * @param size share of the frame's height; left as it is where it is left out
   * @param by moving, turning or the lens
   */
  frameUp(
    subject: Thing,
    {
      across = 0.5,
      down = 0.5,
      size = 0,
      by = 'move',
      at = header().firstFrame,
      anchor = '',
      key = false,
    }: {
      across?: number;
      down?: number;
      size?: number;
      by?: PlaceSubjectBy;
      at?: Frames;
      anchor?: string;
      key?: boolean;
    } = {},
  ): this {
    make(...questions.placeSubject(this.id, subject.id, anchor, across, down, size, by, frame(at), key));
    return this;
  }

  /** Where somebody is in the frame (across and down, 0 to 1) and how far; null across where behind the lens. */
  sees(subject: Thing, at: Frames = header().firstFrame, anchor = ''): Sighting {
    this.evaluated(at);
    const seen = questions.sighting(this.id, subject.id, anchor);
    if (!seen) throw new Error(`“${subject.name}” cannot be looked at: it has no place.`);
    return seen;
  }

  /** Whether a point of somebody is in the frame. */
  holds(subject: Thing, at: Frames = header().firstFrame, anchor = ''): boolean {
    const { across, down } = this.sees(subject, at, anchor);
    return across !== null && down !== null && across >= 0 && across <= 1 && down >= 0 && down <= 1;
  }

  /** How large somebody is on a frame: a share of its height. */
  size(subject: Thing, at: Frames = header().firstFrame): number {
    return questions.frameReport(this.id, frame(at), 1, 1).find((r) => r.id === subject.id)?.height[0] ?? 0;
  }

  /** Angle of view, hyperfocal distance, near and far limits and more. */
  lensReport(at: Frames = header().firstFrame): LensReport {
    this.evaluated(at);
    return questions.lensReport(this.id);
  }

  /** What is pointed out about its move. */
  warnings(first: Frames = header().firstFrame, last: Frames = header().lastFrame): Warning[] {
    return questions.warnings(this.id, frame(first), frame(last));
  }

  /** A plain camera beside it that does what it does, frame by frame. */
  bake({
    first = header().firstFrame,
    last = header().lastFrame,
  }: { first?: Frames; last?: Frames } = {}): Camera {
    const id = newId('camera');
    make(...questions.bakePlain(this.id, frame(first), frame(last), 0, 0, 0, id).commands);
    return new Camera(id, 'camera');
  }

  private evaluated(at: Frames): void {
    questions.evaluate(frame(at));
  }
}
