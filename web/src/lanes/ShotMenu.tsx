import MenuItem from '@mui/material/MenuItem';
import { Menu } from '../kit/Menu';
import { Words } from '../kit/Words';
import { approve, approvedOn, mayApprove, reopen } from '../session/approvals';
import { camerasOf } from '../session/cameras';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { useProgramme } from '../session/programme';
import { useSequence } from '../session/state';
import './lanes.css';

/** Where the menu of a shot is open. */
export interface ShotMenuAt {
  shot: string;
  left: number;
  top: number;
}

/** What can be done with a shot at once: its code, its camera, whether it is there. */
export function ShotMenu({ at, onClose }: { at: ShotMenuAt | null; onClose: () => void }) {
  const approvals = useSequence((s) => s.approvals);
  const approves = useSequence((s) => mayApprove(s.role));
  const entities = useSequence((s) => s.entities);
  const shots = useProgramme();
  const p = at && shots.find((x) => x.id === at.shot);
  const choose = (work: () => void) => () => {
    onClose();
    work();
  };
  const rename = (typed: string) => {
    const name = typed.trim();
    if (p && name && name !== p.shot) edit(`Call it ${name}`, { kind: 'rename', id: p.id, name });
    onClose();
  };
  return (
    <Menu
      open={p !== null && p !== undefined}
      onClose={onClose}
      anchorReference="anchorPosition"
      anchorPosition={at ?? undefined}
    >
      {p
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
                  defaultValue={p.shot}
                  onKeyDown={(e) => {
                    if (e.key === 'Escape') onClose();
                    if (e.key === 'Enter') e.currentTarget.blur();
                  }}
                  onBlur={(e) => rename(e.target.value)}
                />
              </label>
            </div>,
            ...camerasOf(entities).map((c) => (
              <MenuItem
                key={c.id}
                selected={c.id === p.camera}
                onClick={choose(() =>
                  edit(`${p.shot}: camera ${c.letter}`, { kind: 'swapCamera', id: p.id, camera: c.id }),
                )}
              >
                <span className="badge" style={{ background: c.colour, marginRight: 10 }}>
                  {c.letter}
                </span>
                {c.name}
              </MenuItem>
            )),
            approvals[p.id] ? (
              <MenuItem key="approved" disabled={!approves} onClick={choose(() => reopen(p.id))}>
                {approvedOn(approvals[p.id])}
                {approves ? ': reopen it' : ''}
              </MenuItem>
            ) : approves ? (
              <MenuItem key="approve" onClick={choose(() => approve(p.id))}>
                Approve this shot
              </MenuItem>
            ) : null,
            <MenuItem
              key="gap"
              onClick={choose(() =>
                edit(`Lift ${p.shot}`, { kind: 'liftShot', id: p.id, gapId: newId('gap') }),
              )}
            >
              Lift it: a gap in its place
            </MenuItem>,
            <MenuItem
              key="remove"
              onClick={choose(() => edit(`Remove ${p.shot}`, { kind: 'remove', ids: [p.id], letGo: true }))}
            >
              Remove it: what follows closes up
            </MenuItem>,
          ]
        : null}
    </Menu>
  );
}
