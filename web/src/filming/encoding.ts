import type { ToDraw } from './film';

/** Frames of one stretch, and how long one may take: each begins with a key frame and is brought by itself. */
const STRETCH_FRAMES = 24;
const STRETCH_MS = 5000;

/**
 * Bits for a pixel of a frame of a million pixels, and fewer for larger ones, whose pixels are more alike: what is drawn has hard
 * edges, and is judged.
 */
const BITS = 0.5;
const MILLION = 1e6;

/** Frames that may wait for the encoder. */
const QUEUE = 2;

/** High profile, level 5.2: up to 4096 pixels a side. */
const CODEC = 'avc1.640034';

/** In what form a page brings what it draws. */
export type Form = 'H264' | 'JPEG' | 'PNG';

/** What was drawn, in a form that can be sent. */
export interface Stretch {
  /** Number of its first frame in the film, from 1. */
  first: number;
  frames: number;
  seconds: number;
  type: string;
  body: Blob;
}

/** Turns drawn frames into stretches that are sent. */
export interface Encoding {
  /** Takes a frame; gives a stretch where one is whole. */
  take(canvas: OffscreenCanvas, number: number, last: boolean): Promise<Stretch | null>;
  end(): void;
}

/** What this browser encodes: H.264 itself where it can, else one picture a frame. One frame alone is a picture without loss. */
export async function formFor(
  { width, height }: { width: number; height: number },
  frames: number,
): Promise<Form> {
  if (frames === 1) return 'PNG';
  if (typeof VideoEncoder === 'undefined') return 'JPEG';
  const can = await VideoEncoder.isConfigSupported(configFor(width, height, 24)).catch(() => null);
  return can?.supported ? 'H264' : 'JPEG';
}

const configFor = (width: number, height: number, perSecond: number): VideoEncoderConfig => ({
  codec: CODEC,
  width,
  height,
  framerate: perSecond,
  bitrate: Math.round(BITS * Math.sqrt(width * height * MILLION) * perSecond),
  latencyMode: 'quality', // which leaves no frame out
  avc: { format: 'annexb' },
});

export function encodingFor(form: Form, film: ToDraw): Encoding {
  return form === 'H264' ? new H264(film) : new Pictures(form);
}

/** One picture a frame. */
class Pictures implements Encoding {
  constructor(private readonly form: 'JPEG' | 'PNG') {}

  async take(canvas: OffscreenCanvas, number: number): Promise<Stretch> {
    const from = performance.now();
    const type = this.form === 'PNG' ? 'image/png' : 'image/jpeg';
    const body = await canvas.convertToBlob({ type, quality: 0.97 });
    return { first: number, frames: 1, seconds: (performance.now() - from) / 1000, type, body };
  }

  end(): void {}
}

/** H.264 by the browser, a stretch at a time. */
class H264 implements Encoding {
  private readonly encoder: VideoEncoder;
  private readonly perSecond: number;
  private chunks: Uint8Array<ArrayBuffer>[] = [];
  private first = 0;
  private began = 0;
  private frames = 0;
  private failed: Error | null = null;

  constructor({ width, height, rate }: ToDraw) {
    this.perSecond = rate[0] / rate[1];
    this.encoder = new VideoEncoder({
      output: (chunk) => {
        const bytes = new Uint8Array(chunk.byteLength);
        chunk.copyTo(bytes);
        this.chunks.push(bytes);
      },
      error: (e) => (this.failed = e),
    });
    this.encoder.configure(configFor(width, height, this.perSecond));
  }

  async take(canvas: OffscreenCanvas, number: number, last: boolean): Promise<Stretch | null> {
    const begins = this.frames === 0;
    if (begins) [this.first, this.began] = [number, performance.now()];
    const picture = new VideoFrame(canvas, { timestamp: Math.round((number * 1e6) / this.perSecond) });
    try {
      this.encoder.encode(picture, { keyFrame: begins });
    } finally {
      picture.close();
    }
    this.frames++;
    while (this.encoder.encodeQueueSize > QUEUE && !this.failed)
      await new Promise((on) => this.encoder.addEventListener('dequeue', on, { once: true }));
    if (this.failed) throw this.failed;
    const long = performance.now() - this.began > STRETCH_MS;
    return last || long || this.frames === STRETCH_FRAMES ? this.stretch() : null;
  }

  private async stretch(): Promise<Stretch> {
    await this.encoder.flush();
    if (this.failed) throw this.failed;
    if (this.chunks.length !== this.frames)
      throw new Error(`the browser encoded ${this.chunks.length} of ${this.frames} frames`);
    const made: Stretch = {
      first: this.first,
      frames: this.frames,
      seconds: (performance.now() - this.began) / 1000,
      type: 'video/h264',
      body: new Blob(this.chunks),
    };
    this.chunks = [];
    this.frames = 0;
    return made;
  }

  end(): void {
    if (this.encoder.state !== 'closed') this.encoder.close();
  }
}
