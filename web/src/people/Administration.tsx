import Button from '@mui/material/Button';
import { AccountsTable } from './AccountsTable';
import { Notes } from './Notes';
import { StudioStatus } from './StudioStatus';
import './administration.css';

/** What those look after who administer the studio. */
export function Administration({ onLeave }: { onLeave: () => void }) {
  return (
    <main className="administration">
      <header>
        <h1>
          <img src="kite.svg" alt="" />
          Administration
        </h1>
        <span className="grow" />
        <Button color="inherit" onClick={onLeave}>
          Home
        </Button>
      </header>
      <section>
        <AccountsTable />
      </section>
      <StudioStatus />
      <Notes />
    </main>
  );
}
