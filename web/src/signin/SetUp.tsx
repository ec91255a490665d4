import { Door } from './Door';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { AccountFields } from '../kit/AccountFields';
import { useSending } from '../kit/useSending';
import { call, postJson } from '../session/http';

/** Makes a studio's first account, with the code that stands in the terminal. */
export function SetUp({ onDone }: { onDone: () => void }) {
  const { busy, wrong, send, at } = useSending();
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const differs = again !== '' && again !== password;
  const make = () =>
    send(async () => {
      await postJson('/api/set-up', { code, name, password });
      await call(
        'POST',
        '/api/sign-in',
        new URLSearchParams({ username: name.trim(), password }),
        'application/x-www-form-urlencoded',
      );
      onDone();
    });
  return (
    <Door
      onSend={() => {
        if (password === again) void make();
      }}
    >
      <span className="muted">
        Nobody has an account here yet. The first one is yours, with the code from the terminal.
      </span>
      <TextField
        label="Code from the terminal"
        value={code}
        onChange={(e) => setCode(e.target.value)}
        autoComplete="off"
        autoFocus
        {...at('code')}
      />
      <AccountFields name={name} password={password} onName={setName} onPassword={setPassword} at={at} />
      <TextField
        label="Password once more"
        type="password"
        value={again}
        onChange={(e) => setAgain(e.target.value)}
        autoComplete="new-password"
        error={differs}
        helperText={differs ? 'The two are not the same.' : ' '}
      />
      {wrong && !['code', 'name', 'password'].includes(wrong.field) ? (
        <p className="error" role="alert">
          {wrong.text}
        </p>
      ) : null}
      <Button type="submit" variant="contained" disabled={busy || differs || !again}>
        Make the account
      </Button>
    </Door>
  );
}
