import { call } from './http';

/** How the server decodes every recording: samples a second, channels, and seconds in a block. */
export const SAMPLE_RATE = 48000;
const CHANNELS = 2;
export const BLOCK_S = 5;

/** Peaks of a recording for each second of it. */
export const PEAKS_A_SECOND = 100;

/** Blocks that are kept: 128 are ten minutes of one recording, and 245 MB. */
const MOST_BLOCKS = 128;

/** What did not come is asked for again after so long, ms. */
const AGAIN_MS = 5000;

const HALF = 32768;

/** What a block is: it has come, is on its way, did not come, or nothing is there. */
type Block = AudioBuffer | 'coming' | 'failed' | 'none';

const blocks = new Map<string, Block>();
const backwards = new WeakMap<AudioBuffer, AudioBuffer>();
const peaks = new Map<string, Uint8Array>();
const asked = new Set<string>();
const listeners = new Set<() => void>();

/** Tells when peaks or a block have come. */
export function onRecordings(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

const came = () => listeners.forEach((l) => l());

/**
 * Five seconds of a recording, where they are here; they are fetched where they are not.
 *
 * @param block from 0
 */
export function block(recording: string, block: number): AudioBuffer | undefined {
  const name = `${recording}/${block}`;
  const has = blocks.get(name);
  if (has !== undefined) {
    blocks.delete(name); // the one that was used last stands last
    blocks.set(name, has);
    return typeof has === 'object' ? has : undefined;
  }
  blocks.set(name, 'coming');
  void fetchBlock(recording, block).then(
    (b) => {
      blocks.set(name, b ?? 'none');
      while (blocks.size > MOST_BLOCKS) blocks.delete(blocks.keys().next().value!);
      came();
    },
    () => {
      blocks.set(name, 'failed');
      setTimeout(() => blocks.delete(name), AGAIN_MS);
    },
  );
  return undefined;
}

/** Whether a block is on its way. */
export const fetching = (): boolean => [...blocks.values()].includes('coming');

/** A block that runs the other way. */
export function reversed(b: AudioBuffer): AudioBuffer {
  let r = backwards.get(b);
  if (!r) {
    r = new AudioBuffer({ length: b.length, numberOfChannels: CHANNELS, sampleRate: SAMPLE_RATE });
    for (let c = 0; c < CHANNELS; c++) r.getChannelData(c).set(b.getChannelData(c).slice().reverse());
    backwards.set(b, r);
  }
  return r;
}

async function fetchBlock(recording: string, block: number): Promise<AudioBuffer | undefined> {
  const r = await call('GET', `/api/assets/${recording}/samples/${block}`);
  const samples = new Int16Array(await r.arrayBuffer());
  const length = samples.length / CHANNELS;
  if (!length) return undefined;
  const b = new AudioBuffer({ length, numberOfChannels: CHANNELS, sampleRate: SAMPLE_RATE });
  for (let c = 0; c < CHANNELS; c++) {
    const to = b.getChannelData(c);
    for (let i = 0; i < length; i++) to[i] = samples[i * CHANNELS + c] / HALF;
  }
  return b;
}

/** How loud each hundredth of a second of a recording gets, 0 to 255; fetched where it is not here yet. */
export function peaksOf(recording: string): Uint8Array | undefined {
  const has = peaks.get(recording);
  if (has || asked.has(recording)) return has;
  asked.add(recording);
  void call('GET', `/api/assets/${recording}/peaks`)
    .then((r) => r.arrayBuffer())
    .then(
      (b) => {
        peaks.set(recording, new Uint8Array(b));
        came();
      },
      () =>
        setTimeout(() => {
          asked.delete(recording);
          came(); // whoever shows it asks again
        }, AGAIN_MS),
    );
  return undefined;
}
