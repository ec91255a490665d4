import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Menu } from '../kit/Menu';
import { say } from '../session/store';
import { call } from '../session/http';
import type { Session } from '../signin/SignIn';

/** Who is signed in, with what is theirs. */
export function OwnMenu({ session, onAccount }: { session: Session; onAccount: () => void }) {
  const client = useQueryClient();
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
  const signOut = () =>
    void call('POST', '/api/sign-out')
      .then(() => client.invalidateQueries())
      .catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true));
  return (
    <>
      <Button ref={button} color="inherit" aria-haspopup="menu" onClick={() => setOpen(true)}>
        {session.shown} ▾
      </Button>
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        {entry('My account …', onAccount)}
        {session.administers ? entry('Administration', () => (location.hash = 'administration')) : null}
        {entry('Sign out', signOut)}
      </Menu>
    </>
  );
}
