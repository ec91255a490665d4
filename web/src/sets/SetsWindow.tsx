import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { PlacedSet, Taking } from '../core/types';
import { WrongText } from '../kit/WrongText';
import { PlainWindow } from '../kit/PlainWindow';
import { useSending } from '../kit/useSending';
import { allStored } from '../session/outbox';
import { edit } from '../session/document';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { closeWindow } from '../session/windows';
import { BeforeAndAfter } from './BeforeAndAfter';
import { compare, NOW } from '../doing/compared';
import {
  keepVersion,
  lookAtVersion,
  makeSet,
  numbered,
  placeSet,
  type SharedSet,
  useSets,
  useSetsChanged,
} from './sets';

const BELONG = ['piece', 'mark', 'light', 'layer'];

/** The sets that the sequences of the production share. */
export function SetsWindow() {
  const sets = useSets();
  const changed = useSetsChanged();
  const placed = useSequence((s) => s.header.sets);
  const mayEdit = useSequence((s) => s.mayEdit);
  const { busy, wrong, send } = useSending();
  const all = sets.data ?? [];
  return (
    <PlainWindow name="Sets" title="Sets of the production" onClose={closeWindow}>
      {sets.isError ? <Alert severity="error">{sets.error.message}</Alert> : null}
      <WrongText wrong={wrong} />
      {placed.length ? <Typography variant="overline">Standing here</Typography> : null}
      {placed.map((p) => (
        <Placed
          key={p.id}
          placed={p}
          set={all.find((s) => s.id === p.set)}
          fetched={sets.isSuccess}
          onChanged={changed}
        />
      ))}
      <Typography variant="overline">All of them</Typography>
      {sets.isSuccess && !all.length ? (
        <Typography sx={{ color: 'text.secondary' }}>
          None yet. Select what belongs to it in the set view or the roster, and make one below.
        </Typography>
      ) : null}
      {all.map((s) => (
        <Stack key={s.id} direction="row" sx={{ gap: 1, alignItems: 'center' }} aria-label={s.name}>
          <span className="grow">
            <b>{s.name}</b>{' '}
            <span className="muted">
              {numbered(s.versions[0].number)} by {s.versions[0].author}
              {s.versions[0].note ? `: ${s.versions[0].note}` : ''}
            </span>
          </span>
          <Button
            size="small"
            disabled={busy || !mayEdit}
            aria-label={`Place ${s.name}`}
            onClick={() => void send(() => placeSet(s))}
          >
            Place it
          </Button>
        </Stack>
      ))}
      {mayEdit ? (
        <>
          <Divider />
          <Make onMade={changed} />
        </>
      ) : null}
    </PlainWindow>
  );
}

/** One that stands in the sequence: whether there is a later version, and keeping the next. */
function Placed({
  placed: p,
  set,
  fetched,
  onChanged,
}: {
  placed: PlacedSet;
  set: SharedSet | undefined;
  fetched: boolean;
  onChanged: () => Promise<void>;
}) {
  const mayEdit = useSequence((s) => s.mayEdit);
  const selected = useSequence((s) => s.selected);
  const entities = useSequence((s) => s.entities);
  const { busy, wrong, send } = useSending();
  const [taking, setTaking] = useState<(Taking & { number: number }) | null>(null);
  const [note, setNote] = useState('');
  const newest = set?.versions[0];
  const mine = new Set(Object.values(p.ids));
  const also = selected.filter((id) => !mine.has(id) && BELONG.includes(entities[id]?.kind ?? ''));
  const look = (number: number) =>
    send(async () => {
      await allStored(); // the pictures are of what the server has
      setTaking({ ...(await lookAtVersion(p, number)), number });
    });
  const take = () => {
    if (taking && edit(`Take ${p.name} ${numbered(taking.number)}`, ...taking.commands)) {
      say(`${p.name} is ${numbered(taking.number)} here. Undo brings back what was.`);
      setTaking(null);
    }
  };
  const keep = () =>
    send(async () => {
      const number = await keepVersion(p, note, also);
      setNote('');
      await onChanged();
      say(`Kept as ${numbered(number)} of ${p.name}: other sequences are offered it.`);
    });
  return (
    <Stack
      sx={{ gap: 1, p: 1.5, borderRadius: 2, bgcolor: 'background.default' }}
      aria-label={`${p.name} here`}
    >
      <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
        <span className="grow">
          <b>{p.name}</b> <span className="mono">{numbered(p.version)}</span>{' '}
          {newest && newest.number > p.version ? (
            <span className="muted">
              {numbered(newest.number)} is there, by {newest.author}
              {newest.note ? `: ${newest.note}` : ''}
            </span>
          ) : null}
          {fetched && !set ? <span className="muted">is of another production</span> : null}
        </span>
        {newest && newest.number > p.version ? (
          <Button
            size="small"
            variant="contained"
            disabled={busy || !mayEdit}
            onClick={() => void look(newest.number)}
          >
            Take {numbered(newest.number)} …
          </Button>
        ) : null}
      </Stack>
      {taking ? (
        <div role="alert">
          <ul className="uses">
            {taking.says.length ? (
              taking.says.map((t) => <li key={t}>{t}</li>)
            ) : (
              <li>Nothing here changes.</li>
            )}
          </ul>
          <BeforeAndAfter placed={p} number={taking.number} />
          <Stack direction="row" sx={{ gap: 1 }}>
            <Button size="small" variant="contained" onClick={take}>
              Take it, as one edit
            </Button>
            <Button
              size="small"
              color="inherit"
              onClick={() =>
                void compare(NOW, {
                  path: '',
                  title: `with ${p.name} ${numbered(taking.number)}`,
                  document: taking.document,
                })
              }
            >
              Look at both
            </Button>
            <Button size="small" color="inherit" onClick={() => setTaking(null)}>
              Leave it
            </Button>
          </Stack>
        </div>
      ) : null}
      {set && mayEdit ? (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <Stack direction="row" sx={{ gap: 1 }}>
            <TextField
              size="small"
              fullWidth
              placeholder="What is different now"
              value={note}
              onChange={(e) => setNote(e.target.value)}
              slotProps={{ htmlInput: { 'aria-label': `Note of the next version of ${p.name}` } }}
            />
            <Button type="submit" size="small" color="inherit" disabled={busy} sx={{ flexShrink: 0 }}>
              Keep as {numbered(newest!.number + 1)}
              {also.length ? `, with ${also.length} more` : ''}
            </Button>
          </Stack>
        </form>
      ) : null}
      <WrongText wrong={wrong} />
    </Stack>
  );
}

/** Makes a set of what is selected. */
function Make({ onMade }: { onMade: () => Promise<void> }) {
  const selected = useSequence((s) => s.selected);
  const entities = useSequence((s) => s.entities);
  const { busy, wrong, send, at } = useSending();
  const [name, setName] = useState('');
  const ids = selected.filter((id) => BELONG.includes(entities[id]?.kind ?? ''));
  const make = () =>
    send(async () => {
      await makeSet(name, '', ids);
      await onMade();
      say(`${name.trim()} is a set of the production now: v001 stands here.`);
      setName('');
    });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void make();
      }}
    >
      <Stack direction="row" sx={{ gap: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label="Name of a new set"
          value={name}
          onChange={(e) => setName(e.target.value)}
          fullWidth
          {...at('name')}
        />
        <Button
          type="submit"
          variant="contained"
          disabled={busy || !ids.length}
          title={ids.length ? undefined : 'Select pieces, marks or lights first'}
          sx={{ height: 38, flexShrink: 0 }}
        >
          {ids.length === 1 ? 'Make it of 1 thing' : `Make it of ${ids.length} things`}
        </Button>
      </Stack>
      <WrongText wrong={wrong} fields={['name']} />
    </form>
  );
}
