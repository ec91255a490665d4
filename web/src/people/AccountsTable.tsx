import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { day, LinkShown, linkWith } from '../kit/LinkShown';
import { useSending } from '../kit/useSending';
import { postJson } from '../session/http';
import { type AccountShown, useAccounts } from './accounts';
import type { Made } from './people';

/** Everybody who has an account: who administers, who is ended, and links for new passwords. */
export function AccountsTable() {
  const client = useQueryClient();
  const all = useAccounts();
  const { busy, wrong, send } = useSending();
  const [find, setFind] = useState('');
  const [made, setMade] = useState<{ link: string; says: string } | null>(null);
  const change = (a: AccountShown, what: 'administers' | 'ended', to: boolean) =>
    send(async () => {
      await postJson(`/api/administration/accounts/${a.id}/${what}`, { [what]: to });
      await client.invalidateQueries({ queryKey: ['accounts'] });
    });
  const newPassword = (a: AccountShown) =>
    send(async () => {
      const m = await postJson<Made>(`/api/administration/accounts/${a.id}/new-password`);
      setMade({
        link: linkWith('invited', m.secret),
        says: `Send this link to ${a.shown}, who chooses a new password by it. It works once, until ${day(m.endsAt)}.`,
      });
    });
  const part = find.trim().toLowerCase();
  const found = all.data?.filter((a) => `${a.name} ${a.shown} ${a.email}`.toLowerCase().includes(part));
  return (
    <Stack sx={{ gap: 1.5 }}>
      <Stack direction="row" sx={{ gap: 2, alignItems: 'center' }}>
        <h2>Accounts</h2>
        <TextField
          size="small"
          placeholder="Find by name"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          slotProps={{ htmlInput: { 'aria-label': 'Find an account' } }}
        />
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          New people are invited into a production, on the Home page.
        </Typography>
      </Stack>
      {all.isError ? <Alert severity="error">{all.error.message}</Alert> : null}
      {wrong ? <Alert severity="error">{wrong.text}</Alert> : null}
      {made ? <LinkShown link={made.link} says={made.says} /> : null}
      <Table size="small" aria-label="Accounts">
        <TableHead>
          <TableRow>
            <TableCell>Name</TableCell>
            <TableCell>E-mail</TableCell>
            <TableCell align="right">Productions</TableCell>
            <TableCell>Administers</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {found?.map((a) => (
            <TableRow key={a.id} sx={{ opacity: a.endedAt ? 0.6 : 1 }}>
              <TableCell>
                <b>{a.shown}</b>
                {a.shown === a.name ? null : <span className="muted"> {a.name}</span>}
                {a.demo ? <span className="muted"> · demonstration</span> : null}
                {a.endedAt ? <span className="muted"> · ended {day(a.endedAt)}</span> : null}
              </TableCell>
              <TableCell>{a.email}</TableCell>
              <TableCell align="right">{a.administers ? 'all' : a.productions}</TableCell>
              <TableCell padding="checkbox">
                <Checkbox
                  checked={a.administers}
                  disabled={busy || a.endedAt !== null}
                  onChange={(_, to) => void change(a, 'administers', to)}
                  slotProps={{ input: { 'aria-label': `${a.shown} administers` } }}
                />
              </TableCell>
              <TableCell align="right">
                {a.endedAt ? null : (
                  <Button
                    size="small"
                    color="inherit"
                    disabled={busy}
                    aria-label={`Link for a new password of ${a.shown}`}
                    onClick={() => void newPassword(a)}
                  >
                    New password …
                  </Button>
                )}
                <Button
                  size="small"
                  color="inherit"
                  disabled={busy}
                  aria-label={
                    a.endedAt ? `Open the account of ${a.shown} again` : `End the account of ${a.shown}`
                  }
                  onClick={() => void change(a, 'ended', !a.endedAt)}
                >
                  {a.endedAt ? 'Open again' : 'End'}
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Stack>
  );
}
