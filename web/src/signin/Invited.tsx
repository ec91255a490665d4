import { Door } from './Door';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { AccountFields } from '../kit/AccountFields';
import { useSending } from '../kit/useSending';
import { DoorForm } from './DoorForm';
import { call, postJson } from '../session/http';

interface Shown {
  /** Null where a new password is chosen. */
  production: string | null;
  role: 'lead' | 'artist' | 'reviewer' | null;
  by: string;
  endsAt: string;
  /** Whose password is chosen. */
  name: string | null;
}

const WITH = { lead: 'as a lead', artist: 'as an artist', reviewer: 'as a reviewer' };

/** Where somebody arrives by a link that is used once: into a production, or to choose a new password. */
export function Invited({
  secret,
  signedIn,
  onDone,
}: {
  secret: string;
  /** The name of who is signed in already, or null. */
  signedIn: string | null;
  onDone: () => void;
}) {
  const shown = useQuery({
    queryKey: ['invitation', secret],
    queryFn: () => postJson<Shown>('/api/invitation', { secret }),
    retry: false,
    staleTime: Infinity,
  });
  return (
    <Door>
      {shown.isPending ? <span className="muted">Looking at the link …</span> : null}
      {shown.isError ? (
        <>
          <p className="error" role="alert">
            {shown.error.message}
          </p>
          <Button variant="contained" onClick={onDone}>
            To the front page
          </Button>
        </>
      ) : null}
      {shown.data ? <Coming secret={secret} shown={shown.data} signedIn={signedIn} onDone={onDone} /> : null}
    </Door>
  );
}

function Coming({
  secret,
  shown,
  signedIn,
  onDone,
}: {
  secret: string;
  shown: Shown;
  signedIn: string | null;
  onDone: () => void;
}) {
  const { busy, wrong, send, at } = useSending();
  const [name, setName] = useState(shown.name ?? '');
  const [called, setCalled] = useState('');
  const [password, setPassword] = useState('');
  const asSelf = signedIn !== null && shown.production !== null;
  const come = () =>
    send(async () => {
      const used = await postJson<{ name: string }>('/api/invitation/accept', {
        secret,
        name,
        shown: called,
        email: '',
        password,
      });
      if (!asSelf)
        await call(
          'POST',
          '/api/sign-in',
          new URLSearchParams({ username: used.name, password }),
          'application/x-www-form-urlencoded',
        );
      onDone();
    });
  return (
    <DoorForm
      action={shown.production ? 'Come in' : 'Take this password'}
      busy={busy}
      wrong={wrong}
      fields={['name', 'password', 'shown']}
      onSend={() => void come()}
    >
      <Typography>
        {shown.production ? (
          <>
            {shown.by} asks you into <b>{shown.production}</b>, {shown.role ? WITH[shown.role] : ''}.
          </>
        ) : (
          <>
            Choose a new password for <b>{shown.name}</b>.
          </>
        )}
      </Typography>
      {asSelf ? (
        <Typography sx={{ color: 'text.secondary' }}>You are signed in as {signedIn}.</Typography>
      ) : shown.production ? (
        <>
          <AccountFields
            name={name}
            password={password}
            onName={setName}
            onPassword={setPassword}
            at={at}
            autoFocus
          />
          <TextField
            label="What others read"
            placeholder={name}
            value={called}
            onChange={(e) => setCalled(e.target.value)}
            autoComplete="name"
            {...at('shown')}
          />
        </>
      ) : (
        <TextField
          label="New password"
          type="password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          autoComplete="new-password"
          autoFocus
          {...at('password')}
        />
      )}
    </DoorForm>
  );
}
