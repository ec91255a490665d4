import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { loadCore } from '../core/load';
import { Home } from '../home/Home';
import { closeSequence, openSequence } from '../sequence/sync';
import { useSequence } from '../sequence/store';
import { SetUp } from '../signin/SetUp';
import { SignIn, type Session } from '../signin/SignIn';
import { getJson } from './http';
import { Said } from './Said';
import { LensWindow, Workspace } from './Workspace';

/** Sign in, choose a sequence, work. */
export function App() {
  const client = useQueryClient();
  const session = useQuery({ queryKey: ['session'], queryFn: () => getJson<Session>('/api/session') });
  const [chosen, setChosen] = useState(location.hash.slice(1));
  useEffect(() => {
    const follow = () => setChosen(location.hash.slice(1)); // also the browser's own back and forward
    window.addEventListener('hashchange', follow);
    return () => window.removeEventListener('hashchange', follow);
  }, []);
  if (session.isPending) return <p className="empty">Opening …</p>;
  if (session.isError) return <p className="empty">{session.error.message}</p>;
  if (session.data.setUp) return <SetUp onDone={() => void client.invalidateQueries()} />;
  if (!session.data.name)
    return <SignIn session={session.data} onDone={() => void client.invalidateQueries()} />;
  const choose = (id: string) => (location.hash = id);
  return (
    <>
      {chosen ? (
        <Opening
          key={chosen}
          id={chosen}
          mayEdit={session.data.role === 'ARTIST'}
          onLeave={() => choose('')}
        />
      ) : (
        <Home
          name={session.data.name}
          mayEdit={session.data.role === 'ARTIST'}
          isDemonstration={session.data.demoName !== null}
        />
      )}
      <Said />
    </>
  );
}

function Opening({ id, mayEdit, onLeave }: { id: string; mayEdit: boolean; onLeave: () => void }) {
  const [error, setError] = useState('');
  const ready = useSequence((s) => s.id === id);
  useEffect(() => {
    useSequence.setState({ mayEdit });
    loadCore()
      .then(() => openSequence(id))
      .catch((e: unknown) => setError(e instanceof Error ? e.message : String(e)));
    return closeSequence;
  }, [id, mayEdit]);
  if (error)
    return (
      <main className="chooser">
        <p className="error" role="alert">
          {error}
        </p>
        <button onClick={onLeave}>Back to the sequences</button>
      </main>
    );
  const lensOnly = new URLSearchParams(location.search).get('view') === 'lens';
  return ready ? lensOnly ? <LensWindow /> : <Workspace /> : <p className="empty">Opening the sequence …</p>;
}
