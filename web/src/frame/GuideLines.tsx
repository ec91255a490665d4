import { theCore } from '../core/load';
import type { Camera } from '../core/types';
import { evaluated } from '../session/evaluated';
import { useSequence } from '../session/state';
import './frame.css';

/** Guides over the delivery frame, and the dark around it. */
export function GuideLines({
  camera,
  frame,
}: {
  camera: Camera;
  frame: { left: number; top: number; width: number; height: number };
}) {
  useSequence((s) => s.version);
  useSequence((s) => s.frame);
  evaluated();
  const guides =
    camera.guides.length && theCore().slot(camera.id) >= 0
      ? (JSON.parse(theCore().guideLines(camera.id)) as {
          form: string;
          colour: string;
          strength: number;
          lines: number[][];
        }[])
      : [];
  const film =
    theCore().slot(camera.id) >= 0
      ? (JSON.parse(theCore().lensReport(camera.id)) as {
          filmAcross: number;
          filmDown: number;
          beyondFilm: string;
        })
      : null;
  return (
    <>
      {camera.surround < 1 ? (
        <div
          className="surround"
          style={{ ...frame, boxShadow: `0 0 0 2000px rgba(20, 20, 20, ${camera.surround})` }}
        />
      ) : null}
      <svg className="guides" style={frame} viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden>
        {film?.beyondFilm ? (
          <rect
            data-guide="film back"
            x={(1 - Math.min(1, film.filmAcross)) / 2}
            y={(1 - Math.min(1, film.filmDown)) / 2}
            width={Math.min(1, film.filmAcross)}
            height={Math.min(1, film.filmDown)}
            fill="none"
            stroke="#ffb27d"
            strokeDasharray="8 6"
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        ) : null}
        {guides.map((g, i) =>
          g.lines.map((l, k) => (
            <polyline
              key={`${i}-${k}`}
              data-guide={g.form}
              points={l.join(' ')}
              fill="none"
              stroke={g.colour}
              strokeOpacity={g.strength}
              strokeWidth={1.25}
              vectorEffect="non-scaling-stroke"
            />
          )),
        )}
      </svg>
    </>
  );
}
