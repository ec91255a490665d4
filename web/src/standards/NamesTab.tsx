import { Words } from '../kit/Words';
import { useId } from 'react';
import type { Standards, Style } from '../core/types';
import { Fault, faulty } from '../fields/Fault';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../kit/Choice';
import { useSequence } from '../session/state';
import { type Faults, UNITS } from '../fields/choices';
import { FilesNamed } from './FilesNamed';
import './standards.css';

const STYLES: [string, string][] = [
  ['asTyped', 'as typed'],
  ['sentence', 'Runaway kite'],
  ['underscores', 'runaway_kite'],
  ['joined', 'RunawayKite'],
];

/** How shots, pieces and cameras are named. */
export function Names({
  now,
  change,
  faults,
}: {
  now: Standards;
  change: (by: Partial<Standards>) => void;
  faults: Faults;
}) {
  const mayEdit = useSequence((s) => s.role === 'lead');
  const faultId = useId();
  const n = now.naming;
  const b = now.beginning;
  return (
    <>
      <div className="line">
        <span className="line-label">Shots</span>
        <Words
          className="mono"
          aria-label="Pattern of shot codes"
          value={n.shots}
          disabled={!mayEdit}
          {...faulty(faultId, faults.naming ?? '')}
          onChange={(e) => change({ naming: { ...n, shots: e.target.value } })}
        />
      </div>
      <Fault id={faultId} text={faults.naming ?? ''} />
      <p className="says">
        {
          '{sequence} is the sequence’s code; each # is a digit of a number that rises in tens. Empty: no rule.'
        }
      </p>
      <Choice
        label="Pieces"
        value={n.pieces}
        options={STYLES}
        onChange={(v) => change({ naming: { ...n, pieces: v as Style } })}
      />
      <Choice
        label="Cameras"
        value={n.cameras}
        options={STYLES}
        onChange={(v) => change({ naming: { ...n, cameras: v as Style } })}
      />
      <FilesNamed
        files={n.files}
        mayEdit={mayEdit}
        onChange={(files) => change({ naming: { ...n, files } })}
      />
      <p className="says">New sequences begin with these; those that are there keep theirs.</p>
      <Choice
        label="Lengths in"
        value={b.displayUnit}
        options={UNITS}
        onChange={(displayUnit) => change({ beginning: { ...b, displayUnit } })}
      />
      <TextNumber
        label="Grid cell"
        unit="metres"
        value={b.gridM}
        fault={faults['beginning/gridM']}
        onChange={(gridM) => change({ beginning: { ...b, gridM } })}
      />
      <TextNumber
        label="First frame"
        unit="factor"
        value={b.firstFrame}
        fault={faults['beginning/firstFrame']}
        onChange={(firstFrame) => change({ beginning: { ...b, firstFrame: Math.round(firstFrame) } })}
      />
      <p className="says">
        Handles are the frames that a shot is given more at each end where it is handed on.
      </p>
      <TextNumber
        label="Handles"
        unit="factor"
        value={b.handleFrames}
        fault={faults['beginning/handleFrames']}
        onChange={(handles) => change({ beginning: { ...b, handleFrames: Math.round(handles) } })}
      />
    </>
  );
}
