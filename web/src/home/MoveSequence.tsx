import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { FormWindow } from '../kit/FormWindow';
import { useSending } from '../kit/useSending';
import { postJson } from '../session/http';
import { type Listed, mayEditIn, type Production, useChanged } from './library';

/** Puts a sequence into another production, once it has been seen what that one's standards change. */
export function MoveSequence({
  sequence,
  productions,
  onClose,
}: {
  sequence: Listed;
  productions: Production[];
  onClose: () => void;
}) {
  const changed = useChanged();
  const { busy, wrong, send, at } = useSending();
  const others = productions.filter((p) => p.id !== sequence.productionId && mayEditIn(p));
  const [into, setInto] = useState(others[0]?.id ?? '');
  const path = `/api/sequences/${sequence.id}/production`;
  const effects = useQuery({
    queryKey: ['move effects', sequence.id, into],
    queryFn: () => postJson<string[]>(`${path}/effects`, { production: into }),
    enabled: into !== '',
    staleTime: 0,
  });
  const move = () =>
    send(async () => {
      await postJson(path, { production: into });
      await changed();
      onClose();
    });
  const name = others.find((p) => p.id === into)?.name;
  return (
    <FormWindow
      title={`Move ${sequence.code} into another production`}
      action="Move it"
      busy={busy || !into || !effects.data}
      wrong={wrong}
      fields={['code']}
      onSend={() => void move()}
      onClose={onClose}
    >
      {others.length ? (
        <TextField
          select
          label="Into"
          value={into}
          onChange={(e) => setInto(e.target.value)}
          {...at('code')}
          slotProps={{ select: { MenuProps: { transitionDuration: 0 } } }}
        >
          {others.map((p) => (
            <MenuItem key={p.id} value={p.id}>
              {p.name}
            </MenuItem>
          ))}
        </TextField>
      ) : (
        <Typography>There is no other production in which you may edit.</Typography>
      )}
      {effects.isError ? <Typography className="error">{effects.error.message}</Typography> : null}
      {effects.data?.length ? (
        <>
          <Typography variant="subtitle2">It will follow the standards of {name}:</Typography>
          <ul className="uses">
            {effects.data.map((e) => (
              <li key={e}>{e}</li>
            ))}
          </ul>
        </>
      ) : null}
      {effects.data && !effects.data.length ? (
        <Typography sx={{ color: 'text.secondary' }}>
          The standards of {name} change nothing in it.
        </Typography>
      ) : null}
    </FormWindow>
  );
}
