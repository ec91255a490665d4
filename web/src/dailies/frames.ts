import type { RenderShown } from '../doing/renderJobs';
import { at, call } from '../session/http';

/** What a frame shows: through which camera, in which take, which frame of the scene. */
export interface Place {
  camera: string | null;
  take: string | null;
  code: string | null;
  scene: number;
  /** Its own number, as it is called. */
  frame: number;
}

/** Pictures that are held at once, in bytes of their pixels. */
const MOST_BYTES = 180e6;

/** So many are fetched at once: the browser keeps a line for other things. */
const AT_ONCE = 4;

const PIXEL_BYTES = 4;

/** Something that gives a frame's picture by its number, from 1. */
export interface Source {
  /** What tells its pictures from those of others. */
  key: string;
  total: number;
  frame(number: number): Promise<ImageBitmap>;
}

/** Frames of a render, or one of their layers, so many stops lighter where the server makes it so. */
export function frames(job: RenderShown, layer: string | null, stops: number): Source {
  const from = `/api/renders/${job.id}/frames/`;
  const address = (n: number) =>
    layer === null
      ? `${from}${n}.png`
      : `${from}${n}/layer.png?name=${encodeURIComponent(layer)}&stops=${stops}`;
  return {
    key: `${job.id} ${layer ?? '-'} ${layer === null ? 0 : stops}`,
    total: job.total,
    frame: async (n) => createImageBitmap(await (await call('GET', address(n))).blob()),
  };
}

/** Frames of a film, one after the other: a film goes to one moment at a time. */
export function film(job: RenderShown, fps: number): Source {
  let video: HTMLVideoElement | null = null;
  let last: Promise<unknown> = Promise.resolve();
  const opened = async () => {
    if (video) return video;
    const v = document.createElement('video');
    v.muted = true;
    v.preload = 'auto';
    v.src = at(`/api/renders/${job.id}/film.mp4`);
    await new Promise((on, off) => {
      v.onloadeddata = on;
      v.onerror = () => off(new Error('The film cannot be played here.'));
    });
    return (video = v);
  };
  const take = async (n: number) => {
    const v = await opened();
    await new Promise((on) => {
      v.onseeked = on;
      v.currentTime = (n - 0.5) / fps; // its middle, so that rounding leads to no other
    });
    return createImageBitmap(v);
  };
  return {
    key: `${job.id} film`,
    total: job.total,
    frame: (n) => {
      const mine = last.then(() => take(n));
      last = mine.catch(() => undefined);
      return mine;
    },
  };
}

/** Pictures that were looked at last; those of long ago are let go. */
export class Pictures {
  private readonly held = new Map<string, ImageBitmap>();
  private readonly coming = new Set<string>();
  private readonly failed = new Map<string, string>();
  private bytes = 0;
  private gone = false;

  constructor(private readonly came: () => void) {}

  /** A frame's picture, or nothing while it is on its way. */
  get(source: Source, number: number): ImageBitmap | undefined {
    const name = `${source.key} ${number}`;
    const picture = this.held.get(name);
    if (picture) {
      this.held.delete(name);
      this.held.set(name, picture);
      return picture;
    }
    if (this.coming.size < AT_ONCE && !this.coming.has(name) && !this.failed.has(name))
      void this.fetch(source, number, name);
    return undefined;
  }

  /** Why a frame did not come; '' where it did, or is on its way. */
  why(source: Source, number: number): string {
    return this.failed.get(`${source.key} ${number}`) ?? '';
  }

  has(source: Source, number: number): boolean {
    return this.held.has(`${source.key} ${number}`);
  }

  private async fetch(source: Source, number: number, name: string): Promise<void> {
    this.coming.add(name);
    try {
      const picture = await source.frame(number);
      if (this.gone) return picture.close();
      this.held.set(name, picture);
      this.bytes += size(picture);
      for (const [old, p] of this.held) {
        if (this.bytes <= MOST_BYTES || old === name) break;
        this.held.delete(old);
        this.bytes -= size(p);
        p.close();
      }
    } catch (e) {
      this.failed.set(name, e instanceof Error ? e.message : String(e));
    } finally {
      this.coming.delete(name);
      if (!this.gone) this.came();
    }
  }

  /** Frames that are being made may be there the next time. */
  again(): void {
    this.failed.clear();
  }

  dispose(): void {
    this.gone = true;
    for (const p of this.held.values()) p.close();
    this.held.clear();
  }
}

const size = (p: ImageBitmap) => p.width * p.height * PIXEL_BYTES;
