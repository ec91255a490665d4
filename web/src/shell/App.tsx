import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useEffect, useState } from 'react';
import { fetched } from '../kit/fetched';
import { goToPlace, momentIn, sequenceIn } from '../session/place';
import { closeSequence, openMoment, openSequence } from '../session/sync';
import { useSequence } from '../session/state';
import { Arrived } from '../signin/Arrived';
import { Invited } from '../signin/Invited';
import { SetUp } from '../signin/SetUp';
import { SignIn } from '../signin/SignIn';
import type { Session } from '../session/who';
import { getJson, postJson } from '../session/http';
import { DrawnHere } from '../filming/DrawnHere';
import { Said } from './Said';
import { Bare } from '../kit/Bare';

const HomePage = fetched(async () => (await import('./HomePage')).HomePage);
const Administration = fetched(async () => (await import('../people/Administration')).Administration);
const Workspace = fetched(async () => (await import('./Workspace')).Workspace);
const FilmPage = fetched(async () => (await import('../filming/FilmPage')).FilmPage);
const LensWindow = fetched(async () => (await import('./LensWindow')).LensWindow);

const INVITED = 'invited=',
  LOOK = 'look=',
  ARRIVED = 'arrived',
  REFUSED = 'refused=',
  ADMINISTRATION = 'administration';

/** Sign in, choose a sequence, work. */
export function App() {
  const client = useQueryClient();
  const session = useQuery({ queryKey: ['session'], queryFn: () => getJson<Session>('/api/session') });
  const [hash, setHash] = useState(location.hash.slice(1));
  useEffect(() => {
    const follow = () => setHash(location.hash.slice(1)); // also the browser's own back and forward
    window.addEventListener('hashchange', follow);
    return () => window.removeEventListener('hashchange', follow);
  }, []);
  const again = () => void client.invalidateQueries();
  const go = (to: string) => (location.hash = to);
  if (session.isPending) return <p className="empty">Opening …</p>;
  if (session.isError) return <p className="empty">{session.error.message}</p>;
  const { name, guestOf } = session.data;
  if (hash.startsWith(INVITED))
    return (
      <Invited
        secret={hash.slice(INVITED.length)}
        signedIn={name}
        onDone={() => {
          go('');
          again();
        }}
      />
    );
  if (hash.startsWith(LOOK))
    return (
      <Guest
        secret={hash.slice(LOOK.length)}
        onCame={(sequence) => {
          go(sequence);
          again();
        }}
      />
    );
  if (hash === ARRIVED)
    return (
      <Arrived
        onDone={() => {
          go('');
          again();
        }}
      />
    );
  if (session.data.setUp) return <SetUp onDone={again} />;
  if (!name && !guestOf)
    return (
      <SignIn
        session={session.data}
        refused={hash.startsWith(REFUSED) ? hash.slice(REFUSED.length) : null}
        onDone={() => {
          if (hash.startsWith(REFUSED)) go('');
          again();
        }}
      />
    );
  const preview = new URLSearchParams(location.search).get('preview');
  if (preview)
    return (
      <Suspense>
        <FilmPage job={preview} />
      </Suspense>
    );
  const chosen = name ? sequenceIn(hash) : guestOf!;
  return (
    <Suspense fallback={<p className="empty">Opening …</p>}>
      {chosen === ADMINISTRATION && session.data.administers ? (
        <Administration onLeave={() => go('')} />
      ) : chosen ? (
        <Opening
          key={`${chosen} ${momentIn(hash) ?? ''}`}
          id={chosen}
          moment={momentIn(hash)}
          hash={hash}
          onLeave={() => go('')}
        />
      ) : (
        <HomePage session={session.data} ahead={Workspace.ahead} />
      )}
      <Said />
      <DrawnHere />
    </Suspense>
  );
}

/** Somebody who comes by a link, to look. */
function Guest({ secret, onCame }: { secret: string; onCame: (sequence: string) => void }) {
  const [error, setError] = useState('');
  useEffect(() => {
    postJson<{ sequence: string }>('/api/guest', { secret })
      .then((r) => onCame(r.sequence))
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
    // once for each link
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [secret]);
  return (
    <p className="empty" role={error ? 'alert' : undefined}>
      {error || 'Opening …'}
    </p>
  );
}

function Opening({
  id,
  moment,
  hash,
  onLeave,
}: {
  id: string;
  /** The revision that is looked at; null for the present one. */
  moment: number | null;
  hash: string;
  onLeave: () => void;
}) {
  const [error, setError] = useState('');
  const ready = useSequence((s) => s.id === id && s.moment === moment);
  useEffect(() => {
    void Workspace.ahead(); // together with the core and the document, not after them
    (moment === null ? openSequence(id) : openMoment(id, moment)).catch((e: unknown) =>
      setError(e instanceof Error ? e.message : String(e)),
    );
    return closeSequence;
  }, [id, moment]);
  useEffect(() => {
    if (ready) goToPlace(hash); // also when the address changes while it is open
  }, [ready, hash]);
  if (error)
    return (
      <main className="chooser">
        <p className="error" role="alert">
          {error}
        </p>
        <Bare onClick={onLeave}>Back to the sequences</Bare>
      </main>
    );
  const lensOnly = new URLSearchParams(location.search).get('view') === 'lens';
  return ready ? lensOnly ? <LensWindow /> : <Workspace /> : <p className="empty">Opening the sequence …</p>;
}
