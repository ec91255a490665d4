import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { closeWindow } from '../session/windows';
import { PlainWindow } from '../kit/PlainWindow';
import { Pill } from '../kit/Pill';
import './shots.css';

/** Codes in the order of the reel: what changes is shown first, and made in one edit. */
export function RenumberWindow() {
  'use no memo';
  const approvals = useSequence((s) => s.approvals);
  useSequence((s) => s.version);
  const kept = Object.keys(approvals);
  const all = core().renumbered(kept);
  const renumber = () => {
    if (edit('Codes in order', ...all.map((r) => ({ kind: 'rename' as const, id: r.id, name: r.better }))))
      closeWindow();
  };
  return (
    <PlainWindow name="Codes in order" title="Codes in order" onClose={closeWindow}>
      {all.length === 0 ? (
        <p className="empty">Every code is as its place in the reel says: nothing would change.</p>
      ) : (
        <>
          <p className="says">
            In tens, in the order of the reel. Approved shots keep their codes, and nobody else gets those.
          </p>
          <table className="renumber mono">
            <tbody>
              {all.map((r) => (
                <tr key={r.id}>
                  <td>{r.code}</td>
                  <td>→</td>
                  <td>{r.better}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <span>
            <Pill tone="coral" wide onClick={renumber}>
              {all.length === 1 ? 'Change it' : `Change these ${all.length}`}
            </Pill>
          </span>
        </>
      )}
    </PlainWindow>
  );
}
