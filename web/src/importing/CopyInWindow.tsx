import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { Entity, SequenceDocument } from '../core/types';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { attempt, say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { call } from '../session/http';
import { closeWindow } from '../session/windows';
import './importing.css';

interface Held {
  code: string;
  title: string;
  document: SequenceDocument;
}

const GROUPS: { kinds: Entity['kind'][]; name: string }[] = [
  { kinds: ['camera'], name: 'Cameras' },
  { kinds: ['piece'], name: 'Set' },
  { kinds: ['mark', 'path'], name: 'Marks and paths' },
  { kinds: ['light'], name: 'Lights' },
];

const named = (e: Entity) => (e.kind === 'camera' ? `${e.letter} ${e.name}` : e.name);

/** Takes chosen cameras and pieces of a sequence's file into the sequence that is open. */
export function CopyInWindow({ file }: { file: File }) {
  const [held, setHeld] = useState<Held | null>(null);
  const [error, setError] = useState('');
  const [find, setFind] = useState('');
  const [chosen, setChosen] = useState<string[]>([]);
  useEffect(() => {
    const stop = new AbortController();
    call(
      'POST',
      `/api/sequences/${useSequence.getState().id}/file`,
      file,
      'application/octet-stream',
      stop.signal,
    )
      .then((r) => r.json() as Promise<Held>)
      .then(setHeld)
      .catch((e: unknown) => !stop.signal.aborted && setError(e instanceof Error ? e.message : String(e)));
    return () => stop.abort();
  }, [file]);
  const entities = held ? held.document.entities : [];
  const found = entities.filter((e) => named(e).toLowerCase().includes(find.trim().toLowerCase()));
  const nested = (e: Entity) => e.kind === 'piece' && e.parent !== null;
  const take = () => {
    const back = held && attempt(() => core().copyIn(held.document, chosen));
    if (!back) return;
    const had = new Set(Object.keys(useSequence.getState().entities));
    if (!edit(`Copy from ${held.code}`, ...back.commands)) return;
    const now = Object.values(useSequence.getState().entities).filter((e) => !had.has(e.id));
    select(...now.map((e) => e.id).slice(0, 1));
    say(
      `${now.length === 1 ? 'One thing' : `${now.length} things`} from ${held.code} are in, with what they lean on.`,
    );
    closeWindow();
  };
  return (
    <Dialog
      open
      onClose={closeWindow}
      fullWidth
      maxWidth="sm"
      transitionDuration={0}
      aria-label="Copy from a file"
    >
      <DialogTitle>{held ? `Copy from ${held.code} ${held.title}` : `Reading ${file.name}`}</DialogTitle>
      <DialogContent onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
        {error ? <Alert severity="error">{error}</Alert> : null}
        {!held && !error ? <LinearProgress aria-label="Reading the file" /> : null}
        {held ? (
          <Stack sx={{ gap: 1, pt: 1 }}>
            <Typography sx={{ color: 'text.secondary' }}>
              What is chosen comes with what it leans on: its path, its marks, whom it looks at.
            </Typography>
            <TextField
              size="small"
              placeholder="Find by name"
              value={find}
              onChange={(e) => setFind(e.target.value)}
              autoFocus
              slotProps={{ htmlInput: { 'aria-label': 'Find in the file' } }}
            />
            {GROUPS.map((g) => {
              const these = found.filter((e) => g.kinds.includes(e.kind) && !nested(e));
              return these.length ? (
                <fieldset key={g.name} className="copy-group">
                  <legend>{g.name}</legend>
                  {these.map((e) => (
                    <FormControlLabel
                      key={e.id}
                      control={
                        <Checkbox
                          size="small"
                          checked={chosen.includes(e.id)}
                          onChange={(_, on) =>
                            setChosen(on ? [...chosen, e.id] : chosen.filter((x) => x !== e.id))
                          }
                        />
                      }
                      label={named(e)}
                    />
                  ))}
                </fieldset>
              ) : null;
            })}
            {!found.length ? (
              <Typography sx={{ color: 'text.secondary' }}>Nothing in the file has that name.</Typography>
            ) : null}
          </Stack>
        ) : null}
      </DialogContent>
      <DialogActions sx={{ p: 2 }}>
        <Button onClick={closeWindow} color="inherit">
          Leave it
        </Button>
        <Button variant="contained" disabled={!chosen.length} onClick={take}>
          {chosen.length > 1 ? `Copy ${chosen.length} in` : 'Copy it in'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
