import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { postJson } from '../session/http';
import { FormWindow } from '../kit/FormWindow';
import { type Listed, removeForGood, useChanged } from './library';
import { useSending } from '../kit/useSending';

/** Gives a sequence another code and title. */
export function RenameSequence({ sequence, onClose }: { sequence: Listed; onClose: () => void }) {
  const changed = useChanged();
  const { busy, wrong, send, at } = useSending();
  const [code, setCode] = useState(sequence.code);
  const [title, setTitle] = useState(sequence.title);
  const rename = () =>
    send(async () => {
      await postJson(`/api/sequences/${sequence.id}/names`, { code, title });
      await changed();
      onClose();
    });
  return (
    <FormWindow
      title={`Code and title of ${sequence.code}`}
      action="Rename"
      busy={busy}
      wrong={wrong}
      fields={['code', 'title']}
      onSend={() => void rename()}
      onClose={onClose}
    >
      <Stack direction="row" sx={{ gap: 2 }}>
        <TextField
          label="Code"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          sx={{ width: 200 }}
          autoFocus
          {...at('code')}
        />
        <TextField
          label="Title"
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          fullWidth
          {...at('title')}
        />
      </Stack>
    </FormWindow>
  );
}

/** Asks for a sequence's code before it is gone for good. */
export function DeleteSequence({ sequence, onClose }: { sequence: Listed; onClose: () => void }) {
  const changed = useChanged();
  const { busy, wrong, send, at } = useSending();
  const [code, setCode] = useState('');
  const remove = () =>
    send(async () => {
      await removeForGood(sequence.id, code);
      await changed();
      onClose();
    });
  return (
    <FormWindow
      title={`Delete ${sequence.code} for good`}
      action="Delete for good"
      busy={busy}
      wrong={wrong}
      fields={['code']}
      onSend={() => void remove()}
      onClose={onClose}
    >
      <p className="says">
        Its document, all its edits, versions and renders go, and nobody can bring them back. Models and
        plates stay.
      </p>
      <TextField
        label={`Type ${sequence.code} to delete it`}
        value={code}
        onChange={(e) => setCode(e.target.value)}
        autoFocus
        {...at('code')}
      />
    </FormWindow>
  );
}
