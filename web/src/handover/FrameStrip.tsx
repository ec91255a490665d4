import Slider from '@mui/material/Slider';
import { useState } from 'react';
import { Pill } from '../kit/Pill';
import { postJson } from '../session/http';
import { say } from '../session/said';
import { lasts } from './lasts';
import { underWay, useFrames, type FrameShown, type RenderShown } from '../doing/renderJobs';

/** The least that a frame's bar shows of its height, so that quick frames are seen too. */
const LEAST = 0.08;

/** Frames that took this many times as long as most did stand no higher: the others are to be told apart. */
const MANY = 4;

/** What the highest bar stands for, in seconds. */
function highest(seconds: number[]): number {
  const rising = [...seconds].sort((a, b) => a - b);
  const middle = rising[rising.length >> 1] ?? 1;
  return Math.max(Number.MIN_VALUE, Math.min(rising.at(-1) ?? 1, MANY * middle));
}

/** How a frame of a render is, in a few words. */
function says(job: RenderShown, number: number, frame?: FrameShown): string {
  if (frame?.trouble) return `could not be made: ${frame.trouble}`;
  const by = frame?.worker ? ` by ${frame.worker}` : '';
  if (frame) return `${lasts(frame.seconds ?? 0)}${by}`;
  const at = job.underWay.find((w) => w.number === number);
  if (at) return `${at.worker} is at it`;
  return underWay(job) && job.state !== 'PAUSED' ? 'waits' : 'not made';
}

/** Every frame of a render as a bar as high as what it took, and one of them to look at. */
export function FrameStrip({ job }: { job: RenderShown }) {
  const frames = useFrames(job);
  const [chosen, setChosen] = useState<number | null>(null);
  const number = chosen ?? (job.newest || 1);
  const frame = frames.find((f) => f.number === number);
  const most = highest(frames.flatMap((f) => f.seconds ?? []));
  const again = () =>
    postJson(`/api/renders/${job.id}/frames/${number}/again`).catch((e: Error) => say(e.message, true));
  const at = (n: number) => ({ x: n - 1 + (job.total > 200 ? 0 : 0.1), width: job.total > 200 ? 1 : 0.8 });
  const bar = (n: number, share: number, kind: string) => {
    const height = Math.max(LEAST, share);
    return <rect key={n} className={kind} y={1 - height} height={height} {...at(n)} />;
  };
  return (
    <div className="strip">
      {(frame && !frame.trouble) || (number === job.newest && !frame) ? (
        <img
          alt={`Frame ${number} of ${job.label}`}
          // one that was rendered again is another picture
          src={`api/renders/${job.id}/frames/${number}.png?took=${frame?.seconds ?? ''}`}
        />
      ) : (
        <div className="strip-none">{`Frame ${number} ${says(job, number, frame)}`}</div>
      )}
      <svg viewBox={`0 0 ${job.total} 1`} preserveAspectRatio="none" aria-hidden>
        {frames.map((f) =>
          bar(f.number, f.trouble ? 1 : Math.min(1, (f.seconds ?? 0) / most), f.trouble ? 'failed' : 'there'),
        )}
        {job.underWay.map((w) => bar(w.number, 1, 'at-it'))}
        <rect className="chosen" y={0} height={1} {...at(number)} />
      </svg>
      <Slider
        size="small"
        aria-label={`Frame of ${job.label}`}
        value={number}
        min={1}
        max={job.total}
        getAriaValueText={(n) =>
          `Frame ${n} of ${job.total}, ${says(
            job,
            n,
            frames.find((f) => f.number === n),
          )}`
        }
        onChange={(_, n) => setChosen(n as number)}
      />
      <div className="line" style={{ margin: 0 }}>
        <span className="muted grow" title="What a frame took is how high its bar is">
          {`Frame ${number} of ${job.total} · ${says(job, number, frame)}`}
        </span>
        {frame ? (
          <Pill small title="This frame alone; the others stay" onClick={() => void again()}>
            Render again
          </Pill>
        ) : null}
        {chosen !== null && job.newest ? (
          <Pill small title="Shows the frame that came last, again and again" onClick={() => setChosen(null)}>
            Newest
          </Pill>
        ) : null}
      </div>
    </div>
  );
}
