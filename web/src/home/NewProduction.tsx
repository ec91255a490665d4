import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { getJson, postJson } from '../session/http';
import { FormWindow } from '../kit/FormWindow';
import { type Production, useChanged } from './library';
import { useSending } from '../kit/useSending';
import { UNITS } from '../fields/choices';

interface Start {
  id: string;
  name: string;
  says: string;
}

/** The value that stands for “as another production”. */
const ANOTHER = 'another';

/** Initials of a name, as a first thought for its code. */
const initials = (name: string) =>
  name
    .split(/\s+/)
    .map((w) => w.replace(/[^A-Za-z0-9]/g, '').charAt(0))
    .join('')
    .toUpperCase()
    .slice(0, 6);

/** Begins a production: its name, its code, and the standards it starts from. */
export function NewProduction({
  productions,
  onMade,
  onClose,
}: {
  productions: Production[];
  onMade: (p: Production) => void;
  onClose: () => void;
}) {
  const starts = useQuery({
    queryKey: ['starting points'],
    queryFn: () => getJson<Start[]>('/api/starting-points'),
    staleTime: Infinity,
  });
  const changed = useChanged();
  const { busy, wrong, send, at } = useSending();
  const [name, setName] = useState('');
  const [code, setCode] = useState<string | null>(null);
  const [start, setStart] = useState<string | null>(null);
  const [unit, setUnit] = useState('m');
  const [grid, setGrid] = useState('1');
  const [first, setFirst] = useState('1001');
  const [handles, setHandles] = useState('8');
  const [from, setFrom] = useState(productions[0]?.id ?? '');
  const chosen = start ?? starts.data?.[0]?.id ?? '';
  const make = () =>
    send(async () => {
      const p = await postJson<Production>('/api/productions', {
        name,
        code: code ?? initials(name),
        start: chosen || null, // sent before they came: the first, which would have stood there
        from: chosen === ANOTHER ? from : null,
        beginning: {
          displayUnit: unit,
          gridM: Number(grid) || 0,
          firstFrame: Math.round(Number(first) || 0),
          handleFrames: Math.round(Number(handles) || 0),
        },
      });
      await changed();
      onMade(p);
    });
  return (
    <FormWindow
      title="New production"
      action="Begin it"
      busy={busy}
      wrong={wrong}
      fields={[
        'name',
        'code',
        'beginning/displayUnit',
        'beginning/gridM',
        'beginning/firstFrame',
        'beginning/handleFrames',
      ]}
      onSend={() => void make()}
      onClose={onClose}
    >
      <Stack direction="row" sx={{ gap: 2 }}>
        <TextField
          label="Name"
          value={name}
          onChange={(e) => setName(e.target.value)}
          autoFocus
          fullWidth
          {...at('name')}
        />
        <TextField
          label="Short code"
          value={code ?? initials(name)}
          onChange={(e) => setCode(e.target.value)}
          sx={{ width: 200 }}
          {...at('code')}
        />
      </Stack>
      <Stack direction="row" sx={{ gap: 2 }}>
        <TextField
          select
          label="Lengths in"
          value={unit}
          onChange={(e) => setUnit(e.target.value)}
          fullWidth
          slotProps={{ select: { MenuProps: { transitionDuration: 0 } } }}
          {...at('beginning/displayUnit')}
        >
          {UNITS.map(([id, words]) => (
            <MenuItem key={id} value={id}>
              {words}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Grid cell, metres"
          value={grid}
          onChange={(e) => setGrid(e.target.value)}
          fullWidth
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          {...at('beginning/gridM')}
        />
        <TextField
          label="First frame"
          value={first}
          onChange={(e) => setFirst(e.target.value)}
          fullWidth
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          {...at('beginning/firstFrame')}
        />
        <TextField
          label="Handles, frames"
          value={handles}
          onChange={(e) => setHandles(e.target.value)}
          fullWidth
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          {...at('beginning/handleFrames')}
        />
      </Stack>
      <Typography variant="subtitle2">Standards to start from; all of them can be changed later</Typography>
      {starts.isError ? <Typography className="error">{starts.error.message}</Typography> : null}
      <RadioGroup value={chosen} onChange={(e) => setStart(e.target.value)}>
        {starts.data?.map((s) => (
          <FormControlLabel
            key={s.id}
            value={s.id}
            control={<Radio size="small" />}
            label={
              <>
                {s.name}
                <Typography
                  variant="caption"
                  component="span"
                  sx={{ display: 'block', color: 'text.secondary' }}
                >
                  {s.says}
                </Typography>
              </>
            }
          />
        ))}
        {productions.length ? (
          <FormControlLabel
            value={ANOTHER}
            control={<Radio size="small" />}
            label="The same as another production’s"
          />
        ) : null}
      </RadioGroup>
      {chosen === ANOTHER ? (
        <TextField
          select
          label="Standards of"
          value={from}
          onChange={(e) => setFrom(e.target.value)}
          size="small"
        >
          {productions.map((p) => (
            <MenuItem key={p.id} value={p.id}>
              {p.name}
            </MenuItem>
          ))}
        </TextField>
      ) : null}
    </FormWindow>
  );
}
