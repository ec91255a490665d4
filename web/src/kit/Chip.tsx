import ToggleButton, { type ToggleButtonProps } from '@mui/material/ToggleButton';
import { styled } from '@mui/material/styles';
import { palette } from '../theme/tokens';

const Root = styled(ToggleButton, { shouldForwardProp: (p) => p !== 'warns' })<{ warns?: boolean }>(
  ({ warns }) => ({
    minWidth: 0,
    padding: '2px 8px',
    border: 0,
    borderRadius: 9,
    fontSize: 12,
    fontWeight: 600,
    lineHeight: 1.5,
    textTransform: 'none',
    background: warns ? palette.marigold : palette.deep,
    color: warns ? palette.onAccent : palette.soft,
    '&:hover': {
      background: warns ? palette.marigold : palette.deep,
      color: warns ? palette.onAccent : palette.paper,
    },
    '&.Mui-selected, &.Mui-selected:hover': { background: palette.lilac, color: palette.onAccent },
    '&.Mui-disabled': { border: 0, color: 'inherit', opacity: 0.45 },
  }),
);

/** One of several small choices, or a small thing that is on or off. */
export function Chip({
  on,
  warns,
  ...props
}: Omit<ToggleButtonProps, 'value' | 'selected'> & {
  /** Left out for one that only does something. */
  on?: boolean;
  /** Says that something is wrong. */
  warns?: boolean;
}) {
  return <Root value="" selected={on ?? false} aria-pressed={on} warns={warns} {...props} />;
}
