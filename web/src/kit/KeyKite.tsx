import type { KeyShape } from '../core/types';
import { palette } from '../theme/tokens';

/** A key as a small kite whose tail hangs on the side it eases on. */
export function KeyKite({ x, y, shape, on }: { x: number; y: number; shape: KeyShape; on: boolean }) {
  const tail =
    shape === 'smooth'
      ? 'M-4 3q-5 1-7 4M4 3q5 1 7 4'
      : shape === 'free'
        ? 'M4 3q6 0 8 4'
        : shape === 'straight'
          ? 'M3 4l6 5'
          : 'M5 0h8';
  return (
    <g transform={`translate(${x} ${y})`}>
      <path d={tail} fill="none" stroke={palette.marigold} strokeWidth={1.5} />
      <path
        d="M0-7 5 0 0 7-5 0z"
        fill={on ? palette.paper : palette.marigold}
        stroke="#15223a"
        strokeWidth={1}
      />
    </g>
  );
}
