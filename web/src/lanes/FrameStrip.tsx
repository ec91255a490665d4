import { useEffect, useState } from 'react';
import type { Camera, FrameReportRow } from '../core/types';
import { core } from '../session/evaluated';
import { useSequence } from '../session/state';
import { goTo } from '../session/time';
import { toFrame, toX, type Scale } from './scale';
import { palette } from '../theme/tokens';
import { Bare } from '../kit/Bare';
import './lanes.css';

/** Bits of what is seen, as the core's frame report has them. */
const [IN_FRAME, WHOLE, IN_SAFE, CLIPPED, SHARP] = [1, 2, 4, 8, 16];
const ROW = 15;
/** In the order they are drawn. */
const PARTS = ['seen', 'sharp', 'clipped'];
const MOST_COLUMNS = 120;
const SETTLE_MS = 350;

/** What was seen of each subject, a column every so many frames from the first on. */
interface Report {
  rows: FrameReportRow[];
  first: number;
  step: number;
}

const tone = (bits: number): string =>
  bits & IN_SAFE ? palette.teal : bits & WHOLE ? '#2b8d83' : bits & IN_FRAME ? '#6b7f57' : palette.ink;

const words = (bits: number, height: number): string =>
  bits & IN_FRAME
    ? [
        bits & IN_SAFE ? 'in the safe area' : bits & WHOLE ? 'whole in frame' : 'partly in frame',
        bits & SHARP ? 'sharp' : 'out of focus',
        bits & CLIPPED ? 'clipped' : '',
        `${Math.round(height * 100)} % high`,
      ]
        .filter(Boolean)
        .join(', ')
    : 'out of frame';

/** The rows as a few shapes, one for each colour of each: a column of its own for each frame would be hundreds. */
function shapes(
  rows: FrameReportRow[],
  { first, step }: Report,
  scale: Scale,
): { part: string; fill: string; d: string }[] {
  const all = new Map<string, { part: string; fill: string; d: string }>();
  const add = (part: string, fill: string, from: number, to: number, y: number, h: number) => {
    const x = toX(scale, first + from * step);
    const shape = all.get(part + fill) ?? { part, fill, d: '' };
    shape.d += `M${x} ${y}H${toX(scale, first + to * step) + 0.3}v${h}H${x}z`;
    all.set(part + fill, shape);
  };
  rows.forEach((r, k) => {
    for (const [part, y, h, fill] of [
      ['seen', 3, ROW - 4, tone],
      ['sharp', ROW - 4, 2.5, (bits: number) => (bits & SHARP ? palette.lilac : '')],
      ['clipped', 3, 2.5, (bits: number) => (bits & CLIPPED ? palette.coral : '')],
    ] as const)
      for (let from = 0, i = 1; i <= r.seen.length; i++) {
        if (i < r.seen.length && fill(r.seen[i]) === fill(r.seen[from])) continue;
        if (fill(r.seen[from])) add(part, fill(r.seen[from]), from, i, k * ROW + y, h);
        from = i;
      }
  });
  // what is seen first: sharp and clipped lie over it
  return [...all.values()].sort((a, b) => PARTS.indexOf(a.part) - PARTS.indexOf(b.part));
}

/** What is said of the place under the pointer. */
function at(rows: FrameReportRow[], { first, step }: Report, frame: number, y: number): string {
  const r = rows[Math.floor((y - 3) / ROW)];
  const i = Math.floor((frame - first) / step);
  if (!r || r.seen[i] === undefined) return '';
  return `${r.name}, frame ${Math.round(first + i * step)}: ${words(r.seen[i], r.height[i])}`;
}

/** What the strip shows while it is folded: the subject the camera attends to, or is mostly on. */
function chief(rows: FrameReportRow[], camera: Camera): FrameReportRow[] {
  const attended = camera.rig.findLast((p) => p.kind === 'attention')?.subjects[0]?.entity;
  const first = rows.find((r) => r.id === attended);
  if (first) return [first];
  const often = (r: FrameReportRow) => r.seen.filter((b) => b & IN_FRAME).length;
  return rows.length ? [rows.reduce((a, b) => (often(b) > often(a) ? b : a))] : [];
}

/** For each subject over the time shown: in frame, safe, sharp, clipped and how large. */
export function FrameStrip({ camera, scale }: { camera: Camera; scale: Scale }) {
  const version = useSequence((s) => s.version);
  const playing = useSequence((s) => s.playing);
  const [open, setOpen] = useState(false);
  const [report, setReport] = useState<Report | null>(null);
  const [pointed, setPointed] = useState('');
  const count = Math.min(MOST_COLUMNS, scale.last - scale.first + 1);
  const step = (scale.last + 1 - scale.first) / count;
  useEffect(() => {
    if (playing) return;
    // a look at many frames: made when the hand rests
    const t = setTimeout(() => {
      const rows = core().frameReport(camera.id, scale.first, step, count);
      setReport({ rows, first: scale.first, step });
    }, SETTLE_MS);
    return () => clearTimeout(t);
  }, [camera.id, version, playing, scale.first, step, count]);
  const all = report?.rows ?? [];
  const rows = open ? all : chief(all, camera);
  const height = Math.max(20, rows.length * ROW + 4);
  return (
    <div className="lane frame-strip" data-testid="frame-strip">
      <div className="lane-head strip-head" style={{ alignItems: 'start' }}>
        <Bare
          className="name"
          aria-expanded={open}
          title="Which subject is in frame, safe, sharp and how large, over time"
          onClick={() => setOpen(!open)}
        >
          {open ? '▾' : '▸'} In frame
          {!open && all.length > 1 ? <span className="muted"> 1 of {all.length}</span> : null}
        </Bare>
        <div className="strip-names">
          {rows.map((r) => (
            <span key={r.id} style={{ height: ROW }}>
              {r.name}
            </span>
          ))}
        </div>
      </div>
      <svg
        height={height}
        aria-label="What is in frame over time"
        onPointerMove={(e) => {
          const r = e.currentTarget.getBoundingClientRect();
          setPointed(report ? at(rows, report, toFrame(scale, e.clientX - r.left), e.clientY - r.top) : '');
        }}
        onClick={(e) =>
          goTo(Math.round(toFrame(scale, e.clientX - e.currentTarget.getBoundingClientRect().left)))
        }
      >
        <title>{pointed}</title>
        {report
          ? shapes(rows, report, scale).map((d) => <path key={d.fill + d.part} d={d.d} fill={d.fill} />)
          : null}
        {report && rows.length === 0 ? (
          <text x={8} y={14} fontSize={11.5} fill="#9fb0c8">
            No subject comes into this camera’s frame here
          </text>
        ) : null}
      </svg>
    </div>
  );
}
