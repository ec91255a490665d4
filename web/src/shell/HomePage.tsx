import { useEffect } from 'react';
import { loadCore } from '../core/load';
import { Home } from '../home/Home';
import { AccountWindow } from '../people/AccountWindow';
import { GuestLinksWindow } from '../people/GuestLinksWindow';
import { PeopleWindow } from '../people/PeopleWindow';
import type { Session } from '../session/who';

const WINDOWS = { Account: AccountWindow, People: PeopleWindow, Guests: GuestLinksWindow };

/** How long after the list is there what a sequence is opened with is fetched. */
const AHEAD_MS = 700;

/**
 * Home, with the windows about people that are opened from it.
 *
 * @param ahead fetches the desks, so that a sequence opens at once
 */
export function HomePage({ session, ahead }: { session: Session; ahead: () => Promise<unknown> }) {
  useEffect(() => {
    const soon = setTimeout(() => {
      void ahead();
      loadCore().catch(() => {}); // it is fetched again, and what is wrong said, when a sequence is opened
    }, AHEAD_MS);
    return () => clearTimeout(soon);
  }, [ahead]);
  return <Home session={session} windows={WINDOWS} />;
}
