import { useOutbox } from '../session/outbox';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { PlainWindow } from '../kit/PlainWindow';
import { useDeferredValue, useState } from 'react';
import type { Entity, Proposed } from '../core/types';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { attempt, say } from '../session/said';
import { useSequence } from '../session/state';
import { getJson } from '../session/http';
import { closeWindow } from '../session/windows';
import type { Side } from '../session/comparing';
import { compare, documentOf, NOW } from '../doing/compared';
import './history.css';

interface Made {
  revision: number;
  id: string;
  author: string;
  at: string;
  label: string;
  touched: string[];
}

/** What the server gives at a time. */
const PAGE = 100;

/** More things than these are a number. */
const MOST_NAMED = 3;

const when = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

const failed = (e: unknown) => say(e instanceof Error ? e.message : String(e), true);

const named = (e: Entity): string => (e.kind === 'camera' ? `${e.letter} ${e.name}` : e.name);

/** What the edits changed, by the names that things have now. */
function things(touched: string[], entities: Record<string, Entity>): string {
  const names = touched.map((id) =>
    id === 'header'
      ? 'the sequence’s settings'
      : entities[id]
        ? named(entities[id])
        : 'something removed since',
  );
  const all = [...new Set(names)];
  const more = all.length - MOST_NAMED;
  return all.slice(0, MOST_NAMED).join(', ') + (more > 0 ? ` and ${more} more` : '');
}

/** The sequence as it was before an edit. */
const before = (m: Made): Side => ({
  path: `history/${m.revision - 1}`,
  title: `before “${m.label || 'an edit'}”`,
});

/** What happened to the sequence, by whom, with what it was then. */
export function HistoryWindow({ touching }: { touching: string }) {
  const id = useSequence((s) => s.id);
  const entities = useSequence((s) => s.entities);
  const saving = useOutbox((s) => s.pending.length > 0);
  const [about, setAbout] = useState(touching);
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed);
  const edits = useInfiniteQuery({
    queryKey: ['history', id, about, find],
    queryFn: ({ pageParam }) => {
      const asked = new URLSearchParams({ touching: about, find });
      if (pageParam) asked.set('before', String(pageParam));
      return getJson<Made[]>(`/api/sequences/${id}/history?${asked.toString()}`);
    },
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last[last.length - 1].revision),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  const all = edits.data?.pages.flat() ?? [];
  const cameras = Object.values(entities).filter((e) => e.kind === 'camera');
  const shots = Object.values(entities).filter((e) => e.kind === 'shot');
  const other = about && ![...cameras, ...shots].some((e) => e.id === about) ? entities[about] : undefined;
  return (
    <PlainWindow name="History" title="History" width="md" onClose={closeWindow}>
      <Stack direction="row" sx={{ gap: 1 }}>
        <TextField
          size="small"
          fullWidth
          placeholder="Find by what was done, or by whom"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': 'Find in the history', maxLength: 200 } }}
        />
        <TextField
          select
          size="small"
          value={about}
          onChange={(e) => setAbout(e.target.value)}
          sx={{ width: 260, flexShrink: 0 }}
          slotProps={{
            htmlInput: { 'aria-label': 'What it is about' },
            select: { displayEmpty: true, MenuProps: { transitionDuration: 0 } },
          }}
        >
          <MenuItem value="">Everything</MenuItem>
          {other ? <MenuItem value={about}>{named(other)}</MenuItem> : null}
          {cameras.map((c) => (
            <MenuItem key={c.id} value={c.id}>
              Camera {named(c)}
            </MenuItem>
          ))}
          {shots.map((c) => (
            <MenuItem key={c.id} value={c.id}>
              Shot {c.name}
            </MenuItem>
          ))}
          <MenuItem value="header">The sequence’s settings</MenuItem>
        </TextField>
      </Stack>
      {saving ? (
        <Alert severity="info">Your last edit is being saved; it is listed in a moment.</Alert>
      ) : null}
      {edits.isError ? <Alert severity="error">{edits.error.message}</Alert> : null}
      {edits.isPending ? <Typography sx={{ color: 'text.secondary' }}>Fetching …</Typography> : null}
      {edits.data && !all.length ? (
        <Typography sx={{ color: 'text.secondary' }}>
          {find || about ? 'Nothing of that kind happened.' : 'Nothing has been edited yet.'}
        </Typography>
      ) : null}
      <Stack component="ol" aria-label="Edits" sx={{ gap: 0.5, m: 0, p: 0, listStyle: 'none' }}>
        {all.map((m) => (
          <Row key={m.id} made={m} about={about} entities={entities} />
        ))}
      </Stack>
      {edits.hasNextPage ? (
        <Button onClick={() => void edits.fetchNextPage()} disabled={edits.isFetchingNextPage}>
          Show more
        </Button>
      ) : null}
    </PlainWindow>
  );
}

function Row({ made: m, about, entities }: { made: Made; about: string; entities: Record<string, Entity> }) {
  const id = useSequence((s) => s.id);
  const mayEdit = useSequence((s) => s.mayEdit);
  const [back, setBack] = useState<(Proposed & { what: string }) | null>(null);
  const one = about && about !== 'header' ? about : '';
  const look = async (thing: string) => {
    try {
      const document = await documentOf(id, before(m).path);
      const found = attempt(() => (thing ? core().backToThing(document, thing) : core().backTo(document)));
      const what = thing && entities[thing] ? named(entities[thing]) : thing ? 'this' : 'everything';
      setBack(found ? { ...found, what } : null);
    } catch (e) {
      failed(e);
    }
  };
  const bring = () => {
    if (back && edit(`Bring back ${back.what} from ${before(m).title}`, ...back.commands)) {
      say(`It is as it was ${before(m).title}. Undo brings back what was.`);
      closeWindow();
    }
  };
  return (
    <li className="history-row" data-revision={m.revision}>
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
        <span className="grow">
          <b>{m.label || 'An edit'}</b>{' '}
          <Typography component="span" variant="body2" sx={{ color: 'text.secondary' }}>
            {things(m.touched, entities)}
          </Typography>
        </span>
        <Chip size="small" label={m.author} />
        <Typography variant="body2" className="mono" sx={{ color: 'text.secondary' }}>
          {when(m.at)}
        </Typography>
        <Button
          size="small"
          color="inherit"
          aria-label={`Look at it then: as it was before ${m.label}`}
          onClick={() => {
            closeWindow();
            location.hash = `${id}?at=${m.revision - 1}`;
          }}
        >
          Look at it then
        </Button>
        <Button
          size="small"
          color="inherit"
          aria-label={`Compare: the cameras with those before ${m.label}`}
          onClick={() => void compare(before(m), NOW).catch(failed)}
        >
          Compare
        </Button>
        <Button
          size="small"
          color="inherit"
          disabled={!mayEdit}
          aria-label={`${one ? 'Bring this back …' : 'Bring all back …'} What was before ${m.label}`}
          onClick={() => void look(one)}
        >
          {one ? 'Bring this back …' : 'Bring all back …'}
        </Button>
      </Stack>
      {back ? (
        <div role="alert">
          {back.commands.length ? (
            <ul className="uses">
              {back.says.map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ul>
          ) : (
            <p className="says">Nothing differs: it is as it was then.</p>
          )}
          <Stack direction="row" sx={{ gap: 1 }}>
            {back.commands.length ? (
              <Button size="small" variant="contained" onClick={bring}>
                Bring it back, as one edit
              </Button>
            ) : null}
            <Button size="small" color="inherit" onClick={() => setBack(null)}>
              Leave it
            </Button>
          </Stack>
        </div>
      ) : null}
    </li>
  );
}
