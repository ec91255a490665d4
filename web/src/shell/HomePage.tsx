import { useEffect } from 'react';
import { loadCore } from '../core/load';
import { Home } from '../home/Home';
import { AccountWindow } from '../people/AccountWindow';
import { GuestLinksWindow } from '../people/GuestLinksWindow';
import { PeopleWindow } from '../people/PeopleWindow';
import type { Session } from '../session/who';
import { WatchersWindow } from '../watchers/WatchersWindow';

const WINDOWS = {
  Account: AccountWindow,
  People: PeopleWindow,
  Guests: GuestLinksWindow,
  Watchers: WatchersWindow,
};

/** How long after the list is there what a sequence is opened with is fetched. */
const AHEAD_MS = 700;

/**
 * Home, with the windows about people and other programs that are opened from it.
 *
 * @param ahead fetches the desks, so that a sequence opens at once
 */
export function HomePage({ session, ahead }: { session: Session; ahead: () => Promise<unknown> }) {
  useEffect(() => {
    let here = true;
    const soon = setTimeout(() => {
      // what fails here is fetched again, and what is wrong said, when a sequence is opened
      Promise.all([ahead(), loadCore()])
        .then(() => import('../views/warming'))
        .then(({ warmUp }) => warmUp(() => here))
        .catch((e: unknown) => console.warn('What a sequence is opened with did not come ahead', e));
    }, AHEAD_MS);
    return () => {
      here = false;
      clearTimeout(soon);
    };
  }, [ahead]);
  return <Home session={session} windows={WINDOWS} />;
}
