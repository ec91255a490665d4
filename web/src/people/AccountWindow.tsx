import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { WrongText } from '../kit/WrongText';
import { PlainWindow } from '../kit/PlainWindow';
import { useSending } from '../kit/useSending';
import { say } from '../session/said';
import { getJson, postJson } from '../session/http';
import { OwnTokens } from './OwnTokens';

interface Own {
  name: string;
  shown: string;
  email: string;
}

/** One's own account: what one is called, the password, and where one is signed in. */
export function AccountWindow({ onClose }: { onClose: () => void }) {
  const own = useQuery({ queryKey: ['account'], queryFn: () => getJson<Own>('/api/account'), staleTime: 0 });
  return (
    <PlainWindow name="My account" title="My account" width="xs" onClose={onClose}>
      {own.isError ? <Typography className="error">{own.error.message}</Typography> : null}
      {own.data ? (
        <Stack sx={{ gap: 2, pt: 1 }}>
          <Called own={own.data} />
          <Divider />
          <NewPassword />
          <Divider />
          <OwnTokens />
          <Divider />
          <Everywhere />
        </Stack>
      ) : null}
    </PlainWindow>
  );
}

function Called({ own }: { own: Own }) {
  const client = useQueryClient();
  const { busy, send, at } = useSending();
  const [shown, setShown] = useState(own.shown === own.name ? '' : own.shown);
  const [email, setEmail] = useState(own.email);
  const keep = () =>
    send(async () => {
      await postJson('/api/account', { shown, email });
      await client.invalidateQueries();
      say('Kept.');
    });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <Stack sx={{ gap: 0.5 }}>
        <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
          You sign in as <b>{own.name}</b>.
        </Typography>
        <TextField
          size="small"
          label="What others read"
          placeholder={own.name}
          value={shown}
          onChange={(e) => setShown(e.target.value)}
          autoComplete="name"
          {...at('shown')}
        />
        <TextField
          size="small"
          label="E-mail, if you wish"
          value={email}
          onChange={(e) => setEmail(e.target.value)}
          autoComplete="email"
          {...at('email')}
        />
        <Button type="submit" disabled={busy} sx={{ alignSelf: 'flex-start' }} variant="outlined">
          Keep
        </Button>
      </Stack>
    </form>
  );
}

function NewPassword() {
  const { busy, wrong, send, at } = useSending();
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const change = () =>
    send(async () => {
      await postJson('/api/account/password', { old, password });
      setOld('');
      setPassword('');
      say('Your password is changed. Wherever else you were signed in, you are signed out.');
    });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void change();
      }}
    >
      <Stack sx={{ gap: 0.5 }}>
        <TextField
          size="small"
          type="password"
          label="Password now"
          value={old}
          onChange={(e) => setOld(e.target.value)}
          autoComplete="current-password"
          {...at('old')}
        />
        <TextField
          size="small"
          type="password"
          label="New password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          autoComplete="new-password"
          {...at('password')}
        />
        <WrongText wrong={wrong} fields={['old', 'password']} />
        <Button
          type="submit"
          disabled={busy || !old || !password}
          sx={{ alignSelf: 'flex-start' }}
          variant="outlined"
        >
          Change the password
        </Button>
      </Stack>
    </form>
  );
}

function Everywhere() {
  const client = useQueryClient();
  const { busy, wrong, send } = useSending();
  const out = () =>
    send(async () => {
      await postJson('/api/account/sign-out-everywhere');
      await client.invalidateQueries();
    });
  return (
    <Stack sx={{ gap: 0.5 }}>
      <Button color="inherit" variant="outlined" disabled={busy} onClick={() => void out()}>
        Sign out here and everywhere else
      </Button>
      {wrong ? <Typography className="error">{wrong.text}</Typography> : null}
    </Stack>
  );
}
