import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { ReactNode } from 'react';
import { Tip } from './Tip';
import { palette } from '../theme/tokens';

export interface Segment<T> {
  value: T;
  /** What stands on it. */
  shows: ReactNode;
  /** What it is called where a drawing stands on it. */
  name?: string;
  tip?: string;
  disabled?: boolean;
}

/** One of a few, side by side. */
export function Segments<T extends string>({
  name,
  value,
  of,
  onChoose,
  large = false,
  upright = false,
}: {
  /** What is chosen, for those who do not see it. */
  name: string;
  value: T | null;
  of: Segment<T>[];
  onChoose: (value: T) => void;
  /** What the whole window is about. */
  large?: boolean;
  /** One below the other. */
  upright?: boolean;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      value={value}
      orientation={upright ? 'vertical' : 'horizontal'}
      onChange={(_, chosen: T | null) => chosen !== null && onChoose(chosen)}
      aria-label={name}
      sx={{
        background: palette.deep,
        width: 'fit-content',
        borderRadius: large ? '14px' : '10px',
        padding: large ? '3px' : '2px',
        gap: large ? '2px' : 0,
        '& .MuiToggleButton-root': {
          border: 0,
          margin: 0,
          padding: large ? '5px 16px' : '2px 9px',
          borderRadius: large ? '11px' : '8px',
          fontSize: large ? 14 : 12,
          fontWeight: large ? 700 : 600,
          lineHeight: 1.5,
          whiteSpace: 'nowrap',
          textTransform: 'none',
          color: palette.soft,
          '& svg': { display: 'block' },
          '& svg:not([width])': { width: 16, height: 16 },
          '&[aria-label]': { padding: '6px' },
          '&:hover': { background: 'none', color: palette.paper },
          '&.Mui-selected, &.Mui-selected:hover': {
            background: large ? palette.coral : palette.raised,
            color: large ? palette.onAccent : palette.paper,
          },
        },
      }}
    >
      {of.map((s) => {
        const button = (
          <ToggleButton key={s.value} value={s.value} aria-label={s.name} disabled={s.disabled}>
            {s.shows}
          </ToggleButton>
        );
        return s.tip ? (
          <Tip key={s.value} text={s.tip}>
            {button}
          </Tip>
        ) : (
          button
        );
      })}
    </ToggleButtonGroup>
  );
}
