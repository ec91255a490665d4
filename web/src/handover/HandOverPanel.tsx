import { Segments } from '../kit/Segments';
import { choose, useChoices } from './choices';
import { ChecksCard } from './ChecksCard';
import { Files } from './Files';
import { Job } from './Job';
import { Package } from './Package';
import { PackageCard } from './PackageCard';
import { usePackages } from './packages';
import { PreviewCard } from './PreviewCard';
import { RenderCard } from './RenderCard';
import { useRenderJobs } from '../doing/renderJobs';
import './handover.css';

/** Films of the lens view, renders on the server, and what is handed over together. */
export function HandOverPanel() {
  const way = useChoices((s) => s.way);
  return (
    <>
      <div className="panel-head">
        <Segments
          name="What is made"
          value={way}
          of={[
            {
              value: 'preview',
              shows: 'Preview film',
              tip: 'The lens view, filmed: in about its own length',
            },
            { value: 'render', shows: 'Render', tip: 'Every pixel traced, by the workers' },
            { value: 'package', shows: 'Package', tip: 'What the next department needs, as one file' },
          ]}
          onChoose={(chosen) => choose({ way: chosen })}
        />
      </div>
      <div className="scroll">{way === 'package' ? <Packages /> : <Pictures />}</div>
    </>
  );
}

/** Asking for films and renders, and what has come of them. */
function Pictures() {
  const { jobs, renew } = useRenderJobs();
  const way = useChoices((s) => s.way);
  const changed = () => void renew();
  return (
    <>
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
    </>
  );
}

/** Asking for a package, what is pointed out before, and what was handed over. */
function Packages() {
  const { list, renew } = usePackages();
  return (
    <>
      <PackageCard earlier={list.data ?? []} onAsked={() => void renew()} />
      {list.isError ? <p className="empty">{list.error.message}</p> : null}
      {list.data?.map((p) => (
        <Package key={p.number} shown={p} />
      ))}
      <ChecksCard />
      <div className="panel-head">Files, one by one</div>
      <Files />
    </>
  );
}
