import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { day, LinkShown, linkWith } from '../kit/LinkShown';
import { WrongText } from '../kit/WrongText';
import { PlainWindow } from '../kit/PlainWindow';
import { useSending } from '../kit/useSending';
import { call, getJson, postJson } from '../session/http';
import type { Made } from './people';

interface Link {
  id: string;
  note: string;
  by: string;
  madeAt: string;
  endsAt: string;
}

/** Sends a sequence to somebody without an account, to look at until a date. */
export function GuestLinksWindow({
  sequence,
  onClose,
}: {
  sequence: { id: string; code: string };
  onClose: () => void;
}) {
  const client = useQueryClient();
  const path = `/api/sequences/${sequence.id}/links`;
  const links = useQuery({
    queryKey: ['links', sequence.id],
    queryFn: () => getJson<Link[]>(path),
    staleTime: 0,
  });
  const { busy, wrong, send, at } = useSending();
  const [note, setNote] = useState('');
  const [days, setDays] = useState('14');
  const [made, setMade] = useState<Made | null>(null);
  const changed = () => client.invalidateQueries({ queryKey: ['links', sequence.id] });
  const make = () =>
    send(async () => {
      setMade(await postJson<Made>(path, { note, days: Number(days) || 0 }));
      setNote('');
      await changed();
    });
  const end = (l: Link) =>
    send(async () => {
      await call('DELETE', `${path}/${l.id}`);
      await changed();
    });
  return (
    <PlainWindow name="Guests" title={`Guests of ${sequence.code}`} onClose={onClose}>
      <Typography sx={{ color: 'text.secondary' }}>
        Whoever has a link looks at this sequence without an account, and at nothing else, until it ends.
      </Typography>
      {links.isError ? <Alert severity="error">{links.error.message}</Alert> : null}
      {links.data?.map((l) => (
        <Stack key={l.id} direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <Typography className="grow">
            {l.note || 'Somebody'}{' '}
            <Typography component="span" sx={{ color: 'text.secondary' }}>
              until {day(l.endsAt)}, sent by {l.by}
            </Typography>
          </Typography>
          <Button
            color="inherit"
            disabled={busy}
            aria-label={`End the link of ${l.note || 'somebody'}`}
            onClick={() => void end(l)}
          >
            End it
          </Button>
        </Stack>
      ))}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <Stack direction="row" sx={{ gap: 1, alignItems: 'flex-start' }}>
          <TextField
            size="small"
            label="For whom"
            value={note}
            onChange={(e) => setNote(e.target.value)}
            fullWidth
            autoFocus
            {...at('note')}
          />
          <TextField
            size="small"
            label="Days"
            value={days}
            onChange={(e) => setDays(e.target.value)}
            sx={{ width: 110, flexShrink: 0 }}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            {...at('days')}
          />
          <Button type="submit" variant="contained" disabled={busy} sx={{ height: 38, flexShrink: 0 }}>
            Make a link
          </Button>
        </Stack>
        <WrongText wrong={wrong} fields={['note', 'days']} />
      </form>
      {made ? (
        <LinkShown
          link={linkWith('look', made.secret)}
          says={`Send this link by any means. It is shown this once and ends on ${day(made.endsAt)}.`}
        />
      ) : null}
    </PlainWindow>
  );
}
