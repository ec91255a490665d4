import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import { IconAction } from '../kit/IconAction';
import { Menu } from '../kit/Menu';
import { useSequence, type Dialog } from '../session/store';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { withKeys } from '../shortcuts/words';
import { beginAgain } from './firstSteps';

/** The guide, the keys, what is new, and the first steps once more. */
export function HelpMenu() {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const entry = (name: string, run: () => void) => (
    <MenuItem
      onClick={() => {
        setOpen(false);
        run();
      }}
    >
      {name}
    </MenuItem>
  );
  const show = (dialog: Dialog) => () => useSequence.setState({ dialog });
  return (
    <>
      <Tip text="Help: guide, keys, what is new">
        <IconAction ref={button} aria-label="Help" aria-haspopup="menu" onClick={() => setOpen(true)}>
          <Icon.Help />
        </IconAction>
      </Tip>
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        {entry('Guide', show({ kind: 'guide' }))}
        {entry(withKeys('Keys', 'keys'), show({ kind: 'keys' }))}
        {entry('What is new', show({ kind: 'news' }))}
        {entry('First steps again', beginAgain)}
      </Menu>
    </>
  );
}
