import type { Command } from '../core/types';
import { Colour } from '../kit/Colour';
import { useLiveEdit } from './liveEdit';

/** A colour: seen while it is chosen, one edit when the choice is made. */
export function Swatch({
  label,
  does = label,
  value,
  named = false,
  commands,
}: {
  label: string;
  /** What the edit is called when it is undone. */
  does?: string;
  value: string;
  /** Whether the label is written beside it. */
  named?: boolean;
  commands: (colour: string) => Command[];
}) {
  const live = useLiveEdit(does, commands);
  const input = <Colour label={label} value={value} {...live} />;
  return named ? (
    <label className="swatch">
      {input}
      {label}
    </label>
  ) : (
    input
  );
}
