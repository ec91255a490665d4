import type { RenderShown } from '../doing/renderJobs';
import { Bare } from '../kit/Bare';
import { at } from '../session/http';

/** What was made, as pictures, the newest first: each is a version of a shot, a frame or the cut. */
export function Versions({
  jobs,
  chosen,
  onChoose,
}: {
  jobs: RenderShown[];
  chosen: string;
  onChoose: (id: string) => void;
}) {
  return (
    <div className="dailies-versions" role="group" aria-label="What was made, the newest first">
      {jobs.map((j) => (
        <Bare
          key={j.id}
          className="dailies-version"
          data-version={j.id}
          aria-pressed={j.id === chosen}
          title={`${j.label} v${j.numbered}${j.preview ? ', preview film' : ''}, ${j.done} of ${j.total} frames`}
          onClick={() => onChoose(j.id)}
        >
          {j.preview ? (
            <span className="dailies-film">Film</span>
          ) : (
            <img
              loading="lazy"
              alt=""
              // its file may have been taken away from where renders are kept
              onError={(e) => (e.currentTarget.style.visibility = 'hidden')}
              src={at(`/api/renders/${j.id}/frames/${j.picture || 1}.png`)}
            />
          )}
          <span className="dailies-name">
            <span className="mono muted">{`v${j.numbered}`}</span> {j.label}
          </span>
        </Bare>
      ))}
    </div>
  );
}
