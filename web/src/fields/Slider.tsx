import MuiSlider from '@mui/material/Slider';
import type { Command } from '../core/types';
import { commitPreview, preview } from '../session/document';
import { palette } from '../theme/tokens';

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
  return (
    <MuiSlider
      size="small"
      aria-label={label}
      min={least}
      max={most}
      step={step}
      value={value}
      onChange={(_, v) => preview(does, ...commands(v))}
      onChangeCommitted={commitPreview}
      sx={{
        flex: 1,
        minWidth: 40,
        mx: 1,
        py: 1,
        color: palette.teal,
        'fieldset:disabled &': { pointerEvents: 'none', opacity: 0.5 },
      }}
    />
  );
}
