import { Door } from './Door';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { call } from '../session/http';
import type { Session } from '../session/who';
import { Pill } from '../kit/Pill';

/** How coming by the studio's own sign-in went wrong. */
function refusal(session: Session, why: string | null): string {
  if (why === 'ended') return 'Your account here is ended. Ask who administers the studio.';
  return why && session.provider
    ? `${session.provider} did not let you in, or cannot be reached. Try again, or use your name and password.`
    : '';
}

/** The door. In demo mode it shows the key. */
export function SignIn({
  session,
  refused,
  onDone,
}: {
  session: Session;
  /** Why somebody was turned back who came another way, or null. */
  refused: string | null;
  onDone: () => void;
}) {
  const [name, setName] = useState(session.demoName ?? '');
  const [password, setPassword] = useState(session.demoPassword ?? '');
  const [error, setError] = useState(refusal(session, refused));
  const [busy, setBusy] = useState(false);
  const enter = async () => {
    setBusy(true);
    setError('');
    try {
      await call(
        'POST',
        '/api/sign-in',
        new URLSearchParams({ username: name, password }),
        'application/x-www-form-urlencoded',
      );
      onDone();
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
      setBusy(false);
    }
  };
  return (
    <Door
      onSend={() => {
        void enter();
      }}
    >
      <span className="muted">Put cameras into a set, make them move, hand shots on.</span>
      <TextField
        label="Name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        autoComplete="username"
        autoFocus
      />
      <TextField
        label="Password"
        type="password"
        value={password}
        onChange={(e) => setPassword(e.target.value)}
        autoComplete="current-password"
      />
      {error ? (
        <p className="error" role="alert">
          {error}
        </p>
      ) : null}
      <Pill tone="coral" wide type="submit" disabled={busy}>
        {busy ? 'Opening …' : 'Sign in'}
      </Pill>
      {session.provider ? (
        <Pill wide href="oauth2/authorization/studio">
          Sign in with {session.provider}
        </Pill>
      ) : null}
      {session.demoName ? (
        <span className="muted" style={{ fontSize: 12.5 }}>
          Demonstration: name <b>{session.demoName}</b>, password <b>{session.demoPassword}</b>
        </span>
      ) : null}
    </Door>
  );
}
