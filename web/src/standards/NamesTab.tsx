import type { Standards, Style } from '../core/types';
import { Choice } from '../rig/Choice';

const STYLES: [string, string][] = [
  ['asTyped', 'as typed'],
  ['sentence', 'Runaway kite'],
  ['underscores', 'runaway_kite'],
  ['joined', 'RunawayKite'],
];

/** How shots, pieces and cameras are named. */
export function Names({ now, change }: { now: Standards; change: (by: Partial<Standards>) => void }) {
  const n = now.naming;
  return (
    <>
      <div className="line">
        <span className="line-label">Shots</span>
        <input
          type="text"
          className="mono"
          aria-label="Pattern of shot codes"
          value={n.shots}
          onChange={(e) => change({ naming: { ...n, shots: e.target.value } })}
        />
      </div>
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
    </>
  );
}
