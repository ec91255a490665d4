import { useEffect, useState } from 'react';
import { getJson } from '../session/http';
import { openToDraw } from '../session/sync';
import { film } from './filming';
import type { Filmed } from './drawnHere';

/** A page that draws one preview and nothing else: in a frame of somebody's page, or in the server's browser. */
export function FilmPage({ job }: { job: string }) {
  const [said, setSaid] = useState('Drawing …');
  useEffect(() => {
    const tell = (failure: string | null) =>
      parent.postMessage({ filmed: job, failure } satisfies Filmed, location.origin);
    getJson<{ id: string; width: number; height: number; total: number }>(`/api/renders/${job}`)
      .then((shown) => film(shown, (f) => openToDraw(f.sequence, f.document)))
      .then(
        () => {
          setSaid('Drawn.');
          tell(null);
        },
        (e: unknown) => {
          const why = e instanceof Error ? e.message : String(e);
          setSaid(why);
          tell(why);
        },
      );
  }, [job]);
  return <p className="empty">{said}</p>;
}
