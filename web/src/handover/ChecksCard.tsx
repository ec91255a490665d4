import { useState } from 'react';
import { Bare } from '../kit/Bare';
import { Fold } from '../kit/Fold';
import { Pill } from '../kit/Pill';
import { goTo, goToReel } from '../session/time';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { lookThrough } from '../session/view';
import { useChecks, type Check } from './packages';

/** So many are listed before the others are asked for. */
const FIRST = 12;

/** Goes to where something was pointed out. */
function goThere(c: Check): void {
  const { entities } = useSequence.getState();
  if (entities[c.id]) select(c.id);
  if (entities[c.id]?.kind === 'camera') lookThrough(c.id);
  if (c.programme !== null) goToReel(c.programme);
  if (c.scene !== null) goTo(c.scene);
}

/** What a careful assistant would point out before anything leaves: where, why, and one click to look. */
export function ChecksCard() {
  const checks = useChecks();
  const [all, setAll] = useState(false);
  const open = checks.data?.filter((c) => c.accepted === null) ?? [];
  const accepted = checks.data?.filter((c) => c.accepted !== null) ?? [];
  const listed = all ? open : open.slice(0, FIRST);
  return (
    <div className="card" data-card="checks">
      <div className="card-head">
        <span className="card-name">Before it leaves</span>
        <span className="muted">
          {checks.isPending
            ? 'Looking …'
            : open.length
              ? `${open.length} to look at`
              : 'Nothing to point out'}
        </span>
      </div>
      {checks.isError ? <p className="empty">{checks.error.message}</p> : null}
      {listed.map((c, i) => (
        <CheckLine key={i} check={c} />
      ))}
      {open.length > listed.length ? (
        <Pill small onClick={() => setAll(true)}>
          {`${open.length - listed.length} more`}
        </Pill>
      ) : null}
      {accepted.length ? (
        <Fold title={`${accepted.length} accepted with a word`}>
          {accepted.map((c, i) => (
            <CheckLine key={i} check={c} />
          ))}
        </Fold>
      ) : null}
    </div>
  );
}

function CheckLine({ check }: { check: Check }) {
  return (
    <Bare className="check" title="Go there" onClick={() => goThere(check)}>
      {check.scene !== null ? (
        <strong>{check.of}</strong>
      ) : (
        <span className="check-says first">{check.text}</span>
      )}
      <span className="mono muted">
        {check.programme !== null ? check.programme : check.scene !== null ? `scene ${check.scene}` : ''}
      </span>
      {check.scene !== null ? <span className="check-says">{check.text}</span> : null}
      {check.accepted ? <span className="muted">{`Stays: ${check.accepted}`}</span> : null}
    </Bare>
  );
}
