import { useRef, useState, type ReactNode } from 'react';
import { Tip } from './Tip';
import { Menu } from './Menu';
import { Pill } from './Pill';

/** A button that opens a menu below itself. What is in the menu is made when it opens, and closes it when it is chosen. */
export function MenuButton({
  name,
  tip,
  disabled,
  listClass,
  children,
}: {
  name: string;
  tip: string;
  disabled: boolean;
  listClass?: string;
  children: (close: () => void) => ReactNode;
}) {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const close = () => setOpen(false);
  return (
    <>
      <Tip text={tip}>
        <Pill ref={button} small aria-haspopup="menu" disabled={disabled} onClick={() => setOpen(true)}>
          {name}
        </Pill>
      </Tip>
      <Menu
        open={open}
        anchorEl={() => button.current}
        onClose={close}
        slotProps={{ list: { className: listClass } }}
      >
        {open ? children(close) : null}
      </Menu>
    </>
  );
}
