import { useEffect, useMemo, useState } from 'react';
import type { BroughtShot, CutAnswer, SaidWhich } from '../core/types';
import { Choose } from '../kit/Choose';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { Window } from '../kit/Window';
import { editProposed } from '../session/proposals';
import { core } from '../session/evaluated';
import { call } from '../session/http';
import { newId } from '../session/ids';
import { programme } from '../session/programme';
import { attempt, say } from '../session/said';
import { useSequence } from '../session/state';
import { closeWindow } from '../session/windows';
import './importing.css';

interface CutFile {
  title: string;
  shots: BroughtShot[];
  problems: { line: number; text: string }[];
}

/** How it is known which shot one is. */
const KNOWN = {
  code: 'by its code',
  action: 'by its camera and action',
  hand: 'as you say',
  new: 'not known',
};

/** A cut that comes back from elsewhere, beside the one of today, before it takes its place. */
export function CutWindow({ file }: { file: File }) {
  'use no memo';
  const version = useSequence((s) => s.version);
  const [cut, setCut] = useState<CutFile | null>(null);
  const [error, setError] = useState('');
  const [said, setSaid] = useState<SaidWhich[]>([]);
  const [keep, setKeep] = useState(false);
  const [agreed, setAgreed] = useState(false);
  useEffect(() => {
    const stop = new AbortController();
    call(
      'POST',
      `/api/sequences/${useSequence.getState().id}/cut-file?name=${encodeURIComponent(file.name)}`,
      file,
      'application/octet-stream',
      stop.signal,
    )
      .then((r) => r.json() as Promise<CutFile>)
      .then(setCut)
      .catch((e: unknown) => !stop.signal.aborted && setError(e instanceof Error ? e.message : String(e)));
    return () => stop.abort();
  }, [file]);
  const ids = useMemo(() => (cut ? cut.shots.map(() => newId('shot')) : []), [cut]);
  const result: CutAnswer | undefined = useMemo(
    () => (cut ? attempt(() => core().cutBrought(cut.shots, said, ids, keep)) : undefined),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the document is what `version` says
    [cut, said, ids, keep, version],
  );
  const commands = result?.commands.length ?? 0;
  const ours = programme();
  const held = cut !== null && cut.problems.length > 0 && !agreed;
  const take = () => {
    if (
      !cut ||
      !editProposed(`Cut from ${file.name}`, () => core().cutBrought(cut.shots, said, ids, keep).commands)
    )
      return;
    closeWindow();
    say(`The cut is now as in ${file.name}.`);
  };
  return (
    <Window
      title="A cut that comes back"
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            {error ? 'Close' : 'Leave it out'}
          </Pill>
          <Pill tone="coral" wide disabled={!commands || held} onClick={take}>
            Make our cut like it
          </Pill>
        </>
      }
    >
      <p>
        <strong>{file.name}</strong>
        {cut?.title ? <span className="muted">{` ${cut.title}`}</span> : null}
      </p>
      {!cut && !error ? <p className="says">The server is reading it …</p> : null}
      {error ? (
        <p className="error" role="alert">
          {error}
        </p>
      ) : null}
      {cut?.problems.length ? (
        <div className="cut-problems" role="group" aria-label="What cannot be taken as it stands">
          {cut.problems.map((p, i) => (
            <div key={i}>
              {p.line ? <span className="mono muted">{`Line ${p.line} `}</span> : null}
              {p.text}
            </div>
          ))}
          <Tick checked={agreed} onChange={(e) => setAgreed(e.target.checked)}>
            Take the rest all the same
          </Tick>
        </div>
      ) : null}
      {result && !commands ? <p className="says">It is the cut of today: nothing would change.</p> : null}
      {result ? (
        <div className="cut-rows">
          <table>
            <thead>
              <tr>
                <th>There</th>
                <th>Frames</th>
                <th>Here</th>
                <th>What becomes of it</th>
              </tr>
            </thead>
            <tbody>
              {result.rows.map((r) => (
                <tr key={r.index} data-brought={r.index}>
                  <td className="mono">
                    {cut!.shots[r.index].code || (cut!.shots[r.index].isGap ? 'Gap' : '–')}
                  </td>
                  <td className="mono">{r.frames}</td>
                  <td>
                    <Choose
                      aria-label={`Which shot ${r.index + 1} is`}
                      title={KNOWN[r.known]}
                      value={r.id ?? 'new'}
                      onChange={(e) =>
                        setSaid([
                          ...said.filter((x) => x.index !== r.index),
                          { index: r.index, id: e.target.value },
                        ])
                      }
                    >
                      <option value="new">A new shot</option>
                      {ours.map((p) => (
                        <option key={p.id} value={p.id}>
                          {p.shot}
                        </option>
                      ))}
                    </Choose>
                  </td>
                  <td className={r.changes.length ? undefined : 'muted'}>
                    {r.changes.join(', ') || 'stays as it is'}
                  </td>
                </tr>
              ))}
              {result.missing.map((m) => (
                <tr key={m.id} data-missing={m.id}>
                  <td className="muted">not in it</td>
                  <td />
                  <td className="mono">{m.code}</td>
                  <td>{keep ? 'stays, behind all others' : 'is taken away'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      {result?.missing.length ? (
        <Tick checked={keep} onChange={(e) => setKeep(e.target.checked)}>
          Keep shots that are not in it, behind all others
        </Tick>
      ) : null}
    </Window>
  );
}
