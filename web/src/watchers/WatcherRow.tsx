import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { ago } from '../kit/ago';
import { useSending } from '../kit/useSending';
import { WrongText } from '../kit/WrongText';
import { call, postJson, putJson } from '../session/http';
import { ToldList } from './ToldList';
import { WatcherForm } from './WatcherForm';
import { type Given, KINDS, type Made, useWatchersChanged, type Watcher, watchersPath } from './watchers';

/** How a watcher does, in one sentence. */
export function sayState(w: Watcher, now: number): string {
  if (!w.active) return w.says.includes('switched off') ? w.says : 'Switched off: it is told nothing.';
  if (w.tries > 0) {
    const seconds = w.nextAt ? Math.max(0, Math.ceil((Date.parse(w.nextAt) - now) / 1000)) : 0;
    const when = seconds > 90 ? `in ${Math.ceil(seconds / 60)} minutes` : seconds ? `in ${seconds} s` : 'now';
    return `${w.says} ${w.waiting} to be told; it is tried again ${when}.`;
  }
  if (w.waiting) return `${w.waiting} to be told.`;
  return w.toldAt ? `Last told ${ago(w.toldAt, now)}.` : 'Not told anything yet.';
}

/** A watcher, how it does, and what can be done with it. */
export function WatcherRow({
  production,
  watcher: w,
  now,
  onSecret,
}: {
  production: string;
  watcher: Watcher;
  /** When it was looked at, milliseconds since 1970. */
  now: number;
  onSecret: (made: Made) => void;
}) {
  const changed = useWatchersChanged(production);
  const { busy, wrong, send } = useSending();
  const [open, setOpen] = useState<'told' | 'change' | 'remove' | null>(null);
  const path = `${watchersPath(production)}/${w.id}`;
  const does = (work: () => Promise<unknown>) =>
    void send(async () => {
      await work();
      await changed();
    });
  const change = (given: Given) => putJson(path, given);
  const turn = (to: typeof open) => setOpen(open === to ? null : to);
  const failing = w.active && w.tries > 0;
  return (
    <Stack
      component="li"
      aria-label={w.name}
      sx={{ gap: 0.5, p: 1.5, borderRadius: 2, bgcolor: 'background.default' }}
    >
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
        <Typography sx={{ fontWeight: 700 }}>{w.name}</Typography>
        <Typography className="mono" variant="body2" noWrap sx={{ flex: 1, color: 'text.secondary' }}>
          {w.address}
        </Typography>
        <Switch
          size="small"
          checked={w.active}
          disabled={busy}
          onChange={(_, active) =>
            does(() => change({ name: w.name, address: w.address, kinds: w.kinds, active }))
          }
          slotProps={{ input: { 'aria-label': `${w.name} is told` } }}
        />
      </Stack>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {KINDS.filter((k) => w.kinds.includes(k.id))
          .map((k) => k.name)
          .join(', ')}
      </Typography>
      <Typography variant="body2" role="status" sx={{ color: failing ? 'warning.main' : 'text.primary' }}>
        {sayState(w, now)}
      </Typography>
      <WrongText wrong={wrong} />
      <Stack direction="row" sx={{ gap: 0.5, flexWrap: 'wrap' }}>
        <Button
          size="small"
          color="inherit"
          disabled={busy || !w.active}
          title="Tells it something now, and what waits with it"
          onClick={() => does(() => postJson(`${path}/hello`, {}))}
        >
          Say hello
        </Button>
        <Button size="small" color="inherit" aria-expanded={open === 'told'} onClick={() => turn('told')}>
          What was told
        </Button>
        <Button size="small" color="inherit" aria-expanded={open === 'change'} onClick={() => turn('change')}>
          Change …
        </Button>
        <Button
          size="small"
          color="inherit"
          disabled={busy}
          title="What is told from now on is signed with another secret"
          onClick={() => does(async () => onSecret(await postJson<Made>(`${path}/secret`, {})))}
        >
          Another secret
        </Button>
        <Button size="small" color="inherit" disabled={busy} onClick={() => turn('remove')}>
          Remove …
        </Button>
      </Stack>
      {open === 'remove' ? (
        <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <Typography variant="body2">
            {w.waiting ? `${w.waiting} things it has not taken go with it.` : 'It is told nothing more.'}
          </Typography>
          <Button size="small" color="error" onClick={() => does(() => call('DELETE', path))}>
            Remove {w.name}
          </Button>
        </Stack>
      ) : null}
      {open === 'change' ? (
        <WatcherForm
          was={w}
          does="Change it"
          send={async (given) => {
            await change(given);
            setOpen(null);
            await changed();
          }}
          onLeave={() => setOpen(null)}
        />
      ) : null}
      {open === 'told' ? <ToldList production={production} watcher={w} /> : null}
    </Stack>
  );
}
