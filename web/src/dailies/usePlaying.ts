import { useEffect, useRef } from 'react';

/**
 * Goes on while it plays: which one is seen is what the clock asks for.
 *
 * @param pace how often its own speed; below 0 backwards, 0 while it does not play
 * @param at the one that is seen, from 0, of so many
 */
export function usePlaying(
  pace: number,
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
    if (!pace) return;
    const [began, from] = [performance.now(), now.current.at];
    let asked = 0;
    const tick = () => {
      const gone = Math.floor(((performance.now() - began) / 1000) * fps * Math.abs(pace));
      const of = Math.max(1, now.current.length);
      show((((from + Math.sign(pace) * gone) % of) + of) % of);
      asked = requestAnimationFrame(tick);
    };
    asked = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(asked);
  }, [pace, fps, show]);
}
