import { Door } from './Door';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSending } from '../kit/useSending';
import { DoorForm } from './DoorForm';
import { call, getJson } from '../session/http';

interface Arrival {
  /** What the studio's own sign-in is called. */
  provider: string;
  /** What they might be called. */
  name: string;
  email: string;
  /** Whether they may begin an account of their own. */
  begins: boolean;
}

/** Where somebody whom the studio's own sign-in has let in says, once, who they are here. */
export function Arrived({ onDone }: { onDone: () => void }) {
  const arrival = useQuery({
    queryKey: ['arrival'],
    queryFn: () => getJson<Arrival>('/api/arrival'),
    retry: false,
    staleTime: Infinity,
  });
  return (
    <Door>
      {arrival.isPending ? <span className="muted">Coming in …</span> : null}
      {arrival.isError ? (
        <>
          <p className="error" role="alert">
            {arrival.error.message}
          </p>
          <Button variant="contained" onClick={onDone}>
            To the front page
          </Button>
        </>
      ) : null}
      {arrival.data ? <Who arrival={arrival.data} onDone={onDone} /> : null}
    </Door>
  );
}

function Who({ arrival, onDone }: { arrival: Arrival; onDone: () => void }) {
  const { busy, wrong, send, at } = useSending();
  const [begins, setBegins] = useState(arrival.begins);
  const [name, setName] = useState(arrival.name);
  const [password, setPassword] = useState('');
  const enter = () =>
    send(async () => {
      const asked = JSON.stringify({ name, password: begins ? null : password });
      await call('POST', '/api/arrival', asked, 'application/json');
      onDone();
    });
  return (
    <DoorForm
      action={begins ? 'Begin' : 'It is mine'}
      busy={busy}
      wrong={wrong}
      fields={['name', 'password']}
      onSend={() => void enter()}
    >
      <Typography>
        {arrival.provider} knows you{arrival.email ? ` as ${arrival.email}` : ''}. Say once who you are here.
      </Typography>
      {arrival.begins ? (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={begins}
          onChange={(_, chosen: boolean | null) => chosen !== null && setBegins(chosen)}
          aria-label="Who you are here"
        >
          <ToggleButton value={true}>I am new</ToggleButton>
          <ToggleButton value={false}>I have an account</ToggleButton>
        </ToggleButtonGroup>
      ) : null}
      <TextField
        label={begins ? 'Your name' : 'Name of your account'}
        value={name}
        onChange={(e) => setName(e.target.value)}
        autoComplete="username"
        autoFocus
        {...at('name')}
      />
      {begins ? null : (
        <TextField
          label="Its password"
          type="password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          autoComplete="current-password"
          {...at('password')}
        />
      )}
    </DoorForm>
  );
}
