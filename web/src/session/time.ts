import { framesPerSecond } from './settings';
import { useSequence } from './state';

const set = useSequence.setState;
const get = useSequence.getState;

let running = 0;

/**
 * Plays at true speed: the frame shown is always the one the clock asks for, and frames that could
 * not be drawn in time are counted as dropped.
 */
export function play(on: boolean): void {
  cancelAnimationFrame(running);
  set({ playing: on, ...(on ? { dropped: 0 } : {}) });
  if (!on) return;
  const { header } = get();
  const fps = framesPerSecond();
  const length = header.lastFrame - header.firstFrame + 1;
  const from = get().frame >= header.lastFrame ? header.firstFrame : Math.round(get().frame);
  const began = performance.now();
  let last = 0;
  const tick = (now: number) => {
    if (!get().playing) return;
    const n = Math.max(0, Math.floor(((now - began) / 1000) * fps));
    if (n !== last) {
      const frame = header.firstFrame + ((from - header.firstFrame + n) % length);
      set((s) => ({ frame, dropped: s.dropped + Math.max(0, n - last - 1) }));
      last = n;
    }
    running = requestAnimationFrame(tick);
  };
  running = requestAnimationFrame(tick);
}

/** Shows a frame, within the sequence. */
export function goTo(frame: number): void {
  const { header } = get();
  set({ frame: Math.max(header.firstFrame, Math.min(header.lastFrame, frame)) });
}
