import type { Command, Sound } from '../core/types';
import { markersOf } from '../doing/markers';
import { endOf } from '../doing/sounds';
import { core } from '../session/evaluated';
import { previewProposed } from '../session/proposals';
import { programme } from '../session/programme';
import { framesPerSecond } from '../session/settings';
import { useSequence } from '../session/state';
import { toX, type Scale } from './scale';

/** What a drag does to a sound. */
export type SoundWay = 'move' | 'head' | 'tail' | 'slip';

/** What is nearer to what is dragged than this is where it goes, pixels. */
const SNAP_PX = 6;

/** A drag of a sound that is under way: all is counted from how it was when it began. */
export class SoundDrag {
  constructor(
    private readonly sound: Sound,
    readonly way: SoundWay,
    private readonly scale: Scale,
  ) {}

  /**
   * Shows it so many pixels on.
   *
   * @param free whether it goes to any frame, whatever is near
   * @param track the one it is over
   */
  to(dx: number, free: boolean, track: string): string {
    const perFrame = toX(this.scale, 1) - toX(this.scale, 0);
    return this.by(free ? dx / perFrame : this.snapped(dx / perFrame, perFrame), track);
  }

  /** Shows it so many frames on. */
  by(frames: number, track: string): string {
    const { sound, way } = this;
    const did = { move: 'Move', head: 'Begin', tail: 'End', slip: 'Slip' }[way];
    previewProposed(`${did} ${sound.name}`, () => this.commands(frames, track));
    const now = useSequence.getState().entities[sound.id];
    return now?.kind === 'sound' ? this.says(now) : '';
  }

  private commands(by: number, track: string): Command[] {
    const { id } = this.sound;
    switch (this.way) {
      case 'move':
        return core().moveSound(id, by, track);
      case 'head':
        return core().trimSound(id, by, 0);
      case 'tail':
        return core().trimSound(id, 0, by);
      case 'slip':
        return core().slipSound(id, -by);
    }
  }

  /** The nearest of what is worth meeting: the playhead, cuts, markers, ends of other sounds; else a whole frame. */
  private snapped(frames: number, perFrame: number): number {
    const { sound, way } = this;
    if (way === 'slip') return frames;
    const fps = framesPerSecond();
    const { reel, entities } = useSequence.getState();
    const shots = programme();
    const to = [
      ...shots.map((p) => p.first),
      shots.at(-1)!.last + 1,
      ...markersOf(entities).map((m) => m.frame),
    ];
    if (reel !== null) to.push(reel);
    for (const e of Object.values(entities))
      if (e.kind === 'sound' && e.id !== sound.id) to.push(e.at, endOf(e, fps));
    const edges =
      way === 'tail' ? [endOf(sound, fps)] : way === 'head' ? [sound.at] : [sound.at, endOf(sound, fps)];
    const near = edges
      .flatMap((edge) => to.map((t) => t - edge))
      .filter((by) => Math.abs(by - frames) * perFrame < SNAP_PX)
      .sort((a, b) => Math.abs(a - frames) - Math.abs(b - frames));
    return near[0] ?? Math.round(edges[0] + frames) - edges[0];
  }

  private says(now: Sound): string {
    const show = (seconds: number) => core().showNumber(seconds, 'seconds');
    const frame = (f: number) => core().showNumber(f, 'factor');
    switch (this.way) {
      case 'move':
        return `${now.name} at ${frame(now.at)} (${now.at >= this.sound.at ? '+' : ''}${frame(now.at - this.sound.at)})`;
      case 'slip':
        return `${now.name}: from ${show(now.fromS)} of the recording`;
      default:
        return `${now.name} ${show(now.lastsS)}, ${frame(now.at)} to ${frame(endOf(now, framesPerSecond()))}`;
    }
  }
}
