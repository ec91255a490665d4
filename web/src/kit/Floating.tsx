import type { MenuProps } from '@mui/material/Menu';
import type { ReactNode } from 'react';
import { Menu } from './Menu';

/** Controls on a small card that floats beside what they are about; keys pressed in it are not the desk's, but Escape closes it. */
export function Floating({
  name,
  className = '',
  onClose,
  children,
  ...where
}: {
  /** What it is, for those who do not see it. */
  name: string;
  className?: string;
  onClose: () => void;
  children: ReactNode;
} & Pick<MenuProps, 'open' | 'anchorEl' | 'anchorReference' | 'anchorPosition'>) {
  return (
    <Menu
      autoFocus={false} // what is on it has the keyboard
      onClose={onClose}
      slotProps={{ list: { component: 'div', role: 'group', 'aria-label': name } }}
      {...where}
    >
      <div className={className} onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
        {children}
      </div>
    </Menu>
  );
}
