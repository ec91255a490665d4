import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { day, LinkShown, linkWith } from '../kit/LinkShown';
import { WrongText } from '../kit/WrongText';
import { PlainWindow } from '../kit/PlainWindow';
import { useSending } from '../kit/useSending';
import { call, postJson } from '../session/http';
import {
  type GivenRole,
  type Invited,
  type Made,
  type Person,
  ROLES,
  usePeople,
  usePeopleChanged,
} from './people';
import { RoleField } from './RoleField';

/** Who is in a production, and who is asked to come. */
export function PeopleWindow({
  production,
  leads,
  onClose,
}: {
  production: { id: string; name: string };
  leads: boolean;
  onClose: () => void;
}) {
  const all = usePeople(production.id);
  const changed = usePeopleChanged(production.id);
  const { busy, wrong, send } = useSending();
  const path = `/api/productions/${production.id}`;
  const change = (p: Person, role: GivenRole) =>
    send(async () => {
      await postJson(`${path}/people/${p.account}`, { role });
      await changed();
    });
  const remove = (what: string) =>
    send(async () => {
      await call('DELETE', `${path}/${what}`);
      await changed();
    });
  return (
    <PlainWindow name="People" title={`People of ${production.name}`} onClose={onClose}>
      {all.isError ? <Alert severity="error">{all.error.message}</Alert> : null}
      <WrongText wrong={wrong} />
      <Stack component="ul" aria-label="In this production" sx={{ gap: 1, m: 0, p: 0, listStyle: 'none' }}>
        {all.data?.people.map((p) => (
          <PersonRow
            key={p.account}
            person={p}
            leads={leads}
            busy={busy}
            onRole={(r) => void change(p, r)}
            onTakeOut={() => void remove(`people/${p.account}`)}
          />
        ))}
      </Stack>
      {all.data && !all.data.people.length ? (
        <Typography sx={{ color: 'text.secondary' }}>Nobody has a role here yet.</Typography>
      ) : null}
      {all.data?.administrators.length ? (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Everywhere, as administrators: {all.data.administrators.join(', ')}.
        </Typography>
      ) : null}
      {all.data?.invited.length ? (
        <InvitedList invited={all.data.invited} onTakeBack={(i) => void remove(`invitations/${i.id}`)} />
      ) : null}
      {leads ? (
        <>
          <Divider />
          <Invite production={production} mails={all.data?.mails ?? false} onMade={changed} />
        </>
      ) : null}
    </PlainWindow>
  );
}

function PersonRow({
  person: p,
  leads,
  busy,
  onRole,
  onTakeOut,
}: {
  person: Person;
  leads: boolean;
  busy: boolean;
  onRole: (role: GivenRole) => void;
  onTakeOut: () => void;
}) {
  return (
    <Stack component="li" direction="row" aria-label={p.shown} sx={{ gap: 1, alignItems: 'center' }}>
      <span className="grow">
        <Typography noWrap sx={{ fontWeight: 700 }}>
          {p.shown}
        </Typography>
        {p.shown === p.name ? null : (
          <Typography variant="caption" sx={{ color: 'text.secondary' }}>
            {p.name}
          </Typography>
        )}
      </span>
      {leads ? (
        <>
          <RoleField label={`Role of ${p.shown}`} value={p.role} disabled={busy} onChange={onRole} />
          <Button color="inherit" disabled={busy} aria-label={`Take out ${p.shown}`} onClick={onTakeOut}>
            Take out
          </Button>
        </>
      ) : (
        <Typography sx={{ color: 'text.secondary' }}>{ROLES.find((r) => r.id === p.role)?.name}</Typography>
      )}
    </Stack>
  );
}

function InvitedList({ invited, onTakeBack }: { invited: Invited[]; onTakeBack: (i: Invited) => void }) {
  return (
    <Stack component="ul" aria-label="Invited" sx={{ gap: 0.5, m: 0, p: 0, listStyle: 'none' }}>
      {invited.map((i) => (
        <Stack key={i.id} component="li" direction="row" sx={{ gap: 1, alignItems: 'center' }}>
          <Typography className="grow" sx={{ color: 'text.secondary' }}>
            {i.note || 'Somebody'}, invited as {i.role} by {i.by}, until {day(i.endsAt)}
          </Typography>
          <Button
            color="inherit"
            size="small"
            aria-label={`Take back the invitation of ${i.note || 'somebody'}`}
            onClick={() => onTakeBack(i)}
          >
            Take back
          </Button>
        </Stack>
      ))}
    </Stack>
  );
}

/** Makes a link for one person to come by, or gives somebody a role who has an account already. */
function Invite({
  production,
  mails,
  onMade,
}: {
  production: { id: string };
  /** Whether links can be sent by mail from here. */
  mails: boolean;
  onMade: () => Promise<void>;
}) {
  const { busy, wrong, send, at } = useSending();
  const [note, setNote] = useState('');
  const [role, setRole] = useState<GivenRole>('artist');
  const [email, setEmail] = useState('');
  const [made, setMade] = useState<{ link: string; says: string } | null>(null);
  const path = `/api/productions/${production.id}`;
  const invite = () =>
    send(async () => {
      const m = await postJson<Made>(`${path}/invitations`, { role, note, email });
      const who = note.trim() || 'the person';
      setMade({
        link: linkWith('invited', m.secret),
        says: `${email.trim() ? 'It is on its way by mail' : `Send this link to ${who}`}. It is shown this once, works once, and ends on ${day(m.endsAt)}.`,
      });
      setNote('');
      setEmail('');
      await onMade();
    });
  const add = () =>
    send(async () => {
      await postJson(`${path}/people`, { name: note, role });
      setNote('');
      setMade(null);
      await onMade();
    });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void invite();
      }}
    >
      <Stack direction="row" sx={{ gap: 1, alignItems: 'flex-start' }}>
        <TextField
          size="small"
          label="Who"
          placeholder="A name"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          fullWidth
          {...at('note')}
        />
        <RoleField label="Role of who comes" value={role} onChange={setRole} />
        <Button type="submit" variant="contained" disabled={busy} sx={{ height: 38, flexShrink: 0 }}>
          Invite
        </Button>
        <Button
          color="inherit"
          disabled={busy || !note.trim()}
          title="For somebody who signs in here already under this name"
          onClick={() => void add()}
          sx={{ height: 38, flexShrink: 0 }}
        >
          Add
        </Button>
      </Stack>
      {mails ? (
        <TextField
          size="small"
          label="Send the link to, if you wish"
          placeholder="An e-mail address"
          value={email}
          onChange={(e) => setEmail(e.target.value)}
          fullWidth
          {...at('email')}
        />
      ) : null}
      {wrong && !['note', ...(mails ? ['email'] : [])].includes(wrong.field) ? (
        <Typography role="alert" className="error">
          {wrong.text}
        </Typography>
      ) : null}
      {made ? <LinkShown link={made.link} says={made.says} /> : null}
    </form>
  );
}
