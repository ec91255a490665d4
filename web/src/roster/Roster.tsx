import { Words } from '../kit/Words';
import MenuItem from '@mui/material/MenuItem';
import { byLetter } from '../session/cameras';
import { approvedOn } from '../session/approvals';
import { useMemo, useState } from 'react';
import { Menu } from '../kit/Menu';
import { MenuButton } from '../kit/MenuButton';
import { evaluated } from '../session/evaluated';
import { theCore } from '../core/load';
import type { Entity } from '../core/types';
import { chooseModel, choosePlate, chooseTrack } from '../importing/bring';
import { edit, select, useSequence, givePicked } from '../session/store';
import { fold } from '../session/arrangement';
import { Editing } from '../kit/Editing';
import { withKeys } from '../shortcuts/words';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import {
  addCamera,
  addGroup,
  addLayer,
  addMark,
  addMarkAhead,
  addMarkOnSurface,
  addStandIn,
  cameraFromView,
  addPathShape,
  drawPath,
  PATH_SHAPES,
  measure,
  measureFromCamera,
  STAND_INS,
} from './create';
import { addAir, addLight, LIGHTS } from './createLight';
import { MORE } from './selectionActions';
import { Bare } from '../kit/Bare';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';

const GROUPS: { name: string; holds: (e: Entity, subjects: Set<string>) => boolean }[] = [
  { name: 'CAMERAS', holds: (e) => e.kind === 'camera' },
  { name: 'SUBJECTS', holds: (e, s) => s.has(e.id) },
  { name: 'SET', holds: (e, s) => e.kind === 'piece' && !s.has(e.id) },
  { name: 'MARKS', holds: (e) => e.kind === 'mark' },
  { name: 'PATHS', holds: (e) => e.kind === 'path' },
  { name: 'LIGHTS', holds: (e) => e.kind === 'light' || e.kind === 'air' },
  { name: 'PLATES', holds: (e) => e.kind === 'plate' },
  { name: 'LAYERS', holds: (e) => e.kind === 'layer' },
  { name: 'MEASURES', holds: (e) => e.kind === 'measure' },
];

/** An entity with how deep it is nested. */
interface Shown {
  entity: Entity;
  depth: number;
}

const byName = (a: Entity, b: Entity) =>
  a.kind === 'camera' && b.kind === 'camera'
    ? byLetter(a, b)
    : a.name.localeCompare(b.name, undefined, { numeric: true });

/** A group's rows: nested pieces follow what they are nested in. */
function nested(rows: Entity[]): Shown[] {
  const here = new Set(rows.map((e) => e.id));
  const parent = (e: Entity) => (e.kind === 'piece' && e.parent && here.has(e.parent) ? e.parent : '');
  const children = new Map<string, Entity[]>();
  for (const e of rows) children.set(parent(e), [...(children.get(parent(e)) ?? []), e]);
  const out: Shown[] = [];
  const visit = (id: string, depth: number) => {
    for (const e of (children.get(id) ?? []).sort(byName)) {
      out.push({ entity: e, depth });
      visit(e.id, depth + 1);
    }
  };
  visit('', 0);
  return out;
}

/** What is here, in crew order. */
export function Roster() {
  const entities = useSequence((s) => s.entities);
  const isolated = useSequence((s) => s.isolated);
  const desk = useSequence((s) => s.desk);
  const [find, setFind] = useState('');
  const subjects = useMemo(
    () => (entities ? new Set(JSON.parse(theCore().subjects()) as string[]) : new Set<string>()),
    [entities],
  );
  const all = Object.values(entities).filter(
    // layers stay in sight while something is looked for: it may be to be laid on one
    (e) => e.kind !== 'cutEntry' && (e.kind === 'layer' || e.name.toLowerCase().includes(find.toLowerCase())),
  );
  const order = GROUPS.flatMap((g) => nested(all.filter((e) => g.holds(e, subjects)))).map(
    (x) => x.entity.id,
  );
  return (
    <aside className="left" aria-label="Roster">
      <div className="panel-head">
        <span className="grow">Roster</span>
        <AddMenu />
        <Tip text={withKeys('Fold the roster', 'roster')}>
          <IconAction aria-label="Fold the roster" onClick={() => fold(desk, 'roster')}>
            <Icon.Fold />
          </IconAction>
        </Tip>
      </div>
      <Words
        className="search"
        placeholder="Find by name"
        value={find}
        onChange={(e) => setFind(e.target.value)}
        aria-label="Find by name"
      />
      {isolated ? (
        <Pill className="isolated" onClick={() => useSequence.setState({ isolated: null })}>
          Show everything again
        </Pill>
      ) : null}
      <div className="scroll" onDragOver={scrollAtEdge}>
        {GROUPS.map((g) => {
          const rows = nested(all.filter((e) => g.holds(e, subjects)));
          return rows.length === 0 ? null : (
            <div key={g.name} onDragOver={(e) => e.preventDefault()} onDrop={(e) => dropped(e, null)}>
              <div className="group-head">{g.name}</div>
              {rows.map((x) => (
                <Row key={x.entity.id} entity={x.entity} depth={x.depth} order={order} />
              ))}
            </div>
          );
        })}
        {all.every((e) => e.kind === 'layer' && !e.name.toLowerCase().includes(find.toLowerCase())) ? (
          <p className="empty">
            {find ? 'Nothing has that name.' : 'Nothing here yet. Add a stand-in or bring in a model.'}
          </p>
        ) : null}
      </div>
      <Editing>
        <NamingNote />
      </Editing>
    </aside>
  );
}

/** How near the edge of the roster a dragged row makes it scroll, and how far at a time, in pixels. */
const [EDGE, SCROLL] = [36, 14];

function scrollAtEdge(e: React.DragEvent<HTMLElement>): void {
  const r = e.currentTarget.getBoundingClientRect();
  if (e.clientY < r.top + EDGE) e.currentTarget.scrollTop -= SCROLL;
  else if (e.clientY > r.bottom - EDGE) e.currentTarget.scrollTop += SCROLL;
}

const DRAGGED = 'application/x-roster';

/** Nests what was dragged, or lays it on a layer. Alt gives up its place in the world. */
function dropped(e: React.DragEvent, on: Entity | null): void {
  const id = e.dataTransfer.getData(DRAGGED);
  if (!id || id === on?.id) return;
  e.preventDefault();
  e.stopPropagation();
  const { entities, frame, selected } = useSequence.getState();
  const ids = selected.includes(id) ? selected : [id];
  const pieces = ids.filter((x) => entities[x]?.kind === 'piece');
  if (on?.kind === 'layer') {
    const lay = ids.filter((x) => entities[x] && 'layer' in entities[x]);
    if (lay.length) edit(`Lay on ${on.name}`, { kind: 'lay', ids: lay, layer: on.id });
  } else if (pieces.length && (on === null || on.kind === 'piece'))
    edit(
      on ? `Nest in ${on.name}` : 'Take out',
      ...pieces.map((x) => ({
        kind: 'nest' as const,
        id: x,
        parent: on?.id ?? null,
        keepPlace: !e.altKey,
        frame,
      })),
    );
}

function Row({ entity: e, depth, order }: { entity: Entity; depth: number; order: string[] }) {
  const on = useSequence((s) => s.selected.includes(e.id));
  const looked = useSequence((s) => s.camera === e.id);
  const layer = useSequence((s) => ('layer' in e && e.layer ? s.entities[e.layer] : undefined));
  const mayEdit = useSequence((s) => s.mayEdit);
  const approval = useSequence((s) => s.approvals[e.id]);
  const [naming, setNaming] = useState(false);
  const [menu, setMenu] = useState<{ left: number; top: number } | null>(null);
  const colour =
    e.kind === 'camera' || e.kind === 'piece' || e.kind === 'light' || e.kind === 'layer' || e.kind === 'air'
      ? e.colour
      : e.kind === 'path'
        ? 'var(--marigold)'
        : 'var(--teal)';
  const shown = 'shown' in e ? e.shown : null;
  const locked = 'locked' in e ? e.locked : null;
  const put = (label: string, next: Entity) => edit(label, { kind: 'replace', entity: next });
  return (
    <div
      className={`row ${on ? 'on' : ''}`}
      style={{ paddingLeft: 12 + depth * 12 }}
      data-camera={e.kind === 'camera' ? (looked ? 'looked through' : 'another') : undefined}
      draggable={!naming && mayEdit}
      onDragStart={(x) => x.dataTransfer.setData(DRAGGED, e.id)}
      onDragOver={(x) => (e.kind === 'piece' || e.kind === 'layer') && x.preventDefault()}
      onDrop={(x) => dropped(x, e)}
      onContextMenu={(x) => {
        x.preventDefault();
        if (!useSequence.getState().selected.includes(e.id)) select(e.id);
        setMenu({ left: x.clientX, top: x.clientY });
      }}
    >
      {e.kind === 'camera' ? (
        <span className="badge" style={{ background: e.colour }}>
          {e.letter}
        </span>
      ) : (
        <span className="dot" style={{ background: colour }} />
      )}
      {naming ? (
        <Words
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
        <Bare
          className="name"
          title={e.name}
          onClick={(x) => {
            const { selected, picking } = useSequence.getState();
            // what waits for a click in a view takes a row as well
            if (picking && theCore().slot(e.id) >= 0) {
              const at = theCore().slot(e.id) * 16 + 12;
              const [px, py, pz] = evaluated().world.subarray(at, at + 3);
              givePicked({ id: e.id, point: [px, py, pz], normal: null });
            } else if (x.shiftKey && selected.length) {
              const [a, b] = [order.indexOf(selected[0]), order.indexOf(e.id)];
              select(
                selected[0],
                ...order.slice(Math.min(a, b), Math.max(a, b) + 1).filter((i) => i !== selected[0]),
              );
            } else if (x.ctrlKey || x.metaKey)
              select(...(on ? selected.filter((i) => i !== e.id) : [...selected, e.id]));
            else select(e.id);
          }}
          onDoubleClick={() => setNaming(mayEdit)}
          onKeyDown={(x) => x.key === 'F2' && setNaming(mayEdit)}
        >
          {e.name}
        </Bare>
      )}
      {approval ? (
        <Tip text={approvedOn(approval)}>
          <span className="approved-tick" role="img" aria-label={approvedOn(approval)}>
            ✓
          </span>
        </Tip>
      ) : null}
      {layer ? (
        <Tip text={`On the layer ${layer.name}`}>
          <span className="layer-dot" style={{ background: layer.kind === 'layer' ? layer.colour : '' }} />
        </Tip>
      ) : null}
      <Editing>
        <span className="switches">
          {e.kind === 'layer' ? (
            <Tip text={e.rendered ? 'Leave this layer out of renders' : 'Render this layer'}>
              <IconAction
                size="small"
                lit={!e.rendered}
                aria-label={`${e.rendered ? 'Leave out' : 'Render'} ${e.name}`}
                onClick={() =>
                  put(e.rendered ? 'Leave a layer out' : 'Render a layer', { ...e, rendered: !e.rendered })
                }
              >
                <Icon.Cut />
              </IconAction>
            </Tip>
          ) : null}
          {shown !== null ? (
            <Tip
              text={
                shown
                  ? e.kind === 'camera' || e.kind === 'mark'
                    ? 'Hide its icon in the set view'
                    : 'Hide from the views and the render'
                  : 'Show'
              }
            >
              <IconAction
                size="small"
                lit={!shown}
                aria-label={`${shown ? 'Hide' : 'Show'} ${e.name}`}
                onClick={() =>
                  e.kind === 'layer'
                    ? put(`${shown ? 'Hide' : 'Show'} ${e.name}`, { ...e, shown: !shown })
                    : edit(`${shown ? 'Hide' : 'Show'} ${e.name}`, {
                        kind: 'show',
                        ids: [e.id],
                        shown: !shown,
                      })
                }
              >
                {shown ? <Icon.Eye /> : <Icon.EyeShut />}
              </IconAction>
            </Tip>
          ) : null}
          {locked !== null ? (
            <Tip text={locked ? 'Unlock' : 'Lock against moving by accident'}>
              <IconAction
                size="small"
                lit={locked}
                aria-label={`${locked ? 'Unlock' : 'Lock'} ${e.name}`}
                onClick={() =>
                  e.kind === 'layer'
                    ? put(`${locked ? 'Unlock' : 'Lock'} ${e.name}`, { ...e, locked: !locked })
                    : edit(`${locked ? 'Unlock' : 'Lock'} ${e.name}`, {
                        kind: 'lock',
                        ids: [e.id],
                        locked: !locked,
                      })
                }
              >
                {locked ? <Icon.Lock /> : <Icon.Unlock />}
              </IconAction>
            </Tip>
          ) : null}
        </span>
      </Editing>
      <RowMenu at={menu} onClose={() => setMenu(null)} onRename={() => setNaming(true)} entity={e} />
    </div>
  );
}

function RowMenu({
  at,
  onClose,
  onRename,
  entity,
}: {
  at: { left: number; top: number } | null;
  onClose: () => void;
  onRename: () => void;
  entity: Entity;
}) {
  const mayEdit = useSequence((s) => s.mayEdit);
  if (!at) return null;
  const choose = (work: () => void) => () => {
    onClose();
    work();
  };
  return (
    <Menu open onClose={onClose} anchorReference="anchorPosition" anchorPosition={at}>
      <MenuItem disabled={!mayEdit} onClick={choose(onRename)}>
        Rename (F2)
      </MenuItem>
      {MORE.filter((m) => m.fits(entity)).map((m) => (
        <MenuItem key={m.name} disabled={!mayEdit && !m.looks} onClick={choose(m.run)}>
          {m.keys ? withKeys(m.name, m.keys) : m.name}
        </MenuItem>
      ))}
    </Menu>
  );
}

/** Names that break the production's rules, with the fix. */
function NamingNote() {
  const entities = useSequence((s) => s.entities);
  const header = useSequence((s) => s.header);
  const breaches = useMemo(
    () =>
      entities && header
        ? (JSON.parse(theCore().namingBreaches()) as { id: string; name: string; better: string }[])
        : [],
    [entities, header],
  );
  if (!breaches.length) return null;
  const first = breaches[0];
  return (
    <div className="naming-note" data-testid="naming">
      <span>
        {breaches.length === 1
          ? `“${first.name}” should be “${first.better}”.`
          : `${breaches.length} names break the production’s rules, e.g. “${first.name}”.`}
      </span>
      <Pill
        onClick={() =>
          edit(
            'Mend the names',
            ...breaches.map((b) => ({ kind: 'rename' as const, id: b.id, name: b.better })),
          )
        }
      >
        Mend
      </Pill>
    </div>
  );
}

function AddMenu() {
  const mayEdit = useSequence((s) => s.mayEdit);
  return (
    <MenuButton name="+ Add" tip="Add to the sequence" disabled={!mayEdit} listClass="add-menu">
      {(close) =>
        added().map(([name, work]) => (
          <MenuItem
            key={name}
            dense
            onClick={() => {
              close();
              work();
            }}
          >
            {name}
          </MenuItem>
        ))
      }
    </MenuButton>
  );
}

/** What can be added, in the order of the menu. */
const added = (): [string, () => void][] => [
  ['Camera', addCamera],
  ['Camera from the set view', cameraFromView],
  ['Camera track from a file…', chooseTrack],
  ...STAND_INS.map((s): [string, () => void] => [`${s.name} stand-in`, () => addStandIn(s.form)]),
  ['Lettering…', () => useSequence.setState({ dialog: { kind: 'lettering', id: null } })],
  ['Model from a file…', chooseModel],
  ['Plate from images…', choosePlate],
  ['Mark', addMark],
  ['Mark on a surface…', addMarkOnSurface],
  ['Mark where the axis meets the set', addMarkAhead],
  ['Path, drawn in plan', drawPath],
  ...PATH_SHAPES.map((p): [string, () => void] => [p.name, () => addPathShape(p.form)]),
  ['Group', addGroup],
  ...LIGHTS.map((l): [string, () => void] => [`${l.name} light`, () => addLight(l.form)]),
  ['Haze and background', addAir],
  ['Layer', addLayer],
  ['Measure between points…', measure],
  ['Measure from the camera…', measureFromCamera],
];
