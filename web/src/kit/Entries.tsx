import MenuItem from '@mui/material/MenuItem';
import { useRef, useState, type ReactNode, type Ref } from 'react';
import { Menu } from './Menu';

/** A few things to do, in a menu below the button that opens it. */
export function Entries({
  of,
  button,
}: {
  /** What each is called, with what it does. */
  of: [string, () => void][];
  button: (given: { ref: Ref<HTMLButtonElement>; 'aria-haspopup': 'menu'; onClick: () => void }) => ReactNode;
}) {
  const anchor = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  return (
    <>
      {button({ ref: anchor, 'aria-haspopup': 'menu', onClick: () => setOpen(true) })}
      <Menu open={open} anchorEl={() => anchor.current} onClose={() => setOpen(false)}>
        {of.map(([name, run]) => (
          <MenuItem
            key={name}
            onClick={() => {
              setOpen(false);
              run();
            }}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
