import { useRenderJobs } from '../doing/renderJobs';
import { lookAt } from '../session/view';
import { canBeSeen } from './list';
import { Versions } from './Versions';
import './dailies.css';

/** What was made, in pictures above the views: a click lays it over them. Nothing where nothing was. */
export function Results() {
  const { jobs } = useRenderJobs();
  const seen = jobs.data?.filter(canBeSeen) ?? [];
  if (!seen.length) return null;
  return (
    <section className="results" aria-label="What was made">
      <Versions jobs={seen} chosen="" onChoose={lookAt} />
    </section>
  );
}
