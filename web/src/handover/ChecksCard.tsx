import { useState } from 'react';
import { Bare } from '../kit/Bare';
import { Chip } from '../kit/Chip';
import { Fold } from '../kit/Fold';
import { LeaveIt } from '../kit/LeaveIt';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { edit } from '../session/document';
import { core } from '../session/evaluated';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { goTo, goToReel } from '../session/time';
import { lookThrough } from '../session/view';
import { useChecks, type Check } from './packages';

/** So many are listed before the others are asked for. */
const FIRST = 12;

const SEVERITY = {
  wrong: { word: 'Wrong', tip: 'It will be seen, or is missing, in what is handed over' },
  look: { word: 'Look', tip: 'It may be meant so: look at it' },
  know: { word: 'Know', tip: 'Whoever gets it will want to know' },
};

/** Goes to where something was pointed out. */
function goThere(c: Check): void {
  const { entities } = useSequence.getState();
  const of = entities[c.id];
  if (of) select(c.id);
  const camera =
    of?.kind === 'camera'
      ? c.id
      : of?.kind === 'shot'
        ? of.takes.find((t) => t.id === of.chosen)?.camera
        : null;
  if (camera) lookThrough(camera);
  if (c.programme !== null) goToReel(c.programme);
  if (c.scene !== null) goTo(c.scene);
}

function mend(c: Check): void {
  const commands = core().mends(c.about, c.id);
  if (commands.length) edit(c.mend!, ...commands);
  else say('There is nothing left to mend there.', false);
}

/** What a careful assistant would point out before anything leaves: where, why, and one click to look. */
export function ChecksCard() {
  const checks = useChecks();
  const [all, setAll] = useState(false);
  const [find, setFind] = useState('');
  const open = checks.data?.filter((c) => c.accepted === null) ?? [];
  const accepted = checks.data?.filter((c) => c.accepted !== null) ?? [];
  const wrong = open.filter((c) => c.severity === 'wrong').length;
  const wanted = find.toLowerCase();
  const found = open.filter((c) => `${c.of} ${c.shot} ${c.text}`.toLowerCase().includes(wanted));
  const listed = all || find ? found : found.slice(0, FIRST);
  return (
    <div className="card" data-card="checks">
      <div className="card-head">
        <span className="card-name">Before it leaves</span>
        <span className="muted">
          {checks.isPending
            ? 'Looking …'
            : open.length === 0
              ? 'Nothing to point out'
              : wrong
                ? `${wrong} wrong, ${open.length - wrong} more`
                : `${open.length} to look at`}
        </span>
      </div>
      {checks.isError ? <p className="empty">{checks.error.message}</p> : null}
      {open.length > FIRST ? (
        <Words
          className="checks-find"
          type="search"
          placeholder="Find among them"
          aria-label="Find among what is pointed out"
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
      ) : null}
      <ByShot checks={listed} />
      {found.length > listed.length ? (
        <Pill small onClick={() => setAll(true)}>
          {`${found.length - listed.length} more`}
        </Pill>
      ) : null}
      {accepted.length ? (
        <Fold title={`${accepted.length} accepted with a word`}>
          <ByShot checks={accepted} />
        </Fold>
      ) : null}
    </div>
  );
}

/** One shot after the other, each with its code once. */
function ByShot({ checks }: { checks: Check[] }) {
  const shots = [...new Set(checks.map((c) => c.shot))];
  return shots.map((shot) => (
    <section className="checks-of" key={shot ?? ''} aria-label={shot ?? 'Of no shot'}>
      <h4>{shot ?? 'Of no shot'}</h4>
      {checks
        .filter((c) => c.shot === shot)
        .map((c) => (
          <CheckLine key={`${c.about} ${c.id} ${c.text}`} check={c} />
        ))}
    </section>
  ));
}

function CheckLine({ check }: { check: Check }) {
  const mayEdit = useSequence((s) => s.mayEdit);
  const { word, tip } = SEVERITY[check.severity];
  const frame = check.programme ?? check.scene;
  return (
    <div className="check" data-severity={check.severity}>
      <Tip text={tip}>
        <span className="check-weighs">{word}</span>
      </Tip>
      <Tip text={`Go there. ${check.advice}`}>
        <Bare className="check-says" onClick={() => goThere(check)}>
          {check.text}
          <span className="mono muted">
            {frame === null ? '' : check.scene === null ? ` ${frame}` : ` scene ${frame}`}
          </span>
          {check.accepted ? <span className="muted">{` Stays: ${check.accepted}`}</span> : null}
        </Bare>
      </Tip>
      {mayEdit ? (
        <span className="check-does">
          {check.mend && !check.accepted ? <Chip onClick={() => mend(check)}>{check.mend}</Chip> : null}
          <LeaveIt
            left={check.accepted !== null}
            onLeave={(why) =>
              edit(why ? 'Leave it as it is' : 'Point it out again', {
                kind: 'acceptNote',
                id: check.id,
                about: check.about,
                word: why,
              })
            }
          />
        </span>
      ) : null}
    </div>
  );
}
