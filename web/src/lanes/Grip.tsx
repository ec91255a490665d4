import type { KeyboardEvent, SVGAttributes } from 'react';
import './lanes.css';

/** Width of the places by which ends are dragged, pixels. */
export const GRIP = 7;

/** A place by which an end of something on a lane is dragged, or moved with the arrow keys. */
export function Grip({
  left,
  high,
  label,
  value,
  onKeyDown,
  ...handle
}: {
  /** Where it begins, and the height of the lane, pixels. */
  left: number;
  high: number;
  label: string;
  /** The frame it stands on. */
  value: number;
  onKeyDown: (e: KeyboardEvent) => void;
} & Omit<SVGAttributes<SVGRectElement>, 'onKeyDown'>) {
  return (
    <rect
      x={left}
      y={0}
      width={GRIP}
      height={high}
      fill="transparent"
      className="reel-grip"
      style={{ cursor: 'col-resize' }}
      tabIndex={0}
      role="slider"
      aria-label={label}
      aria-valuenow={value}
      onKeyDown={onKeyDown}
      {...handle}
    >
      <title>{`${label}: drag, or use the arrow keys`}</title>
    </rect>
  );
}
