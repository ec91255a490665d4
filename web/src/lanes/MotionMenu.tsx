import { Choose } from '../kit/Choose';
import { Tick } from '../kit/Tick';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Menu } from '../kit/Menu';
import type { MotionEdit } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { PARTS } from '../doing/parts';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { Tip } from '../kit/Tip';
import { chosen, curveOf, editKeys, wholeMotion } from './chosen';
import { Pill } from '../kit/Pill';
import './lanes.css';

const WHOLE: { name: string; does: string; edit: () => MotionEdit }[] = [
  { name: 'Slow in and out', does: 'Eased at both ends', edit: () => whole(true, true) },
  { name: 'Slow in, fast out', does: 'Leaves slowly, arrives at speed', edit: () => whole(true, false) },
  { name: 'Fast in, slow out', does: 'Leaves at speed, arrives slowly', edit: () => whole(false, true) },
  {
    name: 'Even through',
    does: 'Through every key without a stop or a leap in speed',
    edit: () => ({ kind: 'linearThrough' }),
  },
  {
    name: 'Snappier',
    does: 'Keys gather towards the chosen ones, or the ends',
    edit: () => ({ kind: 'gather', around: [...new Set(chosen().flatMap((p) => p.frames))] }),
  },
  { name: 'Reverse', does: 'The same way backwards', edit: () => ({ kind: 'reverse' }) },
  { name: 'Repeat', does: 'Goes round again after its last key', edit: () => goOn('repeat') },
  { name: 'Repeat onwards', does: 'Goes on from where it ended', edit: () => goOn('repeatOffset') },
  { name: 'Go straight on', does: 'Keeps its last speed', edit: () => goOn('straight') },
  { name: 'Hold at its ends', does: 'No repeats', edit: () => goOn('hold') },
];

const whole = (slowIn: boolean, slowOut: boolean): MotionEdit => ({ kind: 'easeWhole', slowIn, slowOut });
const goOn = (after: 'hold' | 'straight' | 'repeat' | 'repeatOffset'): MotionEdit => ({
  kind: 'goOn',
  before: 'hold',
  after,
});

/** What the menu was last set to. */
interface How {
  /** Id of the rig part whose motion it is; '' for all of the thing. */
  part: string;
  /** Frames that are held longer. */
  hold: number;
  /** Whether later cuts go along. */
  cuts: boolean;
}

/** Edits of a whole motion: all curves of the selected thing, or of one of its rig parts. */
export function MotionMenu() {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [how, setHow] = useState<How>({ part: '', hold: 12, cuts: false });
  const mayEdit = useSequence((s) => s.mayEdit);
  const some = useSequence((s) => s.selected[0] in s.entities);
  return (
    <>
      <Tip text="Edit the whole motion of what is selected">
        <Pill aria-haspopup="menu" disabled={!some || !mayEdit} onClick={(e) => setAt(e.currentTarget)}>
          Motion
        </Pill>
      </Tip>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        <MotionEdits how={how} onHow={(by) => setHow((h) => ({ ...h, ...by }))} onDone={() => setAt(null)} />
      </Menu>
    </>
  );
}

/** What the menu holds, while it is open. */
function MotionEdits({
  how,
  onHow,
  onDone,
}: {
  how: How;
  onHow: (by: Partial<How>) => void;
  onDone: () => void;
}) {
  'use no memo'; // asks about the motion as it is when drawn
  const { part, hold, cuts } = how;
  const id = useSequence((s) => s.selected[0]);
  const entity = useSequence((s) => s.entities[s.selected[0]]);
  const parts = entity?.kind === 'camera' ? entity.rig.filter((p) => wholeMotion(id, p.id).length > 0) : [];
  const of = parts.some((p) => p.id === part) ? part : '';
  const run = (name: string, e: MotionEdit) => {
    const motion = wholeMotion(id, of || undefined);
    if (motion.length) editKeys(`${name}: ${entity?.name ?? ''}`, motion, e);
    else say('Nothing of it moves yet: there are no keys to work on.');
  };
  const holdHere = (frames: number) => {
    onHow({ hold: Math.abs(frames) });
    const f = Math.round(useSequence.getState().frame);
    editProposed(`Hold ${frames} frames longer on frame ${f}`, () =>
      core().holdLonger(id, f, Math.round(frames), cuts),
    );
  };
  return (
    <>
      <div className="menu-part" onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
        <label className="line">
          <span className="line-label">Of</span>
          <Choose aria-label="Motion of" value={of} onChange={(e) => onHow({ part: e.target.value })}>
            <option value="">all of {entity?.name}</option>
            {parts.map((p) => (
              <option key={p.id} value={p.id}>
                its {PARTS[p.kind].name.toLowerCase()}
              </option>
            ))}
          </Choose>
        </label>
      </div>
      {WHOLE.map((w) => (
        <MenuItem
          key={w.name}
          onClick={() => {
            onDone();
            run(w.name, w.edit());
          }}
        >
          <div>
            <strong>{w.name}</strong>
            <div className="muted" style={{ fontSize: 12 }}>
              {w.does}
            </div>
          </div>
        </MenuItem>
      ))}
      <div className="menu-part" onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
        <div className="numbers">
          <TextNumber
            label="Takes, frames"
            unit="frames"
            value={lengthOf(id, of)}
            onChange={(v) => run(`Make it take ${v} frames`, { kind: 'fitTo', frames: v })}
          />
          <TextNumber
            label="Shift, frames"
            unit="frames"
            value={0}
            onChange={(v) => run(`Shift ${v} frames`, { kind: 'shift', frames: v })}
          />
        </div>
        <div className="line">
          <TextNumber
            label="Hold longer here, frames"
            unit="frames"
            value={hold}
            onChange={(v) => onHow({ hold: v })}
          />
          <Pill onClick={() => holdHere(hold)}>Longer</Pill>
          <Pill onClick={() => holdHere(-hold)}>Shorter</Pill>
        </div>
        <Tick checked={cuts} onChange={(e) => onHow({ cuts: e.target.checked })}>
          Later cuts go along
        </Tick>
      </div>
    </>
  );
}

/** Frames from the first key to the last. */
function lengthOf(id: string, part: string): number {
  const frames = wholeMotion(id, part || undefined).flatMap(
    (p) => curveOf(p.id, p.channel)?.keys.map((k) => k.frame) ?? [],
  );
  return frames.length ? Math.max(...frames) - Math.min(...frames) : 0;
}
