import MuiMenu, { type MenuProps } from '@mui/material/Menu';

/**
 * A menu that is there at once and gone at once. It is taken out when it closes rather than faded: a fade that is
 * interrupted by other changes to the page may never end, and what is fading goes on catching clicks beside it.
 */
export function Menu({ open, ...props }: MenuProps) {
  return open ? <MuiMenu open transitionDuration={0} {...props} /> : null;
}
