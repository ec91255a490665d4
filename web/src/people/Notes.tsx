import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { getJson } from '../session/http';

interface Note {
  id: number;
  at: string;
  who: string;
  what: string;
  about: string;
  address: string;
}

/** What the server gives at a time. */
const PAGE = 100;

/** Sign-ins and changes of rights, the newest first. */
export function Notes() {
  const [typed, setTyped] = useState('');
  const find = useDeferredValue(typed);
  const notes = useInfiniteQuery({
    queryKey: ['notes', find],
    queryFn: ({ pageParam }) => {
      const asked = new URLSearchParams({ find });
      if (pageParam) asked.set('before', String(pageParam));
      return getJson<Note[]>(`/api/administration/notes?${asked.toString()}`);
    },
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last[last.length - 1].id),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  return (
    <section aria-label="Sign-ins and changes of rights">
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center', mb: 1 }}>
        <h2>Sign-ins and changes of rights</h2>
        <TextField
          size="small"
          placeholder="Find"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': 'Find in the notes', maxLength: 200 } }}
        />
      </Stack>
      {notes.isError ? <Alert severity="error">{notes.error.message}</Alert> : null}
      <Table size="small">
        <TableBody>
          {notes.data?.pages.flat().map((n) => (
            <TableRow key={n.id}>
              <TableCell className="mono">{new Date(n.at).toLocaleString('en-GB')}</TableCell>
              <TableCell>
                <b>{n.who}</b> {n.what}
              </TableCell>
              <TableCell>{n.about}</TableCell>
              <TableCell className="mono">{n.address}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {notes.hasNextPage ? (
        <Button onClick={() => void notes.fetchNextPage()} disabled={notes.isFetchingNextPage}>
          Show more
        </Button>
      ) : null}
    </section>
  );
}
