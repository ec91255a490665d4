import type { Command, Placed } from '../core/types';
import { markersOf } from '../doing/markers';
import { edit, preview } from '../session/document';
import { core } from '../session/evaluated';
import { framesPerSecond } from '../session/settings';
import { useSequence } from '../session/state';
import { toX, type Scale } from './scale';

/** What a drag does to a shot. */
export type Way = 'roll' | 'head' | 'tail' | 'slip' | 'slide';

/** What is nearer to what is dragged than this is where it goes, pixels. */
const SNAP_PX = 6;

const NAMES: Record<Way, (shot: string) => string> = {
  roll: (shot) => `Roll into ${shot}`,
  head: (shot) => `Begin ${shot} elsewhere`,
  tail: (shot) => `End ${shot} elsewhere`,
  slip: (shot) => `Slip ${shot}`,
  slide: (shot) => `Slide ${shot}`,
};

/** A drag of a shot that is under way: all is counted from how the reel was when it began. */
export class ReelDrag {
  private readonly shot: Placed;
  private readonly keys: number[];

  constructor(
    private readonly shots: Placed[],
    private readonly index: number,
    readonly way: Way,
    private readonly scale: Scale,
  ) {
    this.shot = shots[index];
    this.keys = this.shot.camera ? core().standing(this.shot.camera, false) : [];
  }

  /** Shows it so many pixels on; gives what it comes to in words. */
  to(dx: number, free = false): string {
    const perFrame = toX(this.scale, 1) - toX(this.scale, 0);
    return this.by(free ? Math.round(dx / perFrame) : this.snapped(dx / perFrame, perFrame));
  }

  /** Shows it so many frames on. */
  by(frames: number): string {
    const by = this.within(frames);
    preview(NAMES[this.way](this.shot.shot), this.command(by));
    return this.says(by);
  }

  private command(by: number): Command {
    const { id } = this.shot;
    switch (this.way) {
      case 'roll':
        return { kind: 'rollCut', id, by };
      case 'head':
        return { kind: 'trimShot', id, head: by, tail: 0 };
      case 'tail':
        return { kind: 'trimShot', id, head: 0, tail: -by };
      case 'slip':
        return { kind: 'slipShot', id, by: -by };
      case 'slide':
        return { kind: 'slideShot', id, by };
    }
  }

  /** As far as every shot that it makes shorter keeps a frame. */
  private within(by: number): number {
    const most = (p?: Placed) => (p ? p.last - p.first : 0);
    const { shots, index, shot } = this;
    const [before, after] = [shots[index - 1], shots[index + 1]];
    const between = (least: number, high: number) => Math.max(least, Math.min(high, by));
    switch (this.way) {
      case 'roll':
        return between(before ? -most(before) : -Infinity, most(shot));
      case 'head':
        return Math.min(by, most(shot));
      case 'tail':
        return Math.max(by, -most(shot));
      case 'slide':
        return between(-most(before), most(after));
      case 'slip':
        return by;
    }
  }

  /** The nearest of what is worth meeting: the playhead, markers, whole seconds, keys of the camera. */
  private snapped(frames: number, perFrame: number): number {
    const { shot, way } = this;
    const edge = way === 'tail' ? shot.last + 1 : shot.first;
    const fps = framesPerSecond();
    const { reel, entities } = useSequence.getState();
    const wanted = way === 'slip' ? [] : [Math.round(edge + frames)];
    const to: number[] = [];
    if (way !== 'slip') {
      if (reel !== null) to.push(Math.floor(reel) - edge);
      for (const m of markersOf(entities)) to.push(m.frame - edge);
      const second = Math.round((edge + frames - this.shots[0].first) / fps) * fps + this.shots[0].first;
      to.push(Math.round(second) - edge);
    }
    // a key of the camera on the first frame, or just behind the last
    const scene = way === 'tail' ? shot.sceneLast + 1 : shot.sceneFirst;
    if (way !== 'slide') for (const k of this.keys) to.push(way === 'slip' ? scene - k : k - scene);
    const near = to
      .filter((by) => Number.isInteger(by) && Math.abs(by - frames) * perFrame < SNAP_PX)
      .sort((a, b) => Math.abs(a - frames) - Math.abs(b - frames));
    return near[0] ?? (wanted.length ? wanted[0] - edge : Math.round(frames));
  }

  private says(by: number): string {
    const { shot, way } = this;
    const signed = by > 0 ? `+${by}` : `${by}`;
    const length = shot.last - shot.first + 1;
    switch (way) {
      case 'roll': {
        const before = this.shots[this.index - 1];
        const was = before ? `${before.shot} ${before.last - before.first + 1 + by} f, ` : '';
        return `${was}${shot.shot} ${length - by} f (${signed})`;
      }
      case 'head':
        return `${shot.shot} ${length - by} f, from ${Math.round(shot.sceneFirst) + by}; all after ${-by > 0 ? '+' : ''}${-by}`;
      case 'tail':
        return `${shot.shot} ${length + by} f; all after ${signed}`;
      case 'slip':
        return `${shot.shot}: action from ${Math.round(shot.sceneFirst) - by} (${by < 0 ? '+' : ''}${-by})`;
      case 'slide':
        return `${shot.shot} at ${shot.first + by} (${signed})`;
    }
  }
}

/** Where in the order a place along the reel lies: before which of the shots, from 0. */
export function orderAt(shots: Placed[], scale: Scale, x: number): number {
  const at = shots.findIndex((p) => toX(scale, (p.first + p.last + 1) / 2) > x);
  return at < 0 ? shots.length : at;
}

/** Puts a shot into another place of the order. */
export function moveTo(shots: Placed[], index: number, to: number): void {
  if (to === index || to === index + 1) return;
  const p = shots[index];
  edit(`Move ${p.shot}`, { kind: 'moveShots', ids: [p.id], before: shots[to]?.id ?? null });
}
