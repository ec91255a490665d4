import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import LinearProgress from '@mui/material/LinearProgress';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { say } from '../session/said';
import { call, getJson, postJson } from '../session/http';
import { FormWindow } from '../kit/FormWindow';
import { type Listed, type Production, useChanged, useSequences } from './library';
import { useSending } from '../kit/useSending';

type Begin = 'firstSet' | 'empty' | 'another' | 'file';

/** What was taken from a file. */
interface Taken {
  id: string;
  code: string;
  differs: string[];
}

/** Begins a sequence in a production; from another one when that is given. */
export function NewSequence({
  production,
  from = null,
  onMade,
  onClose,
}: {
  production: Production;
  from?: Listed | null;
  onMade: (id: string) => void;
  onClose: () => void;
}) {
  const next = useQuery({
    queryKey: ['next code', production.id],
    queryFn: () => getJson<{ code: string }>(`/api/productions/${production.id}/next-code`),
    staleTime: 0,
    gcTime: 0,
  });
  const changed = useChanged();
  const { busy, wrong, send, at } = useSending();
  const [code, setCode] = useState<string | null>(null);
  const [title, setTitle] = useState(from?.title ?? '');
  const [begin, setBegin] = useState<Begin>(from ? 'another' : 'firstSet');
  const [another, setAnother] = useState<Listed | null>(from);
  const [find, setFind] = useState('');
  const others = useSequences(null, find, 'here', 'recent');
  const [taken, setTaken] = useState({ set: true, cameras: true, cut: true });
  const [file, setFile] = useState<File | null>(null);
  const [stop] = useState(() => new AbortController());
  useEffect(() => () => stop.abort(), [stop]);
  const takeFile = () =>
    send(async () => {
      const r = await call(
        'POST',
        `/api/productions/${production.id}/sequences/file?code=${encodeURIComponent(code ?? '')}`,
        file!,
        'application/octet-stream',
        stop.signal,
      );
      const came = (await r.json()) as Taken;
      await changed();
      say(
        came.differs.length
          ? `${came.code} is in as it was. The standards of ${production.name} differ: ${came.differs.join('; ')}.`
          : `${came.code} is in.`,
      );
      onMade(came.id);
    });
  const make = () =>
    send(async () => {
      const made = await postJson<{ id: string }>(`/api/productions/${production.id}/sequences`, {
        code: code ?? next.data?.code ?? (await next.refetch()).data?.code ?? '', // sent before it came
        title,
        begin,
        another: another?.id ?? null,
        taken,
      });
      await changed();
      onMade(made.id);
    });
  return (
    <FormWindow
      title={from ? `Duplicate ${from.code}` : `New sequence of ${production.name}`}
      action={from ? 'Duplicate' : 'Begin it'}
      busy={busy || (begin === 'file' && !file)}
      wrong={wrong}
      fields={['code', 'title']}
      onSend={() => void (begin === 'file' ? takeFile() : make())}
      onClose={onClose}
    >
      <Stack direction="row" sx={{ gap: 2 }}>
        <TextField
          label="Code"
          value={code ?? (begin === 'file' ? '' : (next.data?.code ?? ''))}
          placeholder={begin === 'file' ? 'Its own' : undefined}
          slotProps={{ inputLabel: { shrink: true } }}
          onChange={(e) => setCode(e.target.value)}
          sx={{ width: 200 }}
          {...at('code')}
        />
        <TextField
          label="Title"
          value={title}
          onChange={(e) => setTitle(e.target.value)}
          autoFocus
          fullWidth
          disabled={begin === 'file'}
          {...at('title')}
        />
      </Stack>
      <RadioGroup value={begin} onChange={(e) => setBegin(e.target.value as Begin)}>
        <FormControlLabel
          value="firstSet"
          control={<Radio size="small" />}
          label="With a ground, a sun, a figure for scale and a camera"
        />
        <FormControlLabel value="empty" control={<Radio size="small" />} label="Empty" />
        <FormControlLabel value="another" control={<Radio size="small" />} label="From another sequence" />
        <FormControlLabel value="file" control={<Radio size="small" />} label="From a file (.kite.zip)" />
      </RadioGroup>
      {begin === 'file' ? (
        <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center' }}>
          <Button component="label" variant="outlined">
            Choose the file
            <input
              type="file"
              accept=".zip"
              hidden
              onChange={(e) => setFile(e.target.files?.[0] ?? null)}
              aria-label="The file"
            />
          </Button>
          <Typography sx={{ color: 'text.secondary' }} noWrap>
            {file ? `${file.name}, ${(file.size / 1e6).toFixed(1)} MB` : 'None yet'}
          </Typography>
        </Stack>
      ) : null}
      {begin === 'file' && busy ? <LinearProgress aria-label="Bringing it in" /> : null}
      {begin === 'another' ? (
        <>
          <Autocomplete
            size="small"
            options={others.data?.pages.flat() ?? []}
            filterOptions={(all) => all}
            loading={others.isPending}
            getOptionLabel={(s) => `${s.code} ${s.title} (${s.production})`}
            isOptionEqualToValue={(a, b) => a.id === b.id}
            value={another}
            onChange={(_, s) => setAnother(s)}
            onInputChange={(_, text, why) => why === 'input' && setFind(text)}
            renderInput={(p) => <TextField {...p} label="Sequence to begin from" />}
          />
          <FormGroup row>
            <FormControlLabel
              control={
                <Checkbox
                  checked={taken.set}
                  onChange={(_, set) => setTaken({ ...taken, set })}
                  size="small"
                />
              }
              label="Its set"
            />
            <FormControlLabel
              control={
                <Checkbox
                  checked={taken.cameras}
                  onChange={(_, cameras) => setTaken({ ...taken, cameras, cut: cameras && taken.cut })}
                  size="small"
                />
              }
              label="Its cameras"
            />
            <FormControlLabel
              control={
                <Checkbox
                  checked={taken.cut}
                  disabled={!taken.cameras}
                  onChange={(_, cut) => setTaken({ ...taken, cut })}
                  size="small"
                />
              }
              label="Its cut"
            />
          </FormGroup>
        </>
      ) : null}
    </FormWindow>
  );
}
