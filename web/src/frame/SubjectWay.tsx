import { theCore } from '../core/load';
import type { Camera } from '../core/types';
import { useSequence } from '../sequence/store';
import { aboutSubject } from './about';

/** A tick for every so many frames of the subject's way. */
const TICK = 12;

/** Where the subject is in this camera's frame over the whole sequence, as a line with ticks. */
export function SubjectWay({
  camera,
  frame,
}: {
  camera: Camera;
  frame: { left: number; top: number; width: number; height: number };
}) {
  const on = useSequence((s) => s.ghosts && !s.playing);
  const header = useSequence((s) => s.header);
  useSequence((s) => s.version);
  const attended = camera.rig.findLast((p) => p.kind === 'attention')?.subjects[0]?.entity;
  const subject = attended ?? aboutSubject();
  if (!on || !subject) return null;
  const n = Math.min(1000, header.lastFrame - header.firstFrame + 1);
  const step = (header.lastFrame - header.firstFrame) / Math.max(1, n - 1);
  const places = new Float64Array(n * 2);
  theCore().subjectRoute(camera.id, subject, header.firstFrame, step, places);
  const runs: string[][] = [[]];
  const ticks: [number, number][] = [];
  for (let i = 0; i < n; i++) {
    const [x, y] = [places[i * 2], places[i * 2 + 1]];
    if (!(Math.abs(x - 0.5) < 3 && Math.abs(y - 0.5) < 3)) {
      if (runs.at(-1)!.length) runs.push([]);
      continue;
    }
    runs.at(-1)!.push(`${(x * frame.width).toFixed(1)},${(y * frame.height).toFixed(1)}`);
    if (i % TICK === 0) ticks.push([x * frame.width, y * frame.height]);
  }
  return (
    <svg
      className="guides"
      style={{ ...frame, overflow: 'hidden' }}
      viewBox={`0 0 ${frame.width} ${frame.height}`}
      aria-hidden
      data-testid="subject-way"
    >
      {runs.map((r, i) =>
        r.length > 1 ? (
          <polyline
            key={i}
            points={r.join(' ')}
            fill="none"
            stroke="#37b6a8"
            strokeWidth={1.5}
            opacity={0.8}
          />
        ) : null,
      )}
      {ticks.map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r={2.2} fill="#37b6a8" />
      ))}
    </svg>
  );
}
