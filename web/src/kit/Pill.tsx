import Button, { type ButtonProps } from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { palette } from '../theme/tokens';

const ACCENT = { coral: palette.coral, teal: palette.teal, lilac: palette.lilac };

interface Look {
  /** Left out for a button; 'span' for one that works among controls that are switched off. */
  component?: 'span';
  /** The accent it has: always, or while it is on where that is said. */
  tone?: keyof typeof ACCENT;
  /** For a button that stays pressed: whether it is. */
  on?: boolean;
  /** What a window or a panel is about. */
  wide?: boolean;
  small?: boolean;
}

const LOOKS = ['tone', 'on', 'wide', 'small'];

const Root = styled(Button, { shouldForwardProp: (p) => !LOOKS.includes(p as string) })<Look>(({
  tone,
  on,
  wide,
  small,
}) => {
  const lit = on || (tone && on === undefined);
  return {
    minWidth: 0,
    padding: wide ? '7px 16px' : small ? '1px 9px' : '3px 11px',
    borderRadius: 11,
    fontSize: small ? 11.5 : 12,
    fontWeight: 700,
    lineHeight: 1.5,
    whiteSpace: 'nowrap',
    background: lit ? ACCENT[tone ?? 'teal'] : palette.button,
    color: lit ? palette.onAccent : palette.paper,
    '&:hover': { background: lit ? ACCENT[tone ?? 'teal'] : palette.raised },
    '&.Mui-disabled': { color: lit ? palette.onAccent : palette.paper, opacity: 0.45 },
  };
});

/** A button with words on it. */
export function Pill({ on, ...props }: Omit<ButtonProps, 'color' | 'variant' | 'size'> & Look) {
  return <Root aria-pressed={on} on={on} {...props} />;
}
