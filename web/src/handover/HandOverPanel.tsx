import { camerasOf } from '../session/cameras';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Choice } from '../kit/Choice';
import { useSettings } from '../session/settings';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { getJson, postJson } from '../session/http';
import { askRender, type What } from '../doing/renders';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { lasts } from './lasts';
import './handover.css';

interface RenderShown {
  id: string;
  label: string;
  state: 'WAITING' | 'WORKING' | 'DONE' | 'STOPPED' | 'FAILED';
  message: string;
  done: number;
  total: number;
  width: number;
  height: number;
  samples: number;
  film: boolean;
  /** That its frames took on the average; null before the first. */
  secondsAFrame: number | null;
  /** What the frames to come will take by that; null while nobody works at them. */
  secondsLeft: number | null;
}

const SAYS = {
  WAITING: 'Waiting for a free worker',
  WORKING: 'Rendering',
  DONE: 'Done',
  STOPPED: 'Stopped',
  FAILED: 'Failed',
};
/** Progress is told over the live line; while that is away it is asked for so often. */
const POLL_MS = 5000;

/** Renders on the server, and files for other programs. */
export function HandOverPanel() {
  const id = useSequence((s) => s.id);
  const client = useQueryClient();
  const [percent, setPercent] = useState('25');
  const [samples, setSamples] = useState('16');
  const [handles, setHandles] = useState(false);
  const [motionBlur, setMotionBlur] = useState(true);
  const handleFrames = useSequence((s) => s.header.standards.beginning.handleFrames);
  const jobs = useQuery({
    queryKey: ['renders', id],
    queryFn: () => getJson<RenderShown[]>(`/api/sequences/${id}/renders`),
    refetchInterval: (q) =>
      q.state.data?.some((j) => j.state === 'WAITING' || j.state === 'WORKING') ? POLL_MS : false,
  });
  const renew = () => client.invalidateQueries({ queryKey: ['renders', id] });
  useEffect(
    () =>
      useSequence.subscribe((now, before) => {
        if (now.rendersMoved !== before.rendersMoved)
          void client.invalidateQueries({ queryKey: ['renders', id] });
      }),
    [client, id],
  );
  const ask = async (what: What) => {
    if (await askRender(what, { percent: Number(percent), samples: Number(samples), handles, motionBlur }))
      await renew();
  };
  const turn = (job: string, how: 'stop' | 'resume') =>
    postJson(`/api/renders/${job}/${how}`).then(renew, (e: Error) => say(e.message, true));
  const p = useSettings().cameraPackage;
  const size = (v: number) =>
    // as the server makes it: whole pixels, never more than the share
    `${v} % · ${Math.floor((p.deliveryWidth * v) / 100)} × ${Math.floor((p.deliveryHeight * v) / 100)}`;
  return (
    <>
      <div className="panel-head">Render</div>
      <div className="scroll">
        <div className="card">
          <Choice
            label="Size"
            value={percent}
            options={['10', '25', '50', '100'].map((v) => [v, size(Number(v))])}
            onChange={setPercent}
          />
          <Choice
            label="Quality"
            value={samples}
            options={[
              ['4', 'Sketch · 4 lens rays a pixel'],
              ['16', 'Preview · up to 16'],
              ['64', 'Fine · up to 64'],
              ['256', 'Final · up to 256'],
            ]}
            onChange={setSamples}
          />
          {handleFrames ? (
            <Tick checked={handles} onChange={(e) => setHandles(e.target.checked)}>
              {`A shot with its handles: ${handleFrames} frames more at each end`}
            </Tick>
          ) : null}
          <Tick checked={motionBlur} onChange={(e) => setMotionBlur(e.target.checked)}>
            Motion blur, as long as each camera’s shutter is open
          </Tick>
          <div className="line" style={{ flexWrap: 'wrap' }}>
            <Pill tone="coral" wide onClick={() => void ask('cut')}>
              Render the cut
            </Pill>
            <Pill wide onClick={() => void ask('shot')}>
              This shot
            </Pill>
            <Pill wide onClick={() => void ask('frame')}>
              This frame
            </Pill>
          </div>
        </div>
        {jobs.isError ? <p className="empty">{jobs.error.message}</p> : null}
        {jobs.data?.length === 0 ? (
          <p className="empty">Nothing rendered yet. A sketch of this frame takes a few seconds.</p>
        ) : null}
        {jobs.data?.map((j) => (
          <Job
            key={j.id}
            job={j}
            onStop={() => void turn(j.id, 'stop')}
            onResume={() => void turn(j.id, 'resume')}
          />
        ))}
        <div className="panel-head">Files</div>
        <Files />
      </div>
    </>
  );
}

function Job({ job, onStop, onResume }: { job: RenderShown; onStop: () => void; onResume: () => void }) {
  const active = job.state === 'WAITING' || job.state === 'WORKING';
  return (
    <div className="job" data-job={job.state}>
      <div className="line" style={{ margin: 0 }}>
        <strong className="grow">{job.label}</strong>
        <span className="muted" title={job.secondsAFrame ? `${lasts(job.secondsAFrame)} a frame` : undefined}>
          {[
            SAYS[job.state],
            `${job.done} of ${job.total}`,
            ...(job.secondsLeft ? [`about ${lasts(job.secondsLeft)} left`] : []),
          ].join(' · ')}
        </span>
        {active ? (
          <Pill onClick={onStop}>Stop</Pill>
        ) : job.state === 'DONE' ? null : (
          <Pill title="Goes on after the frames it has" onClick={onResume}>
            Resume
          </Pill>
        )}
      </div>
      {active ? (
        <div
          className="bar"
          role="progressbar"
          aria-label={job.label}
          aria-valuenow={job.done}
          aria-valuemin={0}
          aria-valuemax={job.total}
        >
          <i style={{ width: `${(100 * job.done) / job.total}%` }} />
        </div>
      ) : null}
      {job.message ? <span className="muted">{job.message}</span> : null}
      {job.film ? (
        <video src={`api/renders/${job.id}/film.mp4`} controls loop preload="metadata" />
      ) : job.done > 0 ? (
        <img alt={`Frame ${job.done} of ${job.label}`} src={`api/renders/${job.id}/frames/${job.done}.png`} />
      ) : null}
      <div className="files">
        {job.film ? (
          <a href={`api/renders/${job.id}/film.mp4`} download={`${job.label}.mp4`}>
            Film as MP4 · {job.width} × {job.height}
          </a>
        ) : null}
        {job.total > 1 && job.done > 0 && !active ? (
          <a href={`api/renders/${job.id}/frames.zip`} download>
            {job.done} frames as PNG, in one archive
          </a>
        ) : null}
        {job.done > 0 ? (
          <a href={`api/renders/${job.id}/frames/${job.done}.png`} download={`${job.label}.png`}>
            {job.total > 1 ? 'Newest frame as PNG' : 'Frame as PNG'}
          </a>
        ) : null}
      </div>
    </div>
  );
}

function Files() {
  const id = useSequence((s) => s.id);
  const header = useSequence((s) => s.header);
  const entities = useSequence((s) => s.entities);
  const cameras = camerasOf(entities);
  const at = `api/sequences/${id}/hand-over`;
  return (
    <>
      <div className="card files">
        <div className="card-head">
          <span className="card-name">The cut</span>
        </div>
        <a href={`${at}/cut.otio`} download>{`${header.code}.otio · OpenTimelineIO`}</a>
      </div>
      <div className="card files">
        <div className="card-head">
          <span className="card-name">Cameras, baked on every frame</span>
        </div>
        {cameras.map((c) => (
          <div className="line" key={c.id}>
            <span className="badge" style={{ background: c.colour }}>
              {c.letter}
            </span>
            <span className="name grow">{c.name}</span>
            <a href={`${at}/cameras/${c.id}.usda`} download>
              .usda
            </a>
            <a href={`${at}/cameras/${c.id}.glb`} download>
              .glb
            </a>
          </div>
        ))}
      </div>
    </>
  );
}
