import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import MenuItem from '@mui/material/MenuItem';
import Skeleton from '@mui/material/Skeleton';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { type ComponentType, useDeferredValue, useState } from 'react';
import { say } from '../session/said';
import { EndDemonstration } from './EndDemonstration';
import './home.css';
import {
  type Listed,
  mayEditIn,
  move,
  type Production,
  sayStatus,
  setFavourite,
  type Sort,
  type Status,
  STATUSES,
  useChanged,
  useProductions,
  useSequences,
  type Where,
} from './library';
import type { Session } from '../session/who';
import { OwnMenu } from './OwnMenu';
import { MoveSequence } from './MoveSequence';
import { DeleteSequence, RenameSequence } from './NamesWindow';
import { NewProduction } from './NewProduction';
import { NewSequence } from './NewSequence';
import { SequenceTile, type TileDoings } from './SequenceTile';

type Asked =
  | { kind: 'production' | 'endDemonstration' | 'account' }
  | { kind: 'people' | 'watchers'; production: Production }
  | { kind: 'guests' | 'carry'; sequence: Listed }
  | { kind: 'sequence'; from: Listed | null }
  | { kind: 'rename' | 'delete'; sequence: Listed }
  | null;

const EMPTY: Record<Where, string> = {
  here: 'No sequence yet. Begin the first one.',
  archive: 'Nothing is in the archive.',
  bin: 'The bin is empty.',
};

const MOVED: Record<Where, string> = {
  here: 'is back',
  archive: 'is in the archive',
  bin: 'is in the bin, and can be brought back for 30 days',
};

/** Where the production one was in is kept, for who comes back from a sequence. */
const CHOSEN = 'kite.home.production';

/** The windows about people and other programs that are opened from here. */
export interface HomeWindows {
  Account: ComponentType<{ onClose: () => void }>;
  People: ComponentType<{ production: Production; leads: boolean; onClose: () => void }>;
  Guests: ComponentType<{ sequence: Listed; onClose: () => void }>;
  Watchers: ComponentType<{ production: Production; onClose: () => void }>;
}

/** Where one begins: productions, and the sequences of one or all of them. */
export function Home({ session, windows }: { session: Session; windows: HomeWindows }) {
  const changed = useChanged();
  const productions = useProductions();
  const [kept, setKept] = useState(() => sessionStorage.getItem(CHOSEN));
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed);
  const [where, setWhere] = useState<Where>('here');
  const [sort, setSort] = useState<Sort>('code');
  const [asked, setAsked] = useState<Asked>(null);
  const [now] = useState(() => Date.now());
  const chosen = productions.data?.find((p) => p.id === kept) ?? null;
  const production = chosen?.id ?? null;
  const setProduction = (id: string | null) => {
    setKept(id);
    if (id) sessionStorage.setItem(CHOSEN, id);
    else sessionStorage.removeItem(CHOSEN);
  };
  const [status, setStatus] = useState<Status | ''>('');
  const [favourites, setFavourites] = useState(false);
  const list = useSequences(production, find, where, sort, status, favourites);
  const all = list.data?.pages.flat() ?? [];
  const beginIn = chosen ?? (productions.data?.length === 1 ? productions.data[0] : null);
  const close = () => setAsked(null);
  const open = (id: string) => (location.hash = id);
  const after = (work: Promise<unknown>) =>
    void work.then(changed).catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true));
  const doings: TileDoings = {
    rename: (sequence) => setAsked({ kind: 'rename', sequence }),
    duplicate: (from) => setAsked({ kind: 'sequence', from }),
    remove: (sequence) => setAsked({ kind: 'delete', sequence }),
    guests: (sequence) => setAsked({ kind: 'guests', sequence }),
    carry: (sequence) => setAsked({ kind: 'carry', sequence }),
    say: (s, to) => after(sayStatus(s.id, to)),
    asFile: (s) => {
      location.assign(`api/sequences/${s.id}/file`); // the browser's own download shows how far it is
    },
    move: (s, to) =>
      void move(s.id, to)
        .then(changed)
        .then(() => say(`${s.code} ${MOVED[to]}.`))
        .catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true)),
  };
  const duplicated =
    asked?.kind === 'sequence' && asked.from
      ? productions.data?.find((p) => p.id === asked.from?.productionId)
      : undefined;
  return (
    <main className="home">
      <header>
        <h1>
          <img src="kite.svg" alt="" />
          Jolly Kite
        </h1>
        <TextField
          size="small"
          placeholder="Find by code or title"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': 'Find a sequence', maxLength: 200 } }}
          sx={{ width: 320 }}
        />
        <span className="grow" />
        <OwnMenu session={session} onAccount={() => setAsked({ kind: 'account' })} />
      </header>
      <nav aria-label="Productions">
        <Typography variant="overline">Productions</Typography>
        {productions.isError ? <Alert severity="error">{productions.error.message}</Alert> : null}
        <List component="div" dense disablePadding>
          <ListItemButton selected={production === null} onClick={() => setProduction(null)}>
            <ListItemText primary="All" />
          </ListItemButton>
          {productions.data?.map((p) => (
            <ListItemButton key={p.id} selected={p.id === production} onClick={() => setProduction(p.id)}>
              <ListItemText
                primary={p.name}
                secondary={`${p.code} · ${p.sequences === 1 ? '1 sequence' : `${p.sequences} sequences`}`}
              />
            </ListItemButton>
          ))}
        </List>
        {session.administers ? (
          <Button fullWidth onClick={() => setAsked({ kind: 'production' })}>
            + New production
          </Button>
        ) : null}
      </nav>
      <section>
        {session.demoName !== null ? (
          <Alert
            severity="info"
            variant="outlined"
            sx={{ mb: 1 }}
            action={
              session.administers ? (
                <Button color="inherit" size="small" onClick={() => setAsked({ kind: 'endDemonstration' })}>
                  End the demonstration …
                </Button>
              ) : null
            }
          >
            This is the demonstration: its passwords are public, and whoever reaches this address can sign in.
          </Alert>
        ) : null}
        <div className="home-bar">
          <h2>{chosen?.name ?? 'All sequences'}</h2>
          {beginIn ? (
            <Button color="inherit" onClick={() => setAsked({ kind: 'people', production: beginIn })}>
              People …
            </Button>
          ) : null}
          {beginIn?.role === 'lead' ? (
            <Button
              color="inherit"
              title="Other programs that are told of what happens here"
              onClick={() => setAsked({ kind: 'watchers', production: beginIn })}
            >
              Watchers …
            </Button>
          ) : null}
          <span className="grow" />
          <ToggleButtonGroup
            exclusive
            size="small"
            value={where}
            onChange={(_, w: Where | null) => w && setWhere(w)}
            aria-label="Where sequences are"
          >
            <ToggleButton value="here">At hand</ToggleButton>
            <ToggleButton value="archive">Archive</ToggleButton>
            <ToggleButton value="bin">Bin</ToggleButton>
          </ToggleButtonGroup>
          <ToggleButton
            size="small"
            value="favourites"
            selected={favourites}
            onChange={() => setFavourites(!favourites)}
            aria-label="Favourites alone"
            title="Favourites alone"
          >
            ★
          </ToggleButton>
          <TextField
            select
            size="small"
            value={status}
            onChange={(e) => setStatus(e.target.value as Status | '')}
            slotProps={{
              htmlInput: { 'aria-label': 'How far they are' },
              select: { displayEmpty: true, MenuProps: { transitionDuration: 0 } },
            }}
          >
            <MenuItem value="">However far</MenuItem>
            {STATUSES.map((x) => (
              <MenuItem key={x.id} value={x.id}>
                {x.name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            size="small"
            value={sort}
            onChange={(e) => setSort(e.target.value as Sort)}
            slotProps={{ htmlInput: { 'aria-label': 'Order' } }}
          >
            <MenuItem value="code">By code</MenuItem>
            <MenuItem value="recent">Last edited first</MenuItem>
          </TextField>
          {productions.data?.some(mayEditIn) ? (
            <Button
              variant="contained"
              disabled={!beginIn || !mayEditIn(beginIn)}
              title={
                !beginIn
                  ? 'Choose its production on the left first'
                  : mayEditIn(beginIn)
                    ? undefined
                    : `You look at ${beginIn.name}; an artist begins its sequences`
              }
              onClick={() => setAsked({ kind: 'sequence', from: null })}
            >
              New sequence
            </Button>
          ) : null}
        </div>
        {list.isError ? <Alert severity="error">{list.error.message}</Alert> : null}
        <div className="home-tiles">
          {list.isPending ? [0, 1, 2].map((i) => <Skeleton key={i} variant="rounded" height={190} />) : null}
          {all.map((s) => (
            <SequenceTile
              key={s.id}
              sequence={s}
              where={where}
              now={now}
              showsProduction={!production}
              onStar={() => after(setFavourite(s.id, !s.favourite))}
              doings={mayEditIn(productions.data?.find((p) => p.id === s.productionId)) ? doings : null}
            />
          ))}
        </div>
        {list.data && !all.length ? (
          <p className="empty">
            {!find && (status || favourites) ? 'Nothing here is of that kind.' : null}
            {find ? `Nothing here has “${find}” in its code or title.` : null}
            {!find && productions.data?.length === 0
              ? session.administers
                ? 'Begin with a production: its name, and what its cameras are.'
                : 'You are in no production yet. Ask a lead for a link to come in by.'
              : null}
            {!find && !status && !favourites && productions.data?.length !== 0 ? EMPTY[where] : null}
          </p>
        ) : null}
        {list.hasNextPage ? (
          <Button onClick={() => void list.fetchNextPage()} disabled={list.isFetchingNextPage}>
            Show more
          </Button>
        ) : null}
      </section>
      {asked?.kind === 'production' ? (
        <NewProduction
          productions={productions.data ?? []}
          onMade={(p) => {
            setProduction(p.id);
            setWhere('here');
            setAsked({ kind: 'sequence', from: null });
          }}
          onClose={close}
        />
      ) : null}
      {asked?.kind === 'sequence' && (duplicated ?? beginIn) ? (
        <NewSequence production={(duplicated ?? beginIn)!} from={asked.from} onMade={open} onClose={close} />
      ) : null}
      {asked?.kind === 'endDemonstration' ? <EndDemonstration onClose={close} /> : null}
      {asked?.kind === 'account' ? <windows.Account onClose={close} /> : null}
      {asked?.kind === 'people' ? (
        <windows.People
          production={asked.production}
          leads={asked.production.role === 'lead'}
          onClose={close}
        />
      ) : null}
      {asked?.kind === 'watchers' ? <windows.Watchers production={asked.production} onClose={close} /> : null}
      {asked?.kind === 'guests' ? <windows.Guests sequence={asked.sequence} onClose={close} /> : null}
      {asked?.kind === 'carry' ? (
        <MoveSequence sequence={asked.sequence} productions={productions.data ?? []} onClose={close} />
      ) : null}
      {asked?.kind === 'rename' ? <RenameSequence sequence={asked.sequence} onClose={close} /> : null}
      {asked?.kind === 'delete' ? <DeleteSequence sequence={asked.sequence} onClose={close} /> : null}
    </main>
  );
}
