import type { Marker, Shot as KeptShot, Status } from '../../core/types';
import { allKept, frame, frames, header, make, newId, questions, type Frames } from './host';
import type { Camera } from './camera';
import { Thing } from './things';

export class Shot extends Thing<KeptShot> {
  /** Plays it faster or slower than the scene: 0.5 is half as fast. It shows the same action. */
  speed(first: number, last: number = first, { keepLength = false } = {}): this {
    make(...questions.retimed(this.id, first, last, keepLength));
    return this;
  }

  status(status: Status): this {
    make({ kind: 'setStatus', ids: [this.id], status });
    return this;
  }

  /** Takes another camera. */
  camera(camera: Camera | null): this {
    make({ kind: 'swapCamera', id: this.id, camera: camera?.id ?? null });
    return this;
  }
}

/** The reel. */
export const cut = {
  /** All shots, in their order. */
  get shots(): Shot[] {
    return questions.programme().map((p) => new Shot(p.id, 'shot'));
  },

  /**
   * Puts a shot at the end of the reel.
   *
   * @param camera null for a gap
   * @param first frame of the scene that it begins with
   * @param length how many frames it lasts
   */
  append(camera: Camera | null, first: Frames, length: Frames): Shot {
    const id = newId('shot');
    const end = questions.programme().at(-1)?.last ?? header().firstFrame - 1;
    const begins = frame(first);
    make(
      ...questions.newShot(end + 1, 'append', camera?.id ?? '', begins, frames(length), id, newId('shot')),
    );
    return new Shot(id, 'shot');
  },

  /** Puts a marker on a frame of the programme. */
  marker(at: Frames, name: string, colour = '#f2b441'): Thing<Marker> {
    const id = newId('marker');
    make({ kind: 'add', entity: { kind: 'marker', id, name, frame: frame(at), colour } });
    return new Thing(id, 'marker');
  },

  /** Takes all shots and markers away. */
  clear(): void {
    const ids = allKept()
      .filter((e) => e.kind === 'shot' || e.kind === 'marker')
      .map((e) => e.id);
    if (ids.length) make({ kind: 'remove', ids, letGo: true });
  },
};
