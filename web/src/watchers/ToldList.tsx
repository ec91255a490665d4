import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useSending } from '../kit/useSending';
import { WrongText } from '../kit/WrongText';
import { postJson } from '../session/http';
import { sayAbout, type Told, useTold, useWatchersChanged, type Watcher, watchersPath } from './watchers';

const STATES: Record<Told['state'], string> = {
  WAITING: 'waits',
  TOLD: 'taken',
  REFUSED: 'refused',
  GIVEN_UP: 'given up',
};

const time = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'medium' });

/** The newest things a watcher was told or is to be told. */
export function ToldList({ production, watcher: w }: { production: string; watcher: Watcher }) {
  const all = useTold(production, w.id);
  const changed = useWatchersChanged(production);
  const { busy, wrong, send } = useSending();
  const again = (t: Told) =>
    void send(async () => {
      await postJson(`${watchersPath(production)}/${w.id}/tellings/${t.id}/again`, {});
      await changed();
    });
  if (all.isError) return <Alert severity="error">{all.error.message}</Alert>;
  if (all.data?.length === 0)
    return (
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Nothing yet. “Say hello” shows whether it hears.
      </Typography>
    );
  return (
    <Stack
      component="ol"
      aria-label={`What ${w.name} was told`}
      sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: 220, overflow: 'auto' }}
    >
      <WrongText wrong={wrong} />
      {all.data?.map((t) => (
        <Stack
          component="li"
          key={t.id}
          direction="row"
          sx={{ gap: 1.5, alignItems: 'center', minHeight: 30 }}
        >
          <Typography className="mono" variant="body2" sx={{ color: 'text.secondary' }}>
            {time(t.happenedAt)}
          </Typography>
          <Typography variant="body2" sx={{ width: 80 }}>
            {t.kind}
          </Typography>
          <Typography variant="body2" noWrap sx={{ width: 150, color: 'text.secondary' }} title={t.message}>
            {sayAbout(t)}
          </Typography>
          <Typography variant="body2" noWrap sx={{ flex: 1 }} title={t.says}>
            {STATES[t.state]}
            {t.tries > 1 ? `, tried ${t.tries} times` : ''}
            {t.says && t.state !== 'TOLD' ? `. ${t.says}` : ''}
          </Typography>
          {t.state !== 'WAITING' && w.active ? (
            <Button size="small" color="inherit" disabled={busy} onClick={() => again(t)}>
              Tell again
            </Button>
          ) : null}
        </Stack>
      ))}
    </Stack>
  );
}
