import type { Command } from '../core/types';
import { useLiveEdit } from './liveEdit';

/** A share or size set by a slider: seen while it is dragged, one edit when it is let go. */
export function Slider({
  label,
  does,
  value,
  least,
  most,
  step,
  commands,
}: {
  label: string;
  /** What the edit is called when it is undone. */
  does: string;
  value: number;
  least: number;
  most: number;
  step: number;
  commands: (v: number) => Command[];
}) {
  const live = useLiveEdit(does, (text) => commands(Number(text)));
  return <input type="range" aria-label={label} min={least} max={most} step={step} value={value} {...live} />;
}
