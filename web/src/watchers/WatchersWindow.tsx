import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { LinkShown } from '../kit/LinkShown';
import { PlainWindow } from '../kit/PlainWindow';
import { postJson } from '../session/http';
import { WatcherForm } from './WatcherForm';
import { WatcherRow } from './WatcherRow';
import { type Made, useWatchers, useWatchersChanged, watchersPath } from './watchers';

/** Which programs are told of what happens in a production. */
export function WatchersWindow({
  production,
  onClose,
}: {
  production: { id: string; name: string };
  onClose: () => void;
}) {
  const all = useWatchers(production.id);
  const changed = useWatchersChanged(production.id);
  const [adding, setAdding] = useState(false);
  const [secret, setSecret] = useState<Made | null>(null);
  const none = all.data?.length === 0;
  return (
    <PlainWindow name="Watchers" title={`Watchers of ${production.name}`} width="md" onClose={onClose}>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        A watcher is the address of a program of yours: a tracker, a chat, a night’s batch. It is told,
        signed, of what happens in this production, and told again until it has taken it.
      </Typography>
      {all.isError ? <Alert severity="error">{all.error.message}</Alert> : null}
      <Stack component="ul" aria-label="Watchers" sx={{ gap: 1.5, m: 0, p: 0, listStyle: 'none' }}>
        {all.data?.map((w) => (
          <WatcherRow
            key={w.id}
            production={production.id}
            watcher={w}
            now={all.dataUpdatedAt}
            onSecret={setSecret}
          />
        ))}
      </Stack>
      {secret ? (
        <LinkShown
          link={secret.secret}
          what="The secret"
          says={`The secret of ${secret.watcher.name}, with which it knows that it is told by us. Copy it now: it is not shown again.`}
        />
      ) : null}
      {adding || none ? (
        <WatcherForm
          does="Add the watcher"
          send={async (given) => {
            setSecret(await postJson<Made>(watchersPath(production.id), given));
            setAdding(false);
            await changed();
          }}
          onLeave={none ? undefined : () => setAdding(false)}
        />
      ) : all.data ? (
        <Button variant="outlined" sx={{ alignSelf: 'flex-start' }} onClick={() => setAdding(true)}>
          Add a watcher …
        </Button>
      ) : null}
    </PlainWindow>
  );
}
