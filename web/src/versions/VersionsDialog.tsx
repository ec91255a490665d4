import { useOutbox } from '../session/outbox';
import { Words } from '../kit/Words';
import { Choose } from '../kit/Choose';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { getJson, postJson } from '../session/http';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import { compare, documentOf, NOW, numbered, sideOf, titled, type Kept } from '../doing/compared';
import { Pill } from '../kit/Pill';
import { VersionsTable } from './VersionsTable';
import './versions.css';

const failed = (e: unknown) => say(e instanceof Error ? e.message : String(e), true);

/** The kept versions: keep one, look at two together, go back to one. */
export function VersionsDialog() {
  const id = useSequence((s) => s.id);
  const saving = useOutbox((s) => s.pending.length > 0);
  const mayEdit = useSequence((s) => s.mayEdit);
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['versions', id],
    queryFn: () => getJson<Kept[]>(`/api/sequences/${id}/versions`),
    staleTime: 0,
  });
  const [name, setName] = useState('');
  const [note, setNote] = useState('');
  const [find, setFind] = useState('');
  const [beside, setBeside] = useState(0);
  const [backTo, setBackTo] = useState<Kept | null>(null);
  const all = query.data ?? [];
  const shown = all.filter((k) =>
    `${numbered(k.number)} ${k.name} ${k.note} ${k.author}`.toLowerCase().includes(find.toLowerCase()),
  );
  const kept = all.find((k) => k.number === beside);
  const keep = async () => {
    try {
      const kept = await postJson<Kept>(`/api/sequences/${id}/versions`, {
        revision: useSequence.getState().revision,
        name,
        note,
      });
      setName('');
      setNote('');
      say(`Kept as ${numbered(kept.number)}.`);
      await client.invalidateQueries({ queryKey: ['versions', id] });
    } catch (e) {
      failed(e);
    }
  };
  return (
    <Window
      wide
      title="Versions"
      buttons={
        <Pill wide onClick={closeWindow}>
          Close
        </Pill>
      }
    >
      <form
        className="line version-keep"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <Words
          className="search"
          aria-label="Name of the version"
          placeholder="Name, e.g. first pass"
          maxLength={80}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Words
          className="search grow"
          aria-label="Note of the version"
          placeholder="Note: what it is, what was asked"
          maxLength={2000}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        <Pill tone="coral" disabled={saving || !mayEdit} type="submit">
          {saving ? 'Saving …' : `Keep as ${numbered((all[0]?.number ?? 0) + 1)}`}
        </Pill>
      </form>
      {query.isPending ? <p className="says">Fetching …</p> : null}
      {query.isError ? <p className="error">{query.error.message}</p> : null}
      {query.isSuccess && all.length === 0 ? (
        <p className="empty">
          No version is kept yet. Keep the sequence as it is now: it can be looked at beside later ones, and
          come back whole.
        </p>
      ) : null}
      {all.length > 6 ? (
        <Words
          className="search"
          type="search"
          placeholder="Find a version"
          aria-label="Find a version"
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
      ) : null}
      {all.length ? (
        <label className="line">
          <span className="muted">Look at one beside</span>
          <Choose
            value={beside}
            aria-label="Compare with"
            onChange={(e) => setBeside(Number(e.target.value))}
          >
            <option value={0}>the sequence as it is now</option>
            {all.map((k) => (
              <option key={k.number} value={k.number}>
                {titled(k)}
              </option>
            ))}
          </Choose>
        </label>
      ) : null}
      {all.length ? (
        <VersionsTable
          all={shown}
          beside={beside}
          onCompare={(k) => void compare(sideOf(k), kept ? sideOf(kept) : NOW).catch(failed)}
          onBack={setBackTo}
        />
      ) : null}
      {backTo ? <GoBack key={backTo.number} kept={backTo} onLeft={() => setBackTo(null)} /> : null}
    </Window>
  );
}

/** What going back to a version changes, and doing it. */
function GoBack({ kept, onLeft }: { kept: Kept; onLeft: () => void }) {
  const id = useSequence((s) => s.id);
  const back = useQuery({
    queryKey: ['back to', id, kept.number, useSequence((s) => s.revision)],
    queryFn: async () => {
      const document = await documentOf(id, sideOf(kept).path);
      return core().backTo(document);
    },
    staleTime: 0,
  });
  const goBack = () => {
    if (back.data && edit(`Back to ${titled(kept)}`, ...back.data.commands)) {
      say(`The sequence is as in ${titled(kept)} again. Undo brings back what was.`);
      closeWindow();
    }
  };
  return (
    <div role="alert" className="going-back">
      <strong>Back to {titled(kept)}</strong>
      {back.isPending ? <p className="says">Looking at what differs …</p> : null}
      {back.isError ? <p className="error">{back.error.message}</p> : null}
      {back.data?.commands.length === 0 ? (
        <p className="says">Nothing differs: the sequence is as it was then.</p>
      ) : null}
      {back.data?.commands.length ? (
        <>
          <ul className="uses">
            {back.data.says.map((t) => (
              <li key={t}>{t}</li>
            ))}
          </ul>
          <div className="buttons">
            <Pill tone="coral" autoFocus onClick={goBack}>
              Go back, as one edit
            </Pill>
            <Pill onClick={onLeft}>Leave it</Pill>
          </div>
        </>
      ) : null}
    </div>
  );
}
