import { Segments } from '../kit/Segments';
import { choose, useChoices } from './choices';
import { Files } from './Files';
import { Job } from './Job';
import { PreviewCard } from './PreviewCard';
import { RenderCard } from './RenderCard';
import { useRenderJobs } from './renderJobs';
import './handover.css';

/** Films of the lens view, renders on the server, and files for other programs. */
export function HandOverPanel() {
  const { jobs, renew } = useRenderJobs();
  const way = useChoices((s) => s.way);
  const changed = () => void renew();
  return (
    <>
      <div className="panel-head">
        <Segments
          name="How pictures are made"
          value={way}
          of={[
            {
              value: 'preview',
              shows: 'Preview film',
              tip: 'The lens view, filmed: in about its own length',
            },
            { value: 'render', shows: 'Render', tip: 'Every pixel traced, by the workers' },
          ]}
          onChoose={(chosen) => choose({ way: chosen })}
        />
      </div>
      <div className="scroll">
        {way === 'preview' ? <PreviewCard onAsked={changed} /> : <RenderCard onAsked={changed} />}
        {jobs.isError ? <p className="empty">{jobs.error.message}</p> : null}
        {jobs.data?.length === 0 ? (
          <p className="empty">Nothing made yet. A preview of this frame takes a second.</p>
        ) : null}
        {jobs.data?.map((j) => (
          <Job key={j.id} job={j} onChanged={changed} />
        ))}
        <div className="panel-head">Files</div>
        <Files />
      </div>
    </>
  );
}
