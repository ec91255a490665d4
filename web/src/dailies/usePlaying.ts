import { useEffect, useRef } from 'react';

/**
 * Goes on at true speed while it plays: which one is seen is what the clock asks for.
 *
 * @param at the one that is seen, from 0, of so many
 */
export function usePlaying(
  playing: boolean,
  fps: number,
  at: number,
  length: number,
  show: (index: number) => void,
): void {
  const now = useRef({ at, length });
  useEffect(() => {
    now.current = { at, length };
  });
  useEffect(() => {
    if (!playing) return;
    const [began, from] = [performance.now(), now.current.at];
    let asked = 0;
    const tick = () => {
      const gone = Math.floor(((performance.now() - began) / 1000) * fps);
      show((from + gone) % Math.max(1, now.current.length));
      asked = requestAnimationFrame(tick);
    };
    asked = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(asked);
  }, [playing, fps, show]);
}
