import Button from '@mui/material/Button';
import { useQueryClient } from '@tanstack/react-query';
import { Entries } from '../kit/Entries';
import { call } from '../session/http';
import { say } from '../session/said';
import type { Session } from '../session/who';

/** Who is signed in, with what is theirs. */
export function OwnMenu({ session, onAccount }: { session: Session; onAccount: () => void }) {
  const client = useQueryClient();
  const signOut = () =>
    void call('POST', '/api/sign-out')
      .then(() => client.invalidateQueries())
      .catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true));
  return (
    <Entries
      of={[
        ['My account …', onAccount],
        ...(session.administers
          ? [['Administration', () => (location.hash = 'administration')] as [string, () => void]]
          : []),
        ['Sign out', signOut],
      ]}
      button={(given) => (
        <Button color="inherit" {...given}>
          {session.shown} ▾
        </Button>
      )}
    />
  );
}
