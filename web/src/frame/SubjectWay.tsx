import { useRef } from 'react';
import type { Camera } from '../core/types';
import { core } from '../session/evaluated';
import { useHandles } from '../kit/dragging';
import { KeyKite } from '../kit/KeyKite';
import { mayKey } from '../session/laneState';
import { editProposed, previewProposed } from '../session/proposals';
import { useSequence } from '../session/state';
import { goTo } from '../session/time';
import { Paced } from '../views/paced';
import { aboutSubject } from '../doing/about';
import { palette } from '../theme/tokens';
import './frame.css';

/** A tick for every so many frames of the subject's way. */
const TICK = 12;
const STEP = 0.01;
const MOVED_PX = 3;

/** More keys than these are a track: nobody carries a subject on every frame. */
const MOST_KEYS = 60;

interface Frame {
  left: number;
  top: number;
  width: number;
  height: number;
}

/**
 * Where the subject is in this camera's frame over the whole sequence, as a line with ticks. Its keys,
 * and where it is now, are dragged in the frame: the subject is carried, not the camera.
 */
export function SubjectWay({ camera, frame }: { camera: Camera; frame: Frame }) {
  'use no memo';
  const on = useSequence((s) => s.ghosts && !s.playing);
  const header = useSequence((s) => s.header);
  const mayEdit = useSequence((s) => s.mayEdit);
  const now = useSequence((s) => s.frame);
  const version = useSequence((s) => s.version);
  useSequence((s) => s.selected);
  useSequence((s) => s.about);
  const subject = aboutSubject();
  const name = useSequence((s) => s.entities[subject]?.name);
  const places = useRef(new Float64Array());
  const made = useRef('');
  const paced = useRef(new Paced());
  if (!on || !subject || !name) return null;
  const n = Math.min(1000, header.lastFrame - header.firstFrame + 1);
  const step = (header.lastFrame - header.firstFrame) / Math.max(1, n - 1);
  const wanted = [version, camera.id, subject, n].join();
  if (made.current !== wanted)
    paced.current.make(() => {
      made.current = wanted;
      places.current = new Float64Array(n * 2);
      core().subjectRoute(camera.id, subject, header.firstFrame, step, places.current);
    });
  const runs: string[][] = [[]];
  const ticks: [number, number][] = [];
  for (let i = 0; i < n; i++) {
    const [x, y] = [places.current[i * 2], places.current[i * 2 + 1]];
    if (!(Math.abs(x - 0.5) < 3 && Math.abs(y - 0.5) < 3)) {
      if (runs.at(-1)!.length) runs.push([]);
      continue;
    }
    runs.at(-1)!.push(`${(x * frame.width).toFixed(1)},${(y * frame.height).toFixed(1)}`);
    if (i % TICK === 0) ticks.push([x * frame.width, y * frame.height]);
  }
  const all = core().subjectKeys(subject);
  const keys = all.length > MOST_KEYS ? all.filter((f) => f === now) : all;
  return (
    <svg
      className="guides"
      style={{ ...frame, overflow: 'hidden' }}
      viewBox={`0 0 ${frame.width} ${frame.height}`}
      data-testid="subject-way"
    >
      {runs.map((r, i) =>
        r.length > 1 ? (
          <polyline
            key={i}
            points={r.join(' ')}
            fill="none"
            stroke={palette.teal}
            strokeWidth={1.5}
            opacity={0.8}
          />
        ) : null,
      )}
      {ticks.map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r={2.2} fill={palette.teal} />
      ))}
      {mayEdit
        ? [...new Set([...keys, now])].map((f) => (
            <Grip
              key={f}
              camera={camera.id}
              subject={subject}
              name={name}
              at={f}
              keyed={keys.includes(f)}
              frame={frame}
            />
          ))
        : null}
    </svg>
  );
}

/** The subject on one frame, to be carried about in the picture. */
function Grip({
  camera,
  subject,
  name,
  at,
  keyed,
  frame,
}: {
  camera: string;
  subject: string;
  name: string;
  at: number;
  keyed: boolean;
  frame: Frame;
}) {
  'use no memo';
  const handle = useHandles();
  const place = new Float64Array(2);
  core().subjectRoute(camera, subject, at, 1, place);
  if (!(Math.abs(place[0] - 0.5) <= 0.5 && Math.abs(place[1] - 0.5) <= 0.5)) return null;
  const [x, y] = [place[0] * frame.width, place[1] * frame.height];
  const label = `Carry ${name} on frame ${at}`;
  const carried = (across: number, down: number) => () =>
    core().carrySubject(camera, subject, at, across, down, keyed || mayKey());
  return (
    <g
      className="carry"
      role="button"
      tabIndex={0}
      aria-label={label}
      {...handle(() => {
        let dragged = false;
        return {
          moved: (dx, dy) => {
            dragged ||= Math.hypot(dx, dy) > MOVED_PX;
            if (dragged) previewProposed(label, carried(dx / frame.width, dy / frame.height));
          },
          done: (kept) => {
            if (kept && !dragged) goTo(at);
          },
        };
      })}
      onKeyDown={(e) => {
        const across = e.key === 'ArrowLeft' ? -STEP : e.key === 'ArrowRight' ? STEP : 0;
        const down = e.key === 'ArrowUp' ? -STEP : e.key === 'ArrowDown' ? STEP : 0;
        if (e.key === 'Enter') goTo(at);
        else if (across || down) editProposed(label, carried(across, down));
        else return;
        e.preventDefault();
        e.stopPropagation();
      }}
    >
      <title>{`${label}: drag, or the arrow keys; a click goes there`}</title>
      <circle cx={x} cy={y} r={11} fill="transparent" />
      {keyed ? (
        <KeyKite x={x} y={y} shape="hold" on={false} />
      ) : (
        <circle cx={x} cy={y} r={5} fill="none" stroke={palette.teal} strokeWidth={2} />
      )}
    </g>
  );
}
