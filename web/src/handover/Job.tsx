import { useState } from 'react';
import { turnsFor } from '../doing/renders';
import { Choice } from '../kit/Choice';
import { Segments } from '../kit/Segments';
import { useSequence } from '../session/state';
import { FrameStrip } from './FrameStrip';
import { postJson } from '../session/http';
import { say } from '../session/said';
import { lookAt } from '../session/view';
import { drawHere, useDrawnHere } from '../filming/drawnHere';
import { Pill } from '../kit/Pill';
import { lasts } from './lasts';
import { underWay, type RenderShown } from '../doing/renderJobs';

const SAYS = {
  WAITING: 'Waiting for a free worker',
  WORKING: 'Rendering',
  PAUSED: 'Paused',
  DONE: 'Done',
  STOPPED: 'Stopped',
  FAILED: 'Failed',
};

/** What files of a form are called. */
const FORM = { PNG: 'PNG', FINE_PNG: 'PNG of 16 bits', EXR: 'EXR', EXR_HALF: 'EXR' };

/** How far a job is, in a few words. */
function says(job: RenderShown, here: boolean): string {
  if (!job.preview) return SAYS[job.state];
  if (job.state === 'WORKING') return 'Drawing';
  if (job.state === 'WAITING' && !job.byServer) return here ? 'Begins' : 'Waiting for a page that draws it';
  return SAYS[job.state];
}

/** One render or preview: how far it is, what came of it, and what can be done with it. */
export function Job({ job, onChanged }: { job: RenderShown; onChanged: () => void }) {
  const here = useDrawnHere((s) => s.all.some((d) => d.job === job.id));
  const active = underWay(job);
  const mayEdit = useSequence((s) => s.mayEdit);
  const turn = (how: 'stop' | 'pause' | 'resume' | 'urgency', body?: object) =>
    postJson(`/api/renders/${job.id}/${how}`, body).then(
      () => {
        if (how === 'resume' && job.preview && !job.byServer) drawHere(job.id);
        onChanged();
      },
      (e: Error) => say(e.message, true),
    );
  const nobody = job.preview && !job.byServer && job.state === 'WAITING' && !here;
  return (
    <div className="job" data-job={job.state} data-kind={job.preview ? 'preview' : 'render'}>
      <div className="line" style={{ margin: 0 }}>
        <strong className="grow">
          {job.label} <span className="mono muted">v{job.numbered}</span>
        </strong>
        {nobody ? (
          <Pill title="This page draws it" onClick={() => drawHere(job.id)}>
            Draw it here
          </Pill>
        ) : null}
        {active && !job.preview && job.state !== 'PAUSED' && job.total > 1 ? (
          <Pill title="Frames that were begun are finished" onClick={() => void turn('pause')}>
            Pause
          </Pill>
        ) : null}
        {job.state !== 'DONE' && (!active || job.state === 'PAUSED') ? (
          <Pill title="Goes on with the frames it has not" onClick={() => void turn('resume')}>
            Resume
          </Pill>
        ) : null}
        {active ? <Pill onClick={() => void turn('stop')}>Stop</Pill> : null}
        {(job.preview ? job.film : job.done > 0) ? (
          <Pill title="Played, compared with other versions, and looked into" onClick={() => lookAt(job.id)}>
            Look
          </Pill>
        ) : null}
      </div>
      <div className="line" style={{ margin: 0 }}>
        <span className="job-kind">{job.preview ? 'Preview' : 'Render'}</span>
        <span
          className="muted grow"
          title={job.secondsAFrame ? `${lasts(job.secondsAFrame)} a frame` : undefined}
        >
          {[
            says(job, here),
            `${job.done} of ${job.total}`,
            ...(job.secondsLeft ? [`about ${lasts(job.secondsLeft)} left`] : []),
          ].join(' · ')}
        </span>
      </div>
      {active ? (
        <div
          className="bar"
          role="progressbar"
          aria-label={job.label}
          aria-valuenow={Math.round(100 * job.share)}
          aria-valuemin={0}
          aria-valuemax={100}
        >
          <i style={{ width: `${100 * job.share}%` }} />
        </div>
      ) : null}
      {job.message ? <span className="muted">{job.message}</span> : null}
      {active && !job.preview ? (
        <Choice
          label="Turn"
          value={job.urgency}
          options={turnsFor(mayEdit)}
          onChange={(urgency) => void turn('urgency', { urgency })}
        />
      ) : null}
      <Result job={job} />
    </div>
  );
}

/** What has come of a job. Stretches of a film are nothing to look at before it is whole. */
function Result({ job }: { job: RenderShown }) {
  const at = `api/renders/${job.id}`;
  const pictures = job.done > 0 && (!job.preview || job.total === 1);
  const newest = job.newest || job.done;
  // what goes on or went wrong is looked into; else it is a film
  const [chosen, setLooks] = useState<boolean | null>(null);
  const looks = chosen ?? (underWay(job) || job.failed > 0);
  const frames = !job.preview && job.total > 1;
  return (
    <>
      {frames && job.film ? (
        <div className="line" style={{ margin: 0 }}>
          <Segments
            name="What is shown"
            value={looks ? 'frames' : 'film'}
            of={[
              { value: 'film', shows: 'Film', tip: 'All frames as they play' },
              { value: 'frames', shows: 'Frames', tip: 'Each frame, what it took, and making it again' },
            ]}
            onChoose={(v) => setLooks(v === 'frames')}
          />
        </div>
      ) : null}
      {frames && (looks || !job.film) ? (
        <FrameStrip job={job} />
      ) : job.film ? (
        <video src={`${at}/film.mp4`} controls loop preload="metadata" />
      ) : pictures ? (
        <img alt={`Frame ${newest} of ${job.label}`} src={`${at}/frames/${newest}.png`} />
      ) : null}
      <div className="files">
        {job.film ? (
          <a href={`${at}/film.mp4`} download={`${job.label} v${job.numbered}.mp4`}>
            Film as MP4 · {job.width} × {job.height}
          </a>
        ) : null}
        {job.film ? (
          <a href={`${at}/film.webp`} download={`${job.label} v${job.numbered}.webp`}>
            Moving picture as WebP, up to 640 wide
          </a>
        ) : null}
        {pictures && job.total > 1 && !underWay(job) ? (
          <a href={`${at}/frames.zip`} download>
            {job.done} frames as PNG, in one archive
          </a>
        ) : null}
        {pictures && job.form !== 'PNG' && !underWay(job) ? (
          <a href={job.total > 1 ? `${at}/files.zip` : `${at}/files/1`} download>
            {job.total > 1
              ? `${job.done} frames as ${FORM[job.form]}, in one archive`
              : `Frame as ${FORM[job.form]}`}
          </a>
        ) : null}
        {pictures ? (
          <a href={`${at}/frames/${newest}.png`} download={`${job.label} v${job.numbered}.png`}>
            {job.total > 1 ? 'Newest frame as PNG' : 'Frame as PNG'}
          </a>
        ) : null}
      </div>
    </>
  );
}
