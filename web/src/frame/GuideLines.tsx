import type { Camera } from '../core/types';
import { useCore } from '../session/evaluated';
import './frame.css';

/** Guides over the delivery frame, and the dark around it. */
export function GuideLines({
  camera,
  frame,
}: {
  camera: Camera;
  frame: { left: number; top: number; width: number; height: number };
}) {
  const placed = useCore((c) => c.slot(camera.id) >= 0);
  const guides = useCore((c) => (placed && camera.guides.length ? c.guideLines(camera.id) : []));
  const film = useCore((c) => (placed ? c.lensReport(camera.id) : null));
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
