import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useSending } from '../kit/useSending';
import { WrongText } from '../kit/WrongText';
import { type Given, KINDS } from './watchers';

const NEW: Given = {
  name: '',
  address: '',
  kinds: ['version', 'render', 'approval', 'handover'],
  active: true,
};

/** What a watcher is called, where it is, and what it is told of. */
export function WatcherForm({
  was = NEW,
  does,
  send: sendIt,
  onLeave,
}: {
  was?: Given;
  /** What its button says. */
  does: string;
  send: (given: Given) => Promise<void>;
  onLeave?: () => void;
}) {
  const { busy, wrong, send, at } = useSending();
  const [given, setGiven] = useState<Given>({
    name: was.name,
    address: was.address,
    kinds: was.kinds,
    active: was.active,
  });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void send(() => sendIt(given));
      }}
    >
      <Stack sx={{ gap: 0.5 }}>
        <Stack direction="row" sx={{ gap: 1 }}>
          <TextField
            size="small"
            label="Name"
            placeholder="Tracker"
            value={given.name}
            onChange={(e) => setGiven({ ...given, name: e.target.value })}
            sx={{ width: 220 }}
            {...at('name')}
          />
          <TextField
            size="small"
            fullWidth
            label="Address"
            placeholder="http://127.0.0.1:9100/heard"
            value={given.address}
            onChange={(e) => setGiven({ ...given, address: e.target.value })}
            {...at('address')}
          />
        </Stack>
        <Typography variant="body2">It is told</Typography>
        {KINDS.map((k) => (
          <FormControlLabel
            key={k.id}
            control={
              <Checkbox
                size="small"
                checked={given.kinds.includes(k.id)}
                onChange={(_, on) =>
                  setGiven({
                    ...given,
                    kinds: on ? [...given.kinds, k.id] : given.kinds.filter((x) => x !== k.id),
                  })
                }
                slotProps={{ input: { 'aria-label': k.name } }}
                sx={{ py: 0.25 }}
              />
            }
            label={
              <Typography variant="body2">
                {k.name}{' '}
                <Typography component="span" variant="body2" sx={{ color: 'text.secondary' }}>
                  {k.says}
                </Typography>
              </Typography>
            }
          />
        ))}
        <WrongText wrong={wrong} fields={['name', 'address']} />
        <Stack direction="row" sx={{ gap: 1 }}>
          <Button
            type="submit"
            variant="contained"
            disabled={busy || !given.name.trim() || !given.address.trim() || !given.kinds.length}
          >
            {does}
          </Button>
          {onLeave ? (
            <Button color="inherit" onClick={onLeave}>
              Leave it
            </Button>
          ) : null}
        </Stack>
      </Stack>
    </form>
  );
}
