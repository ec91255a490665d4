import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { theCore } from '../core/load';
import { indexAt, programme } from './programme';
import { block, BLOCK_S, fetching, reversed, SAMPLE_RATE } from './recordings';
import { framesPerSecond } from './settings';
import { useSequence } from './state';

/** How loud this window is for whoever sits before it. */
interface Volume {
  /** 0 to 1. */
  volume: number;
  off: boolean;
}

export const useVolume = create<Volume>()(
  persist((): Volume => ({ volume: 1, off: false }), { name: 'jolly-kite.volume' }),
);

/** How far ahead of what is heard sound is laid out, seconds: drawing may hold the page up for as long. */
const AHEAD_S = 4;

/** What is laid out at a time, seconds, and how often that is looked to, ms. */
const PIECE_S = 1;
const LOOK_MS = 100;

/** So shortly before it is heard what has not come is left out, seconds: until then it is waited for. */
const LATE_S = 0.25;

/** Blocks so far ahead are fetched, seconds. */
const FETCH_S = 12;

/** What is heard of a frame while it is gone through by hand, at least, and how quickly it comes and goes, seconds. */
const LEAST_SCRUB_S = 0.08;
const SOFT_S = 0.006;

/** Samples that are listened back to, 0.7 s, the most an analyser keeps; and what counts as now, 43 ms. */
const LATELY = 32_768;
const NOW = 2048;

let context: AudioContext | null = null;
let master: GainNode | null = null;
let listening: AnalyserNode | null = null;

/** Sound that is laid out or heard. */
const sources = new Set<AudioBufferSourceNode>();

const hasSounds = () => Object.values(useSequence.getState().entities).some((e) => e.kind === 'sound');

/** What sound goes through; made when there is something to hear. A browser lets it run once somebody has pressed something. */
function out(): { context: AudioContext; master: GainNode } {
  if (!context || !master) {
    context = new AudioContext({ sampleRate: SAMPLE_RATE, latencyHint: 'interactive' });
    master = context.createGain();
    listening = new AnalyserNode(context, { fftSize: LATELY });
    master.connect(listening).connect(context.destination);
    turned();
  }
  if (context.state === 'suspended') void context.resume();
  return { context, master };
}

function turned(): void {
  const { volume, off } = useVolume.getState();
  if (master) master.gain.value = off ? 0 : volume;
}
useVolume.subscribe(turned);

/** The loudest sample of what this window plays: at this moment, and of late, which is as long as a page may stand still to draw. */
export function loudness(): { now: number; lately: number } {
  if (!listening) return { now: 0, lately: 0 };
  const samples = new Float32Array(LATELY);
  listening.getFloatTimeDomainData(samples);
  const loudest = (of: Float32Array) => of.reduce((most, x) => Math.max(most, Math.abs(x)), 0);
  return { now: loudest(samples.subarray(LATELY - NOW)), lately: loudest(samples) };
}

/** Where a stretch of the programme goes. */
interface Laid {
  /** Frames of the programme. */
  first: number;
  end: number;
  /** The context's second at which it begins, or, backwards, at which its end is heard. */
  at: number;
  /** How often its speed; below 0 backwards. */
  pace: number;
}

const onGrid = (seconds: number) => Math.round(seconds * SAMPLE_RATE) / SAMPLE_RATE;

/**
 * Lays out what is heard in a stretch. What has not come from the server yet is left out.
 *
 * @param kept takes every source that was made
 */
export function layOut(
  ctx: BaseAudioContext,
  to: AudioNode,
  { first, end, at, pace }: Laid,
  kept?: Set<AudioBufferSourceNode>,
  soft = 0,
): void {
  const fast = Math.abs(pace);
  const lasts = (end - first) / framesPerSecond();
  for (const h of theCore().heard(first, end)) {
    for (let n = Math.floor(h.fromS / BLOCK_S); n * BLOCK_S < h.fromS + h.lastsS; n++) {
      const b = block(h.recording, n);
      if (!b) continue;
      // what of the recording lies in this block
      const from = Math.max(h.fromS, n * BLOCK_S);
      const until = Math.min(h.fromS + h.lastsS, n * BLOCK_S + b.duration);
      if (until <= from) continue;
      const after = h.afterS + from - h.fromS;
      const begins = pace > 0 ? after : lasts - after - (until - from);
      const source = new AudioBufferSourceNode(ctx, {
        buffer: pace > 0 ? b : reversed(b),
        playbackRate: fast,
      });
      const gain = ctx.createGain();
      source.connect(gain).connect(to);
      const start = at + begins / fast;
      const late = Math.max(0, ctx.currentTime - start);
      const length = until - from - late * fast;
      if (length <= 0) continue;
      const levels = pace > 0 ? h.levels : [...h.levels].reverse();
      for (const [i, l] of levels.entries()) {
        const s = pace > 0 ? h.afterS + l.atS : lasts - h.afterS - l.atS;
        const when = Math.max(0, at + s / fast);
        if (i === 0) gain.gain.setValueAtTime(l.factor, when);
        else gain.gain.linearRampToValueAtTime(l.factor, when);
      }
      if (soft) {
        const ends = start + late + length / fast;
        const f = h.levels[0].factor;
        gain.gain.cancelScheduledValues(0);
        gain.gain.setValueAtTime(0, start + late);
        gain.gain.linearRampToValueAtTime(f, start + late + soft);
        gain.gain.setValueAtTime(f, Math.max(start + late + soft, ends - soft));
        gain.gain.linearRampToValueAtTime(0, ends);
      }
      const into = pace > 0 ? from - n * BLOCK_S : n * BLOCK_S + b.duration - until;
      source.start(start + late, onGrid(into) + late * fast, length);
      kept?.add(source);
      source.onended = () => kept?.delete(source);
    }
  }
}

function silence(): void {
  for (const s of sources) {
    try {
      s.stop();
    } catch {
      // it had ended by itself
    }
  }
  sources.clear();
}

/** What of the programme is played: from a frame on, over and over within a range. */
export interface Played {
  from: number;
  first: number;
  last: number;
  pace: number;
}

/** The stretch of the range that is heard after so many seconds, and until where it goes on without a jump. */
function stretch(p: Played, seconds: number): { frame: number; left: number } {
  const length = p.last + 1 - p.first;
  const gone =
    (p.pace > 0 ? p.from - p.first : p.last + 1 - p.from - 1) +
    seconds * framesPerSecond() * Math.abs(p.pace);
  const within = ((gone % length) + length) % length;
  return { frame: p.pace > 0 ? p.first + within : p.last + 1 - within, left: length - within };
}

let timer = 0;
let playing: Playing | null = null;

/** Lays out what is heard from now on; called again and again while it plays. */
class Playing {
  private readonly began = performance.now();
  /** The context's second at which playing began; not a number until sound runs. */
  private zero = NaN;
  private laid = 0;
  private version = -1;

  constructor(private readonly played: Played) {}

  /** Seconds since playing began: by the clock of what is heard once that runs. */
  seconds(): number {
    const by = (performance.now() - this.began) / 1000;
    if (!context || context.state !== 'running') return by;
    if (Number.isNaN(this.zero)) {
      this.zero = onGrid(context.currentTime - by);
      this.laid = by;
    }
    return context.currentTime - this.zero;
  }

  frame(): number {
    return stretch(this.played, this.seconds()).frame;
  }

  look(): void {
    if (!context || !master) return;
    const now = this.seconds();
    if (Number.isNaN(this.zero)) return;
    const { version } = useSequence.getState();
    if (version !== this.version) {
      // another cut or another sound: what was laid out is no longer so
      silence();
      this.version = version;
      this.laid = now;
    }
    const fps = framesPerSecond();
    const { pace } = this.played;
    this.laid = Math.max(this.laid, now);
    this.fetchAhead(now);
    while (this.laid < now + AHEAD_S) {
      const { frame, left } = stretch(this.played, this.laid);
      const late = this.laid < now + LATE_S;
      const piece = late ? LATE_S : PIECE_S;
      const frames = Math.min(left, piece * fps * Math.abs(pace));
      const lasts = frames / fps / Math.abs(pace);
      if (!(lasts > 1 / SAMPLE_RATE)) {
        this.laid += 1 / SAMPLE_RATE;
        continue;
      }
      const [first, end] = pace > 0 ? [frame, frame + frames] : [frame - frames, frame];
      if (!late && !hasCome(first, end)) break;
      // heard when it leaves the loudspeaker, seen when it is drawn
      const at = this.zero + this.laid - (context.outputLatency || 0);
      layOut(context, master, { first, end, at, pace }, sources);
      this.laid += lasts;
    }
  }

  private fetchAhead(now: number): void {
    const { frame, left } = stretch(this.played, now);
    const frames = Math.min(left, FETCH_S * framesPerSecond() * Math.abs(this.played.pace));
    const [first, end] = this.played.pace > 0 ? [frame, frame + frames] : [frame - frames, frame];
    hasCome(first, end);
  }
}

/**
 * What this window plays of a stretch, as samples of the left side: laid out as when it is heard.
 *
 * @param pace how often its speed; below 0 backwards
 */
export async function mixed(first: number, end: number, pace: number): Promise<Float32Array> {
  hasCome(first, end);
  while (fetching()) await new Promise((r) => setTimeout(r, 20));
  const lasts = (end - first) / framesPerSecond() / Math.abs(pace);
  const ctx = new OfflineAudioContext(1, Math.round(lasts * SAMPLE_RATE), SAMPLE_RATE);
  const split = ctx.createChannelSplitter(2);
  split.connect(ctx.destination, 0);
  layOut(ctx, split, { first, end, at: 0, pace });
  return (await ctx.startRendering()).getChannelData(0);
}

/** Fetches what is heard in a stretch; gives whether all of it is here. */
function hasCome(first: number, end: number): boolean {
  let all = true;
  for (const h of theCore().heard(first, end))
    for (let n = Math.floor(h.fromS / BLOCK_S); n * BLOCK_S < h.fromS + h.lastsS; n++)
      all = block(h.recording, n) !== undefined && all;
  return all;
}

/**
 * Plays what is heard; gives the clock that playing goes by, in seconds since it began: that of the sound where there is some, so that
 * picture and sound cannot run apart.
 */
export function hear(played: Played): () => number {
  hush();
  const p = new Playing(played);
  playing = p;
  const look = () => {
    if (!hasSounds()) return; // one may come while it plays
    out();
    p.look();
  };
  look();
  timer = window.setInterval(look, LOOK_MS);
  return () => p.seconds();
}

/** The frame of the programme that is heard at this moment, with its part; NaN where nothing is played. */
export const heardFrame = (): number => playing?.frame() ?? NaN;

/** Ends what is played. */
export function hush(): void {
  playing = null;
  window.clearInterval(timer);
  silence();
}

/** Lets a frame be heard that was gone to by hand. */
export function hearFrame(frame: number): void {
  if (!hasSounds() || indexAt(frame, programme()) < 0) return;
  if (!navigator.userActivation?.hasBeenActive) return;
  const { context: ctx, master: to } = out();
  const frames = Math.max(1, LEAST_SCRUB_S * framesPerSecond());
  hasCome(frame, frame + FETCH_S * framesPerSecond());
  if (ctx.state !== 'running') return;
  silence();
  layOut(ctx, to, { first: frame, end: frame + frames, at: ctx.currentTime, pace: 1 }, sources, SOFT_S);
}
