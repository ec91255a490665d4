import { useEffect, useState } from 'react';
import type { CameraTrack } from '../core/types';
import { core } from '../session/evaluated';
import { Choice } from '../kit/Choice';
import { framesPerSecond } from '../session/settings';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { attempt, say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { FILE_UNITS } from '../fields/choices';
import { call } from '../session/http';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import { palette } from '../theme/tokens';
import { Pill } from '../kit/Pill';
import './importing.css';

/** Shows a camera track in plan and elevation, in the unit and axes chosen, before it becomes a camera. */
export function TrackDialog({ file }: { file: File }) {
  'use no memo';
  const header = useSequence((s) => s.header);
  const [tracks, setTracks] = useState<CameraTrack[] | null>(null);
  const [error, setError] = useState('');
  const [index, setIndex] = useState(0);
  const [unit, setUnit] = useState('1');
  const [up, setUp] = useState('y');
  useEffect(() => {
    const stop = new AbortController();
    call(
      'POST',
      `/api/assets/camera-tracks?name=${encodeURIComponent(file.name)}&fps=${framesPerSecond()}&sequence=${useSequence.getState().id}`,
      file,
      'application/octet-stream',
      stop.signal,
    )
      .then((r) => r.json() as Promise<CameraTrack[]>)
      .then((all) => {
        setTracks(all);
        setUnit(FILE_UNITS.find(([v]) => Math.abs(Number(v) - all[0].unitM) < 1e-9)?.[0] ?? '1');
        setUp(all[0].zUp ? 'z' : 'y');
      })
      .catch((e: unknown) => !stop.signal.aborted && setError(e instanceof Error ? e.message : String(e)));
    return () => stop.abort();
  }, [file]);
  const track = tracks?.[index];
  const places = track ? attempt(() => core().trackPlaces(track, Number(unit), up === 'z')) : undefined;
  const take = () => {
    const id = newId('camera');
    if (!track) return;
    const commands = attempt(() =>
      core().cameraFromTrack(track, Number(unit), up === 'z', header.firstFrame, id),
    );
    if (!commands || !edit(`Bring in the camera ${track.name}`, ...commands)) return;
    select(id);
    closeWindow();
    say(`${track.name} is in: ${track.frames.length} frames from ${header.firstFrame} on.`);
  };
  const n = places ? places.length / 3 : 0;
  const span = (axis: number) => {
    let low = Infinity;
    let high = -Infinity;
    for (let i = 0; i < n; i++) {
      low = Math.min(low, places![i * 3 + axis]);
      high = Math.max(high, places![i * 3 + axis]);
    }
    return core().showNumber(n ? high - low : 0, 'metres');
  };
  return (
    <Window
      title="Bring in a camera track"
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            {error ? 'Close' : 'Leave it out'}
          </Pill>
          <Pill tone="coral" wide disabled={!track} onClick={take}>
            Bring it in
          </Pill>
        </>
      }
    >
      <p>
        <strong>{file.name}</strong>
      </p>
      {!tracks && !error ? <p className="says">The server is reading it …</p> : null}
      {error ? (
        <p className="error" role="alert">
          {error}
        </p>
      ) : null}
      {track && places ? (
        <>
          {tracks.length > 1 ? (
            <Choice
              label="Camera"
              value={String(index)}
              options={tracks.map((t, i): [string, string] => [String(i), t.name])}
              onChange={(v) => setIndex(Number(v))}
            />
          ) : null}
          <div className="facts">
            <span>Frames</span>
            <span className="mono">{track.frames.length}</span>
            <span>Travels</span>
            <span
              className="mono"
              data-testid="track-span"
            >{`${span(0)} · ${span(1)} · ${span(2)} in X, Y, Z`}</span>
            <span>Lens</span>
            <span className="mono">
              {track.focalLengthMm.length
                ? `${core().showNumber(Math.min(...track.focalLengthMm), 'millimetres')} – ${core().showNumber(Math.max(...track.focalLengthMm), 'millimetres')}`
                : track.verticalDegrees
                  ? `${core().showNumber(track.verticalDegrees, 'degrees')} high`
                  : 'not in the file'}
            </span>
          </div>
          <div className="track-pictures">
            <Route places={places} across={0} down={2} name="Plan" />
            <Route places={places} across={0} down={1} flip name="Elevation" />
          </div>
          <Choice label="File unit" value={unit} options={FILE_UNITS} onChange={setUnit} />
          <Choice
            label="File’s up"
            value={up}
            options={[
              ['y', '+Y'],
              ['z', '+Z'],
            ]}
            onChange={setUp}
          />
        </>
      ) : null}
    </Window>
  );
}

/** A route seen along one axis, with its first frame marked. */
function Route({
  places,
  across,
  down,
  flip = false,
  name,
}: {
  places: number[];
  across: number;
  down: number;
  flip?: boolean;
  name: string;
}) {
  const n = places.length / 3;
  const xs = Array.from({ length: n }, (_, i) => places[i * 3 + across]);
  const ys = Array.from({ length: n }, (_, i) => places[i * 3 + down] * (flip ? -1 : 1));
  const size = Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 0.1);
  const x = (v: number) => 75 + ((v - (Math.max(...xs) + Math.min(...xs)) / 2) / size) * 120;
  const y = (v: number) => 55 + ((v - (Math.max(...ys) + Math.min(...ys)) / 2) / size) * 80;
  return (
    <figure>
      <svg viewBox="0 0 150 110" role="img" aria-label={`${name} of the camera’s route`}>
        <rect width={150} height={110} rx={8} fill={palette.deep} />
        <polyline
          points={xs.map((v, i) => `${x(v)},${y(ys[i])}`).join(' ')}
          fill="none"
          stroke={palette.marigold}
          strokeWidth={2}
        />
        <circle cx={x(xs[0])} cy={y(ys[0])} r={4} fill={palette.coral} />
      </svg>
      <figcaption>{name}</figcaption>
    </figure>
  );
}
