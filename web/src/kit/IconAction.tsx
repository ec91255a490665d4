import IconButton, { type IconButtonProps } from '@mui/material/IconButton';
import { styled } from '@mui/material/styles';
import { palette } from '../theme/tokens';

/** Side of the button and of its drawing, pixels. */
const SIDES = { plain: [30, 18], small: [22, 14], tiny: [18, 14] } as const;

interface Look {
  size?: keyof typeof SIDES;
  /** Stands out: what it says is so. */
  lit?: boolean;
  /** Chosen among several. */
  on?: boolean;
}

const Root = styled(IconButton, { shouldForwardProp: (p) => !['side', 'lit', 'on'].includes(p as string) })<
  Omit<Look, 'size'> & { side: keyof typeof SIDES }
>(({ side, lit, on }) => ({
  width: SIDES[side][0],
  height: SIDES[side][0],
  padding: side === 'tiny' ? 1 : 0,
  borderRadius: 9,
  flex: 'none',
  fontSize: 'inherit',
  color: on ? palette.onAccent : lit ? palette.marigold : palette.paper,
  background: on ? palette.coral : 'none',
  opacity: side === 'tiny' && !lit ? 0.45 : undefined,
  '&:hover': { background: on ? palette.coral : palette.raised },
  '&:hover, &:focus-visible': { opacity: side === 'tiny' ? 1 : undefined },
  '&.Mui-disabled': { color: 'inherit', opacity: 0.45 },
  '& svg': { width: SIDES[side][1], height: SIDES[side][1] },
}));

/** A button with a drawing instead of words; it needs a name for those who do not see it. */
export function IconAction({
  size = 'plain',
  lit,
  on,
  className,
  ...props
}: Omit<IconButtonProps, 'color' | 'size'> & Look) {
  return (
    <Root
      side={size}
      lit={lit}
      on={on}
      className={`icon ${lit ? 'lit' : ''} ${className ?? ''}`}
      {...props}
    />
  );
}
