import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useSending } from '../kit/useSending';
import { WrongText } from '../kit/WrongText';
import { call, getJson, postJson } from '../session/http';

interface Token {
  id: string;
  name: string;
  madeAt: string;
  usedAt: string | null;
}

const day = (at: string) => at.slice(0, 10);

/** What one's scripts sign in with. Each is shown once, when it is made. */
export function OwnTokens() {
  const client = useQueryClient();
  const tokens = useQuery({ queryKey: ['tokens'], queryFn: () => getJson<Token[]>('/api/account/tokens') });
  const { busy, wrong, send, at } = useSending();
  const [name, setName] = useState('');
  const [made, setMade] = useState('');
  const again = () => client.invalidateQueries({ queryKey: ['tokens'] });
  const make = () =>
    send(async () => {
      const m = await postJson<{ token: string }>('/api/account/tokens', { name });
      setMade(m.token);
      setName('');
      await again();
    });
  const takeBack = (id: string) =>
    send(async () => {
      await call('DELETE', `/api/account/tokens/${id}`);
      await again();
    });
  return (
    <Stack sx={{ gap: 0.5 }}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Tokens let your scripts in as you, without your password.
      </Typography>
      {tokens.data?.map((t) => (
        <Stack key={t.id} direction="row" sx={{ alignItems: 'center', gap: 1 }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {t.name} · made {day(t.madeAt)} · {t.usedAt ? `used ${day(t.usedAt)}` : 'never used'}
          </Typography>
          <Button
            size="small"
            color="inherit"
            disabled={busy}
            aria-label={`Take ${t.name} back`}
            onClick={() => void takeBack(t.id)}
          >
            Take back
          </Button>
        </Stack>
      ))}
      {made ? (
        <TextField
          size="small"
          label="Your new token: copy it now, it is not shown again"
          value={made}
          onFocus={(e) => e.target.select()}
          slotProps={{ input: { readOnly: true } }}
        />
      ) : null}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <Stack sx={{ gap: 0.5 }}>
          <TextField
            size="small"
            label="What a new token is for"
            placeholder="Nightly previews"
            value={name}
            onChange={(e) => setName(e.target.value)}
            {...at('name')}
          />
          <WrongText wrong={wrong} fields={['name']} />
          <Button
            type="submit"
            disabled={busy || !name.trim()}
            sx={{ alignSelf: 'flex-start' }}
            variant="outlined"
          >
            Make a token
          </Button>
        </Stack>
      </form>
    </Stack>
  );
}
