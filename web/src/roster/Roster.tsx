import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import type { Entity } from '../core/types';
import { chooseModel } from '../importing/bring';
import { edit, select, useSequence } from '../sequence/store';
import * as Icon from '../shell/icons';
import { Tip } from '../shell/Tip';
import { addCamera, addGroup, addMark, addStandIn, drawPath, STAND_INS } from './create';

const isSubject = (e: Entity) =>
  e.kind === 'piece' &&
  ((e.shape.kind === 'standIn' && (e.shape.form === 'adult' || e.shape.form === 'child')) ||
    (e.shape.kind === 'model' && e.shape.clip !== null));
const GROUPS: { name: string; holds: (e: Entity) => boolean }[] = [
  { name: 'CAMERAS', holds: (e) => e.kind === 'camera' },
  { name: 'SUBJECTS', holds: isSubject },
  { name: 'SET', holds: (e) => e.kind === 'piece' && !isSubject(e) },
  { name: 'MARKS', holds: (e) => e.kind === 'mark' },
  { name: 'PATHS', holds: (e) => e.kind === 'path' },
  { name: 'LIGHTS', holds: (e) => e.kind === 'light' },
];

/** What is here, in crew order. */
export function Roster() {
  const entities = useSequence((s) => s.entities);
  const [find, setFind] = useState('');
  const all = Object.values(entities).filter(
    (e) => e.kind !== 'cutEntry' && e.name.toLowerCase().includes(find.toLowerCase()),
  );
  return (
    <aside className="left" aria-label="Roster">
      <div className="panel-head">
        <span className="grow">Roster</span>
        <AddMenu />
      </div>
      <input
        className="search"
        placeholder="Find by name"
        value={find}
        onChange={(e) => setFind(e.target.value)}
        aria-label="Find by name"
      />
      <div className="scroll">
        {GROUPS.map((g) => {
          const rows = all
            .filter(g.holds)
            .sort((a, b) =>
              a.kind === 'camera' && b.kind === 'camera'
                ? a.letter.localeCompare(b.letter)
                : a.name.localeCompare(b.name, undefined, { numeric: true }),
            );
          return rows.length === 0 ? null : (
            <div key={g.name}>
              <div className="group-head">{g.name}</div>
              {rows.map((e) => (
                <Row key={e.id} entity={e} />
              ))}
            </div>
          );
        })}
        {all.length === 0 ? (
          <p className="empty">
            {find ? 'Nothing has that name.' : 'Nothing here yet. Add a stand-in or bring in a model.'}
          </p>
        ) : null}
      </div>
    </aside>
  );
}

function Row({ entity: e }: { entity: Entity }) {
  const on = useSequence((s) => s.selected.includes(e.id));
  const [naming, setNaming] = useState(false);
  const colour =
    e.kind === 'camera' || e.kind === 'piece' || e.kind === 'light'
      ? e.colour
      : e.kind === 'path'
        ? 'var(--marigold)'
        : 'var(--teal)';
  const locked = e.kind === 'camera' || e.kind === 'piece' ? e.locked : null;
  return (
    <div className={`row ${on ? 'on' : ''}`}>
      {e.kind === 'camera' ? (
        <span className="badge" style={{ background: e.colour }}>
          {e.letter}
        </span>
      ) : (
        <span className="dot" style={{ background: colour }} />
      )}
      {naming ? (
        <input
          autoFocus
          defaultValue={e.name}
          aria-label={`New name of ${e.name}`}
          onBlur={(x) => {
            setNaming(false);
            if (x.target.value.trim() && x.target.value !== e.name)
              edit(`Rename ${e.name}`, { kind: 'rename', id: e.id, name: x.target.value });
          }}
          onKeyDown={(x) => {
            x.stopPropagation();
            if (x.key === 'Enter') x.currentTarget.blur();
            if (x.key === 'Escape') setNaming(false);
          }}
        />
      ) : (
        <button
          className="name"
          title={e.name}
          onClick={(x) => {
            const { selected } = useSequence.getState();
            if (x.ctrlKey || x.metaKey)
              select(...(on ? selected.filter((i) => i !== e.id) : [...selected, e.id]));
            else select(e.id);
          }}
          onDoubleClick={() => setNaming(true)}
          onKeyDown={(x) => x.key === 'F2' && setNaming(true)}
        >
          {e.name}
        </button>
      )}
      {e.kind === 'piece' ? (
        <Tip text={e.shown ? 'Hide from the views and the render' : 'Show'}>
          <button
            className={`icon small ${e.shown ? '' : 'lit'}`}
            aria-label={`${e.shown ? 'Hide' : 'Show'} ${e.name}`}
            onClick={() =>
              edit(`${e.shown ? 'Hide' : 'Show'} ${e.name}`, { kind: 'show', ids: [e.id], shown: !e.shown })
            }
          >
            {e.shown ? <Icon.Eye /> : <Icon.EyeShut />}
          </button>
        </Tip>
      ) : null}
      {locked !== null ? (
        <Tip text={locked ? 'Unlock' : 'Lock against moving by accident'}>
          <button
            className={`icon small ${locked ? 'lit' : ''}`}
            aria-label={`${locked ? 'Unlock' : 'Lock'} ${e.name}`}
            onClick={() =>
              edit(`${locked ? 'Unlock' : 'Lock'} ${e.name}`, { kind: 'lock', ids: [e.id], locked: !locked })
            }
          >
            {locked ? <Icon.Lock /> : <Icon.Unlock />}
          </button>
        </Tip>
      ) : null}
    </div>
  );
}

function AddMenu() {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const choose = (work: () => void) => () => {
    setOpen(false);
    work();
  };
  return (
    <>
      <Tip text="Add to the sequence">
        <button ref={button} className="pill" aria-haspopup="menu" onClick={() => setOpen(true)}>
          + Add
        </button>
      </Tip>
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        <MenuItem onClick={choose(addCamera)}>Camera</MenuItem>
        {STAND_INS.map((s) => (
          <MenuItem key={s.form} onClick={choose(() => addStandIn(s.form))}>
            {s.name} stand-in
          </MenuItem>
        ))}
        <MenuItem onClick={choose(chooseModel)}>Model from a file…</MenuItem>
        <MenuItem onClick={choose(addMark)}>Mark</MenuItem>
        <MenuItem onClick={choose(drawPath)}>Path, drawn in plan</MenuItem>
        <MenuItem onClick={choose(addGroup)}>Group</MenuItem>
      </Menu>
    </>
  );
}
