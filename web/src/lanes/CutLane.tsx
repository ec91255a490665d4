import { camerasOf } from '../session/cameras';
import { Words } from '../kit/Words';
import MenuItem from '@mui/material/MenuItem';
import { approve, approvedOn, mayApprove, reopen } from '../session/approvals';
import { useRef, useState } from 'react';
import { Menu } from '../kit/Menu';
import type { Camera } from '../core/types';
import { core } from '../session/evaluated';
import { cutSpans, type CutSpan } from '../session/cut';
import { edit, preview } from '../session/document';
import { newId } from '../session/ids';
import { useSequence } from '../session/state';
import { Tip } from '../kit/Tip';
import { heldArrows, useHandles } from '../kit/dragging';
import { toFrame, toX, type Scale } from './scale';
import { palette } from '../theme/tokens';
import { Bare } from '../kit/Bare';
import './lanes.css';

const HEIGHT = 34;

/** Cuts to a camera on the present frame: a new entry, or another camera in the one that begins here. */
export function cutHere(camera: string): void {
  const s = useSequence.getState();
  const frame = Math.round(s.frame);
  const spans = cutSpans();
  const here = spans.find((c) => c.first === frame);
  const name = (s.entities[camera] as Camera).letter;
  if (here) edit(`Cut to camera ${name}`, { kind: 'swap', id: here.id, camera });
  else
    edit(`Cut to camera ${name}`, {
      kind: 'add',
      entity: {
        kind: 'cutEntry',
        id: newId('cut'),
        name: core().shotCode(frame),
        camera,
        firstFrame: frame,
      },
    });
}

/** Shows a cut at another frame: neither the shot before it nor its own vanishes. */
function moveCut(spans: CutSpan[], i: number, frame: number): void {
  const s = spans[i];
  const least = spans[i - 1].first + 1;
  preview(`Move the cut to ${s.shot}`, {
    kind: 'roll',
    id: s.id,
    frame: Math.max(least, Math.min(s.last, frame)),
  });
}

/** Which camera is live, frame by frame. */
export function CutLane({ scale }: { scale: Scale }) {
  const handle = useHandles();
  const approvals = useSequence((s) => s.approvals);
  const approves = useSequence((s) => mayApprove(s.role));
  const entities = useSequence((s) => s.entities);
  const desk = useSequence((s) => s.desk);
  const [menu, setMenu] = useState<{ span: CutSpan; left: number; top: number } | null>(null);
  const spans = cutSpans();
  const cameras = camerasOf(entities);
  const height = desk === 'cut' ? HEIGHT * 1.8 : HEIGHT;
  const choose = (work: () => void) => () => {
    setMenu(null);
    work();
  };
  return (
    <>
      {desk === 'cut' ? (
        <div className="lane">
          <div className="lane-head muted">Cut here to</div>
          <Letters cameras={cameras} most={Infinity} />
        </div>
      ) : null}
      <div className="lane">
        <div className="lane-head">
          <strong>Cut</strong>
          <span className="grow" />
          {desk === 'cut' ? null : <Letters cameras={cameras} most={HEAD_HOLDS} />}
        </div>
        <svg height={height} aria-label="Cut lane" data-testid="cut-lane">
          {spans.map((s, i) => {
            const c = s.camera ? (entities[s.camera] as Camera | undefined) : undefined;
            const x = toX(scale, s.first);
            const w = Math.max(2, toX(scale, s.last + 1) - x);
            const approved = approvals[s.id] ? '✓ ' : '';
            const shown = `${approved}${c ? `${s.shot} · ${c.name}` : `${s.shot}: gap`}`;
            return (
              <g key={s.id}>
                <g
                  tabIndex={0}
                  role="button"
                  aria-label={`${c ? `${c.letter} ` : ''}${shown}, frames ${s.first} to ${s.last}`}
                  onClick={(e) => setMenu({ span: s, left: e.clientX, top: e.clientY })}
                  onKeyDown={(e) => {
                    const r = e.currentTarget.getBoundingClientRect();
                    if (e.key === 'Enter') setMenu({ span: s, left: r.left, top: r.top });
                  }}
                >
                  <rect
                    x={x + 1}
                    y={3}
                    width={Math.max(1, w - 2)}
                    height={height - 6}
                    rx={7}
                    fill={c?.colour ?? '#2a3a57'}
                    opacity={0.92}
                  />
                  <svg x={x} y={0} width={w} height={height}>
                    <text x={10} y={height / 2 + 5} fontSize={14} fontWeight={800} fill={palette.onAccent}>
                      {c ? `${c.letter} ` : ''}
                    </text>
                    <text
                      x={c ? 28 : 10}
                      y={height / 2 + 4.5}
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
                    height={height}
                    fill="transparent"
                    style={{ cursor: 'col-resize' }}
                    data-boundary={s.id}
                    tabIndex={0}
                    role="slider"
                    aria-label={`Where ${s.shot} begins`}
                    aria-valuenow={s.first}
                    onKeyDown={(e) => {
                      const began = s.first;
                      heldArrows(e, (dx) => moveCut(spans, i, began + dx));
                    }}
                    {...handle(() => ({
                      moved: (dx) => moveCut(spans, i, Math.round(toFrame(scale, toX(scale, s.first) + dx))),
                    }))}
                  >
                    <title>Drag to move this cut, or use the arrow keys</title>
                  </rect>
                ) : null}
              </g>
            );
          })}
          {spans.length === 0 ? (
            <text x={12} y={height / 2 + 4} fontSize={12} fill={palette.soft}>
              No cut yet: press a camera’s letter on the left to cut to it on this frame
            </text>
          ) : null}
        </svg>
        <Menu
          open={menu !== null}
          onClose={() => setMenu(null)}
          anchorReference="anchorPosition"
          anchorPosition={menu ?? undefined}
        >
          {menu
            ? [
                <div
                  key="code"
                  className="menu-part"
                  onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}
                >
                  <label className="line">
                    <span className="line-label">Code</span>
                    <Words
                      aria-label="Code of this shot"
                      defaultValue={menu.span.shot}
                      onKeyDown={(e) => {
                        if (e.key === 'Escape') setMenu(null);
                        if (e.key === 'Enter') e.currentTarget.blur();
                      }}
                      onBlur={(e) => {
                        const name = e.target.value.trim();
                        if (name && name !== menu.span.shot)
                          edit(`Call it ${name}`, { kind: 'rename', id: menu.span.id, name });
                        setMenu(null);
                      }}
                    />
                  </label>
                </div>,
                ...cameras.map((c) => (
                  <MenuItem
                    key={c.id}
                    selected={c.id === menu.span.camera}
                    onClick={choose(() =>
                      edit(`${menu.span.shot}: camera ${c.letter}`, {
                        kind: 'swap',
                        id: menu.span.id,
                        camera: c.id,
                      }),
                    )}
                  >
                    <span className="badge" style={{ background: c.colour, marginRight: 10 }}>
                      {c.letter}
                    </span>
                    {c.name}
                  </MenuItem>
                )),
                approvals[menu.span.id] ? (
                  <MenuItem key="approved" disabled={!approves} onClick={choose(() => reopen(menu.span.id))}>
                    {approvedOn(approvals[menu.span.id])}
                    {approves ? ': reopen it' : ''}
                  </MenuItem>
                ) : approves ? (
                  <MenuItem key="approve" onClick={choose(() => approve(menu.span.id))}>
                    Approve this shot
                  </MenuItem>
                ) : null,
                <MenuItem
                  key="gap"
                  onClick={choose(() =>
                    edit(`${menu.span.shot}: gap`, { kind: 'swap', id: menu.span.id, camera: null }),
                  )}
                >
                  Make it a gap
                </MenuItem>,
                <MenuItem
                  key="remove"
                  onClick={choose(() =>
                    edit(`Remove ${menu.span.shot}`, { kind: 'remove', ids: [menu.span.id], letGo: true }),
                  )}
                >
                  Remove this cut
                </MenuItem>,
              ]
            : null}
        </Menu>
      </div>
    </>
  );
}

/** How many letters fit beside the lane's name. */
const HEAD_HOLDS = 5;

/** The cameras by their letters: a press cuts to one on this frame. Those beyond `most` are in a menu. */
function Letters({ cameras, most }: { cameras: Camera[]; most: number }) {
  const mayEdit = useSequence((s) => s.mayEdit);
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
            onClick={() => cutHere(c.id)}
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
              cutHere(c.id);
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
