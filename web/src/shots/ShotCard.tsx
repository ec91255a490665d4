import { useState } from 'react';
import type { Camera, Command, Shot, Take } from '../core/types';
import { choosePicture } from '../doing/bring';
import { compareTakes } from '../doing/compared';
import { chosenTake } from '../doing/takes';
import { Swatch } from '../fields/Swatch';
import { TextNumber } from '../fields/TextNumber';
import { Bare } from '../kit/Bare';
import { Chip } from '../kit/Chip';
import { Choose } from '../kit/Choose';
import { Editing } from '../kit/Editing';
import * as Icon from '../kit/icons';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { approvedOn } from '../session/approvals';
import { camerasOf } from '../session/cameras';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { useProgramme } from '../session/programme';
import { editProposed } from '../session/proposals';
import { core, useCoreStill } from '../session/evaluated';
import { at } from '../session/http';
import { useSequence } from '../session/state';
import { STATUSES } from './statuses';
import './shots.css';

/** All that there is to a shot: its takes, its action, its speed, what is said of it. */
export function ShotCard({ shot }: { shot: Shot }) {
  const approved = useSequence((s) => s.approvals[shot.id]);
  const place = useProgramme().find((p) => p.id === shot.id);
  return (
    <>
      <div className="panel-head">
        <span className="name grow">{shot.name}</span>
        {approved ? <span className="muted">{`✓ ${approvedOn(approved)}`}</span> : null}
      </div>
      <div className="scroll">
        <Editing>
          <About shot={shot} />
        </Editing>
        <Editing reviews>
          <NotesOn shot={shot} />
        </Editing>
        <Editing>
          <Takes shot={shot} />
          <BoardOf shot={shot} />
          {place ? <Action shot={shot} first={place.first} /> : null}
          <Speeds shot={shot} />
        </Editing>
      </div>
    </>
  );
}

function About({ shot }: { shot: Shot }) {
  const entities = useSequence((s) => s.entities);
  const { beginning } = useSequence((s) => s.header.standards);
  const camera = entities[chosenTake(shot).camera ?? ''] as Camera | undefined;
  const rules = (colour: string | null, handles: number | null): Command => ({
    kind: 'setShotRules',
    ids: [shot.id],
    colour,
    handles,
  });
  return (
    <div className="card" data-card="shot">
      <div className="card-head">
        <span className="card-name">Shot</span>
        <Swatch
          label="Colour of the shot in the reel"
          value={shot.colour ?? camera?.colour ?? '#2a3a57'}
          commands={(colour) => [rules(colour, shot.handles)]}
        />
        {shot.colour ? (
          <Tip text="The colour of its camera">
            <Chip onClick={() => edit(`${shot.name}: its camera’s colour`, rules(null, shot.handles))}>
              Camera’s
            </Chip>
          </Tip>
        ) : null}
      </div>
      <label className="line">
        <span className="line-label">Code</span>
        <Words
          aria-label="Code of the shot"
          defaultValue={shot.name}
          key={shot.name}
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === 'Enter') e.currentTarget.blur();
          }}
          onBlur={(e) => {
            const name = e.target.value.trim();
            if (name === shot.name) return;
            if (!name || !edit(`Call it ${name}`, { kind: 'rename', id: shot.id, name }))
              e.target.value = shot.name;
          }}
        />
      </label>
      <div className="line">
        <span className="line-label">Status</span>
        <Choose
          aria-label="Status of the shot"
          value={shot.status}
          onChange={(e) =>
            edit(`${shot.name}: status`, {
              kind: 'setStatus',
              ids: [shot.id],
              status: e.target.value as Shot['status'],
            })
          }
        >
          {STATUSES.map((s) => (
            <option key={s.value} value={s.value}>
              {s.shows}
            </option>
          ))}
        </Choose>
      </div>
      <TextNumber
        label={shot.handles === null ? 'Handles (the production’s)' : 'Handles'}
        unit="frames"
        value={shot.handles ?? beginning.handleFrames}
        onChange={(v) => edit(`${shot.name}: handles`, rules(shot.colour, Math.round(v)))}
      />
    </div>
  );
}

/** What is said of it: those who review write here, too. */
function NotesOn({ shot }: { shot: Shot }) {
  return (
    <div className="card" data-card="notes">
      <div className="card-head">
        <span className="card-name">Notes</span>
      </div>
      <textarea
        className="shot-notes"
        aria-label="Notes on the shot"
        placeholder="What is to be done, and what was said"
        defaultValue={shot.notes}
        key={shot.notes}
        onKeyDown={(e) => e.stopPropagation()}
        onBlur={(e) => {
          if (e.target.value.trim() !== shot.notes)
            edit(`Notes on ${shot.name}`, { kind: 'setNotes', id: shot.id, notes: e.target.value });
        }}
      />
    </div>
  );
}

/** The ways of doing it, one of which is in the reel. */
function Takes({ shot }: { shot: Shot }) {
  const entities = useSequence((s) => s.entities);
  const chosen = chosenTake(shot);
  const put = (label: string, take: Take, choose = false) =>
    edit(label, { kind: 'putTake', id: shot.id, take, choose });
  return (
    <div className="card" data-card="takes">
      <div className="card-head">
        <span className="card-name">Takes</span>
        <Tip text="Another way of doing it, to begin with like the one that is chosen">
          <Pill
            small
            onClick={() =>
              put(
                `Another take of ${shot.name}`,
                { ...chosen, id: newId('take'), name: String(shot.takes.length + 1) },
                true,
              )
            }
          >
            Another
          </Pill>
        </Tip>
      </div>
      {shot.takes.map((t) => (
        <div className="take-row" key={t.id}>
          <Tip text="Puts this take in the reel">
            <Chip
              on={t.id === shot.chosen}
              aria-label={`Choose take ${t.name}`}
              onClick={() =>
                t.id !== shot.chosen &&
                edit(`${shot.name}: take ${t.name}`, { kind: 'chooseTake', id: shot.id, take: t.id })
              }
            >
              {t.id === shot.chosen ? 'In' : 'Use'}
            </Chip>
          </Tip>
          <Words
            aria-label={`Name of take ${t.name}`}
            defaultValue={t.name}
            key={t.name}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter') e.currentTarget.blur();
            }}
            onBlur={(e) => {
              const name = e.target.value.trim();
              if (name !== t.name && !(name && put(`Name of a take`, { ...t, name })))
                e.target.value = t.name;
            }}
          />
          <Choose
            aria-label={`Camera of take ${t.name}`}
            value={t.camera ?? ''}
            onChange={(e) => put(`${shot.name}: camera`, { ...t, camera: e.target.value || null })}
          >
            <option value="">Gap</option>
            {camerasOf(entities).map((c) => (
              <option key={c.id} value={c.id}>
                {`${c.letter} ${c.name}`}
              </option>
            ))}
          </Choose>
          {t.id === shot.chosen ? null : (
            <Tip text="Beside the one that is in, wiped or side by side">
              <Bare
                aria-label={`Compare take ${t.name}`}
                onClick={() => compareTakes(shot, shot.chosen, t.id)}
              >
                <Icon.Compare />
              </Bare>
            </Tip>
          )}
          {t.id === shot.chosen ? null : (
            <Tip text="Take it away">
              <Bare
                aria-label={`Take away take ${t.name}`}
                onClick={() =>
                  edit(`Take away a take of ${shot.name}`, { kind: 'removeTake', id: shot.id, take: t.id })
                }
              >
                ×
              </Bare>
            </Tip>
          )}
        </div>
      ))}
    </div>
  );
}

/** The picture that stands for it until a camera does. */
function BoardOf({ shot }: { shot: Shot }) {
  const put = (board: Shot['board'], label: string) =>
    edit(`${shot.name}: ${label}`, { kind: 'setBoard', id: shot.id, board });
  const { board } = shot;
  return (
    <div className="card" data-card="board">
      <div className="card-head">
        <span className="card-name">Board</span>
        <Pill
          small
          onClick={() => choosePicture((picture) => put({ picture, shown: board?.shown ?? false }, 'board'))}
        >
          {board ? 'Another' : 'Choose'}
        </Pill>
        {board ? (
          <Pill small onClick={() => put(null, 'no board')}>
            Take away
          </Pill>
        ) : null}
      </div>
      {board ? (
        <>
          <img
            className="board-thumb"
            src={at(`/api/assets/${board.picture}`)}
            alt={`The board of ${shot.name}`}
          />
          {chosenTake(shot).camera ? (
            <Tick
              checked={board.shown}
              onChange={(e) => put({ ...board, shown: e.target.checked }, 'board or picture')}
            >
              Seen in place of the camera’s picture
            </Tick>
          ) : null}
        </>
      ) : (
        <p className="says">A picture that is seen while there is no camera.</p>
      )}
    </div>
  );
}

/** Which action it shows, and how long. */
function Action({ shot, first }: { shot: Shot; first: number }) {
  const take = chosenTake(shot);
  return (
    <div className="card" data-card="action">
      <div className="card-head">
        <span className="card-name">Action</span>
        <span className="mono muted">{`at ${first} in the programme`}</span>
      </div>
      <TextNumber
        label="From frame of the scene"
        unit="frame"
        value={take.first}
        onChange={(v) => edit(`Slip ${shot.name}`, { kind: 'slipShot', id: shot.id, by: v - take.first })}
      />
      <TextNumber
        label="Length"
        unit="frames"
        value={take.frames}
        onChange={(v) =>
          edit(`Length of ${shot.name}`, {
            kind: 'trimShot',
            id: shot.id,
            head: 0,
            tail: take.frames - Math.round(v),
          })
        }
      />
    </div>
  );
}

/** How fast the action runs, at its ends. */
function Speeds({ shot }: { shot: Shot }) {
  const ends = useCoreStill((c) => c.speedOf(shot.id));
  const [keepsLength, setKeepsLength] = useState(true);
  const to = (first: number, last: number) =>
    editProposed(`Speed of ${shot.name}`, () =>
      core().retimed(shot.id, first / 100, last / 100, keepsLength),
    );
  const percent = (v: number) => Math.round(v * 100000) / 1000;
  return (
    <div className="card" data-card="speed">
      <div className="card-head">
        <span className="card-name">Speed</span>
        {ends.first !== 1 || ends.last !== 1 ? <Chip onClick={() => to(100, 100)}>As it is</Chip> : null}
        <Chip onClick={() => to(50, 50)}>Half</Chip>
      </div>
      <TextNumber
        label="First frame, %"
        unit="factor"
        value={percent(ends.first)}
        onChange={(v) => to(v, ends.first === ends.last ? v : percent(ends.last))}
      />
      <TextNumber
        label="Last frame, %"
        unit="factor"
        value={percent(ends.last)}
        onChange={(v) => to(percent(ends.first), v)}
      />
      <Tick checked={keepsLength} onChange={(e) => setKeepsLength(e.target.checked)}>
        It lasts as long and shows more or less
      </Tick>
    </div>
  );
}
