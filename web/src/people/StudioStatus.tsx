import Alert from '@mui/material/Alert';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import Button from '@mui/material/Button';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Tip } from '../kit/Tip';
import { useSending } from '../kit/useSending';
import { call, getJson } from '../session/http';

interface Seen {
  what: string;
  well: boolean;
  says: string;
}

interface Taken {
  id: string;
  name: string;
  code: string;
  sequences: number;
  people: number;
  documents: number;
  models: number;
  images: number;
  frames: number;
  /** What those take, bytes. */
  pictures: number;
}

interface Unused {
  count: number;
  bytes: number;
}

interface Job {
  id: string;
  label: string;
  state: 'WAITING' | 'WORKING' | 'PAUSED';
  production: string;
  by: string;
  done: number;
  total: number;
}

interface Backup {
  name: string;
  bytes: number;
  at: string;
}

interface Status {
  health: Seen[];
  room: Taken[];
  backups: Backup[] | null;
}

const LOOK_MS = 5000;

/** Bytes, as 1.2 GB. */
function size(bytes: number): string {
  const units = ['B', 'kB', 'MB', 'GB', 'TB'];
  let i = 0;
  let b = bytes;
  for (; b >= 1000 && i < units.length - 1; i++) b /= 1000;
  return `${i === 0 ? b : b.toFixed(1)} ${units[i]}`;
}

const moment = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** Health, the room that productions take, renders in hand, and backups. */
export function StudioStatus() {
  const status = useQuery({
    queryKey: ['status'],
    queryFn: () => getJson<Status>('/api/administration/status'),
    staleTime: 0,
  });
  if (status.isPending) return <LinearProgress aria-label="Looking" />;
  if (status.isError) return <Alert severity="error">{status.error.message}</Alert>;
  const { health, room, backups } = status.data;
  return (
    <>
      <section aria-label="Health">
        <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
          {health.map((h) => (
            <div key={h.what} className={`health ${h.well ? '' : 'unwell'}`}>
              <Typography variant="overline">{h.what}</Typography>
              <Typography>
                {h.well ? '✓ ' : '! '}
                {h.says}
              </Typography>
            </div>
          ))}
        </Stack>
      </section>
      <section aria-label="Room">
        <h2>Productions and their room</h2>
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Production</TableCell>
              <TableCell align="right">Sequences</TableCell>
              <TableCell align="right">People</TableCell>
              <TableCell align="right">Documents</TableCell>
              <TableCell align="right">Models</TableCell>
              <TableCell align="right">Images</TableCell>
              <TableCell align="right">Rendered frames</TableCell>
              <TableCell align="right">Their pictures</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {room.map((r) => (
              <TableRow key={r.id}>
                <TableCell>
                  <b>{r.name}</b> <span className="muted">{r.code}</span>
                </TableCell>
                <TableCell align="right">{r.sequences}</TableCell>
                <TableCell align="right">{r.people}</TableCell>
                <TableCell align="right">{size(r.documents)}</TableCell>
                <TableCell align="right">{size(r.models)}</TableCell>
                <TableCell align="right">{size(r.images)}</TableCell>
                <TableCell align="right">{r.frames}</TableCell>
                <TableCell align="right">{size(r.pictures)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <UnusedAssets />
      </section>
      <JobsInHand />
      <section aria-label="Backups">
        <h2>Backups</h2>
        {backups === null ? (
          <Typography sx={{ color: 'text.secondary' }}>
            None are made by themselves. <span className="mono">./kite backup FILE</span> makes one; with a
            folder in <span className="mono">KITE_BACKUPS</span> there is one every night.
          </Typography>
        ) : backups.length ? (
          <Table size="small">
            <TableBody>
              {backups.map((b) => (
                <TableRow key={b.name}>
                  <TableCell className="mono">{b.name}</TableCell>
                  <TableCell>{moment(b.at)}</TableCell>
                  <TableCell align="right">{size(b.bytes)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        ) : (
          <Typography sx={{ color: 'text.secondary' }}>The first comes tonight.</Typography>
        )}
      </section>
    </>
  );
}

/** Models and images that nothing names any more, and having their room back. */
function UnusedAssets() {
  const client = useQueryClient();
  const [found, setFound] = useState<Unused>();
  const [gone, setGone] = useState<Unused>();
  const { busy, wrong, send } = useSending();
  const look = () => send(async () => setFound(await getJson<Unused>('/api/administration/unused-assets')));
  const takeAway = () =>
    send(async () => {
      setGone((await (await call('DELETE', '/api/administration/unused-assets')).json()) as Unused);
      setFound(undefined);
      await client.invalidateQueries({ queryKey: ['status'] });
    });
  return (
    <Stack direction="row" sx={{ gap: 2, alignItems: 'center', mt: 1.5, minHeight: 40 }}>
      {found?.count ? (
        <>
          <Typography>
            {models(found)}, {size(found.bytes)}, named by no sequence, version, set or render for 30 days.
          </Typography>
          <Button color="error" disabled={busy} onClick={() => void takeAway()}>
            Take them away
          </Button>
          <Button disabled={busy} onClick={() => setFound(undefined)}>
            Leave them
          </Button>
        </>
      ) : (
        <>
          <Tip text="Reads every document of the studio, which takes a moment">
            <Button variant="outlined" disabled={busy} onClick={() => void look()}>
              {busy ? 'Looking …' : 'Look for unused models'}
            </Button>
          </Tip>
          {found ? (
            <Typography sx={{ color: 'text.secondary' }}>All of them are in use, or came lately.</Typography>
          ) : null}
          {gone && !found ? (
            <Typography sx={{ color: 'text.secondary' }}>
              {models(gone)} taken away, {size(gone.bytes)}.
            </Typography>
          ) : null}
        </>
      )}
      {wrong ? <Alert severity="error">{wrong.text}</Alert> : null}
    </Stack>
  );
}

const models = (u: Unused) => `${u.count} ${u.count === 1 ? 'model or image' : 'models and images'}`;

/** Renders that wait or are worked at; looked for again and again. */
function JobsInHand() {
  const jobs = useQuery({
    queryKey: ['jobs'],
    queryFn: () => getJson<Job[]>('/api/administration/jobs'),
    refetchInterval: LOOK_MS,
    staleTime: 0,
  });
  return (
    <section aria-label="Renders in hand">
      <h2>Renders in hand</h2>
      {jobs.data?.length ? (
        <Stack sx={{ gap: 1, mt: 1 }}>
          {jobs.data.map((j) => (
            <Stack key={j.id} direction="row" sx={{ gap: 2, alignItems: 'center' }}>
              <Typography sx={{ width: 320 }} noWrap>
                {j.label} <span className="muted">{`${j.production}, ${j.by}`}</span>
              </Typography>
              <LinearProgress
                variant="determinate"
                value={(100 * j.done) / j.total}
                sx={{ flexGrow: 1 }}
                aria-label={j.label}
              />
              <span className="mono">
                {j.state === 'WAITING'
                  ? 'waits'
                  : j.state === 'PAUSED'
                    ? 'paused'
                    : `${j.done} of ${j.total}`}
              </span>
            </Stack>
          ))}
        </Stack>
      ) : null}
      {jobs.data?.length === 0 ? <Typography sx={{ color: 'text.secondary' }}>None.</Typography> : null}
      {jobs.isError ? <Alert severity="error">{jobs.error.message}</Alert> : null}
    </section>
  );
}
