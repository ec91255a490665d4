import { Home } from '../home/Home';
import { AccountWindow } from '../people/AccountWindow';
import { GuestLinksWindow } from '../people/GuestLinksWindow';
import { PeopleWindow } from '../people/PeopleWindow';
import type { Session } from '../session/who';

const WINDOWS = { Account: AccountWindow, People: PeopleWindow, Guests: GuestLinksWindow };

/** Home, with the windows about people that are opened from it. */
export const HomePage = ({ session }: { session: Session }) => <Home session={session} windows={WINDOWS} />;
