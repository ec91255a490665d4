import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import type { Camera, Placed } from '../core/types';
import { cutTo } from '../doing/cutting';
import { Bare } from '../kit/Bare';
import { heldArrows, useHandles } from '../kit/dragging';
import { Menu } from '../kit/Menu';
import { Tip } from '../kit/Tip';
import { camerasOf } from '../session/cameras';
import { preview } from '../session/document';
import { useProgramme } from '../session/programme';
import { useSequence } from '../session/state';
import { palette } from '../theme/tokens';
import { toFrame, toX, type Scale } from './scale';
import { ShotMenu, type ShotMenuAt } from './ShotMenu';
import './lanes.css';

/** Height of a row of shots. */
const ROW = 34;

/** Which row each shot stands in, so that shots of the same action do not cover each other. */
export function rowsOf(shots: Placed[]): number[] {
  const ends: number[] = [];
  return shots.map((p) => {
    let row = ends.findIndex((end) => end < Math.round(p.sceneFirst));
    if (row < 0) row = ends.length;
    ends[row] = Math.round(p.sceneLast);
    return row;
  });
}

/** Whether the action goes on where the shot before ends. */
const goesOn = (before: Placed | undefined, p: Placed) =>
  before !== undefined && Math.round(p.sceneFirst) === Math.round(before.sceneLast) + 1;

/** Shows a shot beginning on another frame of the scene: neither the shot before it nor its own vanishes. */
function beginOn(shots: Placed[], i: number, frame: number): void {
  const p = shots[i];
  const before = shots[i - 1];
  const rate = (p.sceneLast - p.sceneFirst) / Math.max(1, p.last - p.first) || 1;
  const length = p.last - p.first;
  let by = Math.min(length, Math.round((frame - p.sceneFirst) / rate));
  if (!goesOn(before, p))
    preview(`Begin ${p.shot} elsewhere`, { kind: 'trimShot', id: p.id, head: by, tail: 0 });
  else {
    by = Math.max(by, before.first - before.last);
    preview(`Move the cut to ${p.shot}`, { kind: 'rollCut', id: p.id, by });
  }
}

/** The shots over the action that each shows, in time of the scene. */
export function CutLane({ scale }: { scale: Scale }) {
  const handle = useHandles();
  const approvals = useSequence((s) => s.approvals);
  const entities = useSequence((s) => s.entities);
  const live = useSequence((s) => s.shot);
  const [menu, setMenu] = useState<ShotMenuAt | null>(null);
  const shots = useProgramme();
  const rows = rowsOf(shots);
  const height = ROW * Math.max(1, ...rows.map((r) => r + 1));
  return (
    <div className="lane">
      <div className="lane-head">
        <strong>Cut</strong>
        <span className="grow" />
        <Letters most={HEAD_HOLDS} />
      </div>
      <svg height={height} aria-label="Cut lane" data-testid="cut-lane">
        {shots.map((p, i) => {
          const c = p.camera ? (entities[p.camera] as Camera | undefined) : undefined;
          const [first, last] = [Math.round(p.sceneFirst), Math.round(p.sceneLast)];
          const x = toX(scale, p.sceneFirst);
          const w = Math.max(2, toX(scale, p.sceneLast + 1) - x);
          const y = rows[i] * ROW;
          const approved = approvals[p.id] ? '✓ ' : '';
          const shown = `${approved}${c ? `${p.shot} · ${c.name}` : `${p.shot}: gap`}`;
          return (
            <g key={p.id} transform={`translate(0 ${y})`}>
              <g
                tabIndex={0}
                role="button"
                aria-label={`${c ? `${c.letter} ` : ''}${shown}, frames ${first} to ${last}`}
                onClick={(e) => setMenu({ shot: p.id, left: e.clientX, top: e.clientY })}
                onKeyDown={(e) => {
                  const r = e.currentTarget.getBoundingClientRect();
                  if (e.key === 'Enter') setMenu({ shot: p.id, left: r.left, top: r.top });
                }}
              >
                <rect
                  x={x + 1}
                  y={3}
                  width={Math.max(1, w - 2)}
                  height={ROW - 6}
                  rx={7}
                  fill={c?.colour ?? '#2a3a57'}
                  opacity={height > ROW && p.id !== live ? 0.62 : 0.92}
                />
                <svg x={x} y={0} width={w} height={ROW}>
                  <text x={10} y={ROW / 2 + 5} fontSize={14} fontWeight={800} fill={palette.onAccent}>
                    {c ? `${c.letter} ` : ''}
                  </text>
                  <text
                    x={c ? 28 : 10}
                    y={ROW / 2 + 4.5}
                    fontSize={12}
                    fontWeight={600}
                    fill={c ? palette.onAccent : palette.soft}
                  >
                    {shown}
                  </text>
                </svg>
              </g>
              {i > 0 ? (
                <rect
                  x={x - 5}
                  y={0}
                  width={10}
                  height={ROW}
                  fill="transparent"
                  style={{ cursor: 'col-resize' }}
                  data-boundary={p.id}
                  tabIndex={0}
                  role="slider"
                  aria-label={`Where ${p.shot} begins`}
                  aria-valuenow={first}
                  onKeyDown={(e) => heldArrows(e, (dx) => beginOn(shots, i, p.sceneFirst + dx))}
                  {...handle(() => ({
                    moved: (dx) =>
                      beginOn(shots, i, Math.round(toFrame(scale, toX(scale, p.sceneFirst) + dx))),
                  }))}
                >
                  <title>Drag to move this cut, or use the arrow keys</title>
                </rect>
              ) : null}
            </g>
          );
        })}
        {shots.length === 0 ? (
          <text x={12} y={ROW / 2 + 4} fontSize={12} fill={palette.soft}>
            No cut yet: press a camera’s letter on the left to cut to it on this frame
          </text>
        ) : null}
      </svg>
      <ShotMenu at={menu} onClose={() => setMenu(null)} />
    </div>
  );
}

/** How many letters fit beside the lane's name. */
const HEAD_HOLDS = 5;

/** The cameras by their letters: a press cuts to one where the playhead is. Those beyond `most` are in a menu. */
export function Letters({ most }: { most: number }) {
  const mayEdit = useSequence((s) => s.mayEdit);
  const entities = useSequence((s) => s.entities);
  const cameras = camerasOf(entities);
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const shown = cameras.length > most ? cameras.slice(0, most - 1) : cameras;
  return (
    <span className="cut-chips">
      {shown.map((c) => (
        <Tip key={c.id} text={`Cut to camera ${c.letter} on this frame: ${c.name}`}>
          <Bare
            className="badge"
            style={{ background: c.colour }}
            disabled={!mayEdit}
            aria-label={`Cut to camera ${c.letter} here`}
            onClick={() => cutTo(c.id)}
          >
            {c.letter}
          </Bare>
        </Tip>
      ))}
      {shown.length < cameras.length ? (
        <Tip text="Cut to another camera on this frame">
          <Bare
            ref={button}
            className="badge more"
            disabled={!mayEdit}
            aria-haspopup="menu"
            aria-label={`+${cameras.length - shown.length}: cut to another camera here`}
            onClick={() => setOpen(true)}
          >
            {`+${cameras.length - shown.length}`}
          </Bare>
        </Tip>
      ) : null}
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        {cameras.map((c) => (
          <MenuItem
            key={c.id}
            dense
            onClick={() => {
              setOpen(false);
              cutTo(c.id);
            }}
          >
            <span className="badge" style={{ background: c.colour, marginRight: 10 }}>
              {c.letter}
            </span>
            {c.name}
          </MenuItem>
        ))}
      </Menu>
    </span>
  );
}
