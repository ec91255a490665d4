import type { Camera, Operator, Spring } from '../core/types';
import { core, useCoreStill } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { edit } from '../session/document';
import { Choice } from '../kit/Choice';
import { palette } from '../theme/tokens';
import { Pill } from '../kit/Pill';
import './rig.css';

const SECONDS = 4;
const ROWS = 160;
const [W, H] = [260, 64];

/** One line of a small plot, its values scaled to fill the height. */
const line = (rows: Float64Array, wide: number, lane: number, most: number, middle: number): string => {
  const points: string[] = [];
  for (let r = 0; r < rows.length / wide; r++)
    points.push(
      `${((r / (rows.length / wide - 1)) * W).toFixed(1)} ${(middle - (rows[r * wide + lane] / most) * (H / 2 - 6)).toFixed(1)}`,
    );
  return `M${points.join('L')}`;
};

const greatest = (rows: Float64Array, wide: number, lanes: number[]): number => {
  let most = 1e-9;
  for (let i = 0; i < rows.length; i++)
    if (lanes.includes(i % wide)) most = Math.max(most, Math.abs(rows[i]));
  return most;
};

/** Who holds the camera, and a picture of four seconds of it. */
export function OperatorControls({ camera, part }: { camera: Camera; part: Operator }) {
  'use no memo';
  const set = (label: string, next: Operator): boolean =>
    edit(label, { kind: 'setPart', camera: camera.id, part: next });
  const rows = new Float64Array(ROWS * 6);
  useCoreStill((c) => c.partPlot(camera.id, part.id, SECONDS, rows));
  const metres = greatest(rows, 6, [0, 1, 2]);
  const degrees = greatest(rows, 6, [3, 4, 5]);
  return (
    <>
      <Choice
        label="Holds it"
        value={part.preset}
        options={[
          ['onShoulder', 'on the shoulder'],
          ['standing', 'standing'],
          ['walking', 'walking'],
          ['running', 'running'],
          ['stabilised', 'stabilised'],
        ]}
        onChange={(v) => set('How the camera is held', { ...part, preset: v as Operator['preset'] })}
      />
      <div className="numbers">
        <TextNumber
          label="Steps a second"
          unit="factor"
          value={part.stepsPerSecond}
          onChange={(v) => set('Steps', { ...part, stepsPerSecond: v })}
        />
        <Pill onClick={() => set('Another take', { ...part, seed: part.seed + 1 })}>
          Another take ({part.seed})
        </Pill>
      </div>
      <svg
        className="plot"
        viewBox={`0 0 ${W} ${H * 2 + 4}`}
        role="img"
        aria-label={`${SECONDS} seconds of the operator`}
      >
        <rect width={W} height={H} rx={6} fill={palette.deep} />
        <rect y={H + 4} width={W} height={H} rx={6} fill={palette.deep} />
        {[palette.marigold, '#f6d491', '#b98a3a'].map((c, i) => (
          <path key={c} d={line(rows, 6, i, metres, H / 2)} stroke={c} fill="none" strokeWidth={1.4} />
        ))}
        {[palette.coral, '#f7b09d', '#b8553c'].map((c, i) => (
          <path
            key={c}
            d={line(rows, 6, 3 + i, degrees, H * 1.5 + 4)}
            stroke={c}
            fill="none"
            strokeWidth={1.4}
          />
        ))}
        <text x={6} y={12}>{`± ${core().showNumber(metres, 'metres')} right, up, back`}</text>
        <text x={6} y={H + 16}>{`± ${core().showNumber(degrees, 'degrees')} pan, tilt, roll`}</text>
        <text x={W - 6} y={H * 2} textAnchor="end">{`${SECONDS} s`}</text>
      </svg>
    </>
  );
}

/** How the spring answers a step, in place and in rotation. */
export function SpringPlot({ camera, part }: { camera: Camera; part: Spring }) {
  'use no memo';
  const rows = new Float64Array(ROWS * 2);
  useCoreStill((c) => c.partPlot(camera.id, part.id, 2, rows));
  const most = Math.max(1.2, greatest(rows, 2, [0, 1]));
  const y = (v: number) => H - 6 - (v / most) * (H - 12);
  const answer = (lane: number) =>
    `M${Array.from({ length: ROWS }, (_, r) => `${((r / (ROWS - 1)) * W).toFixed(1)} ${y(rows[r * 2 + lane]).toFixed(1)}`).join('L')}`;
  return (
    <svg className="plot" viewBox={`0 0 ${W} ${H}`} role="img" aria-label="How the spring settles">
      <rect width={W} height={H} rx={6} fill={palette.deep} />
      <path d={`M0 ${y(0)}V${y(1)}H${W}`} stroke="#6d809e" strokeDasharray="3 3" fill="none" />
      <path d={answer(0)} stroke={palette.marigold} fill="none" strokeWidth={1.6} />
      <path d={answer(1)} stroke={palette.coral} fill="none" strokeWidth={1.6} />
      <text x={W - 6} y={H - 6} textAnchor="end">
        position, rotation · 2 s
      </text>
    </svg>
  );
}
