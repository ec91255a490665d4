import Slider from '@mui/material/Slider';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useRenderJobs, type RenderShown } from '../doing/renderJobs';
import { Pill } from '../kit/Pill';
import { getJson } from '../session/http';
import { useProgramme } from '../session/programme';
import { framesPerSecond, useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { setView } from '../session/view';
import { film, frames, Pictures, type Place, type Source } from './frames';
import { canBeSeen, listOf, reelOf, versionsOf } from './list';
import { Live } from './live';
import './dailies.css';
import { PixelRead, type PixelAt, type PixelTold } from './PixelRead';
import { placeOf, type Together } from './screen';
import { LIVE, type Look, named, PLAIN, Tools, ZOOMS } from './Tools';
import { usePlaying } from './usePlaying';
import { useScreen } from './useScreen';
import { Versions } from './Versions';

/** Pictures are fetched so far ahead of what is seen. */
const AHEAD = 24;

/** One and the other in turns, ms each. */
const TURN_MS = 400;

/** As fast as it is played at the most. */
const MOST_PACE = 8;

const isExr = (j: RenderShown) => j.form === 'EXR' || j.form === 'EXR_HALF';

/** What was rendered: versions played, compared, and looked into. */
export function DailiesView() {
  const { jobs } = useRenderJobs();
  const seen = useMemo(() => jobs.data?.filter(canBeSeen) ?? [], [jobs.data]);
  const chosen = useSequence((s) => s.lookedAt);
  const job = seen.find((j) => j.id === chosen) ?? seen[0];
  return (
    <section className="view dailies" aria-label="Dailies">
      <div className="view-bar">
        <strong>Dailies</strong>
        <span className="grow" />
        <Pill onClick={() => setView({ over: null })}>Back to the views</Pill>
      </div>
      {job ? (
        <Viewer job={job} jobs={seen} onChoose={(lookedAt) => setView({ lookedAt })} />
      ) : (
        <p className="empty">
          {jobs.isPending
            ? 'Asking what was rendered …'
            : 'Nothing was rendered yet. On the Hand over desk a preview of this frame takes a second.'}
        </p>
      )}
    </section>
  );
}

function Viewer({
  job,
  jobs,
  onChoose,
}: {
  job: RenderShown;
  jobs: RenderShown[];
  onChoose: (id: string) => void;
}) {
  'use no memo';
  const [look, setLook] = useState<Look>(PLAIN);
  const { what, other, together, stops, channel, layer, zoom } = look;
  const change = (to: Partial<Look>) => setLook((l) => ({ ...l, ...to }));
  const [index, setIndex] = useState(0);
  const [pace, setPace] = useState(0);
  const [wipe, setWipe] = useState(0.5);
  const [middle, setMiddle] = useState<[number, number]>([0.5, 0.5]);
  const [, setCame] = useState(0);
  const [turn, setTurn] = useState(false);
  const [pixel, setPixel] = useState<PixelAt | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const pictures = useMemo(() => new Pictures(() => setCame((n) => n + 1)), []);
  const screen = useScreen(box, () => setCame((n) => n + 1));
  const live = useRef<Live>(null);
  useSequence((s) => s.version);
  const header = useSequence((s) => s.header);
  const shots = useProgramme();
  const fps = framesPerSecond(useSettings());

  const placesOf = (j: RenderShown) => ({
    queryKey: ['places', j.id],
    queryFn: () => getJson<Place[]>(`/api/renders/${j.id}/places`),
    staleTime: Infinity,
  });
  // of all whose frames may be seen
  const played = what === 'reel' ? jobs : what === 'versions' ? versionsOf(job, jobs) : [job];
  const told = useQueries({ queries: played.map(placesOf) });
  const places: Record<string, Place[]> = {};
  played.forEach((j, i) => (places[j.id] = told[i]?.data ?? []));
  const list = listOf(what, job, jobs, () =>
    reelOf(
      shots.map((p) => ({ code: p.shot, first: p.sceneFirst, last: p.sceneLast })),
      jobs,
      places,
    ),
  );
  const at = Math.min(index, Math.max(0, list.length - 1));
  const now = list[at];
  const exr = isExr(job);
  const layers = useQuery({
    queryKey: ['layers', job.id],
    queryFn: () => getJson<string[]>(`/api/renders/${job.id}/frames/${job.newest || 1}/layers`),
    enabled: exr,
    staleTime: Infinity,
  });
  const shownLayer = exr && layer !== null && layers.data?.includes(layer) ? layer : null;
  // light beyond white is only in the file: the server makes it lighter there
  const fromFile = (j: RenderShown) => isExr(j) && (shownLayer !== null || stops !== 0);
  const sources = useRef(new Map<string, Source>());
  const sourceOf = (j: RenderShown): Source => {
    const made = j.preview ? film(j, fps) : frames(j, fromFile(j) ? (shownLayer ?? '') : null, stops);
    const kept = sources.current.get(made.key);
    if (kept) return kept;
    sources.current.set(made.key, made);
    return made;
  };
  const compared = jobs.find((j) => j.id === other);
  const second = (): { source: Source; number: number } | undefined => {
    if (!now) return undefined;
    if (other === LIVE) {
      const there = places[now.job.id] ?? [];
      if (!there.length) return undefined;
      live.current ??= new Live();
      return { source: live.current.source(there, now.job.width, now.job.height), number: now.number };
    }
    return compared && now.number <= compared.total
      ? { source: sourceOf(compared), number: now.number }
      : undefined;
  };
  const b = other ? second() : undefined;
  const first = now && { source: sourceOf(now.job), number: now.number };
  const a = first && pictures.get(first.source, first.number);
  const bPicture = b && pictures.get(b.source, b.number);
  const how: Together = b ? together : 'one';
  const why =
    (first ? pictures.why(first.source, first.number) : '') || (b ? pictures.why(b.source, b.number) : '');
  const stopsOf = (j: RenderShown | undefined) => (j && fromFile(j) ? 0 : stops);

  useEffect(() => {
    for (let i = 1; i <= AHEAD && i < list.length; i++) {
      const next = list[(at + i) % list.length];
      const source = sourceOf(next.job);
      if (!pictures.has(source, next.number)) {
        pictures.get(source, next.number);
        break; // the next is asked for when this has come
      }
    }
  });
  useEffect(() => {
    pictures.again();
  }, [pictures, job.done]);
  useEffect(
    () => () => {
      pictures.dispose();
      live.current?.dispose();
    },
    [pictures],
  );
  const one = how === 'turns' && turn ? (bPicture ?? a) : a;
  useEffect(() => {
    screen.current?.draw({
      a: one,
      b: bPicture,
      together: how,
      wipe,
      stops: how === 'turns' && turn ? [stopsOf(compared), 0] : [stopsOf(now?.job), stopsOf(compared)],
      channel,
      zoom: zoom * devicePixelRatio,
      middle,
    });
    const canvas = box.current!.querySelector('canvas')!;
    canvas.dataset.seen = one && now ? `${now.job.id} ${now.number}` : '';
  });
  useEffect(() => {
    if (how !== 'turns') return;
    const t = setInterval(() => setTurn((x) => !x), TURN_MS);
    return () => clearInterval(t);
  }, [how]);
  usePlaying(pace, fps, at, list.length, setIndex);

  const step = (by: number) => {
    setPace(0);
    setIndex(Math.max(0, Math.min(list.length - 1, at + by)));
  };
  const keys: Record<string, () => void> = {
    ' ': () => setPace(pace ? 0 : 1),
    // again the same way is twice as fast
    l: () => setPace(pace > 0 ? Math.min(MOST_PACE, pace * 2) : 1),
    j: () => setPace(pace < 0 ? Math.max(-MOST_PACE, pace * 2) : -1),
    k: () => setPace(0),
    ArrowLeft: () => step(-1),
    ArrowRight: () => step(1),
    ',': () => step(-1),
    '.': () => step(1),
    Home: () => step(-Infinity),
    End: () => step(Infinity),
    ArrowUp: () => change({ stops: stops + 1 }),
    ArrowDown: () => change({ stops: stops - 1 }),
    z: () => change({ zoom: ZOOMS[(ZOOMS.indexOf(zoom) + 1) % ZOOMS.length] }),
    f: () => void (document.fullscreenElement ? document.exitFullscreen() : box.current!.requestFullscreen()),
  };
  const key = (e: KeyboardEvent) => {
    const run = e.ctrlKey || e.altKey || e.metaKey ? undefined : keys[e.key];
    if (!run) return;
    e.preventDefault();
    e.stopPropagation();
    run();
  };
  /** Which pixel of the picture lies under the pointer; null outside. */
  const under = (e: PointerEvent): { x: number; y: number } | null => {
    if (!a) return null;
    const r = box.current!.getBoundingClientRect();
    const half = how === 'beside' ? 2 : 1;
    const [sx, sy] = [(e.clientX - r.left) / r.width, (e.clientY - r.top) / r.height];
    const [px, py, w, h] = placeOf(a, { width: r.width / half, height: r.height }, zoom, middle);
    const x = Math.floor(((((sx * half) % 1) - px) / w) * a.width);
    const y = Math.floor(((sy - py) / h) * a.height);
    return x >= 0 && y >= 0 && x < a.width && y < a.height ? { x, y } : null;
  };
  const pressed = (e: PointerEvent<HTMLDivElement>) => {
    const there = under(e);
    const [x0, y0, m, w0] = [e.clientX, e.clientY, middle, wipe];
    const r = box.current!.getBoundingClientRect();
    let moved = false;
    const move = (ev: globalThis.PointerEvent) => {
      const [dx, dy] = [ev.clientX - x0, ev.clientY - y0];
      moved ||= Math.hypot(dx, dy) > 3;
      if (!moved || !a) return;
      const [, , w, h] = placeOf(a, r, zoom, m);
      if (how === 'wipe' && !zoom) setWipe(Math.max(0, Math.min(1, w0 + dx / r.width / w)));
      else if (zoom) setMiddle([m[0] - dx / r.width / w, m[1] - dy / r.height / h]);
    };
    const up = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      if (moved || !there || !now) return;
      const seen = `${now.job.id} ${now.number}`;
      setPixel({ ...there, seen });
      if (isExr(now.job))
        getJson<PixelTold>(
          `/api/renders/${now.job.id}/frames/${now.number}/pixel?x=${there.x}&y=${there.y}`,
        ).then(
          (told) => setPixel({ ...there, seen, told }),
          () => undefined, // the pixel alone stays
        );
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
  };
  const place = now && places[now.job.id]?.[now.number - 1];
  return (
    <>
      <Versions
        jobs={jobs}
        chosen={job.id}
        onChoose={(id) => {
          onChoose(id);
          setPixel(null);
        }}
      />
      <Tools
        job={job}
        jobs={jobs}
        look={look}
        layers={exr ? (layers.data ?? []) : []}
        onLook={(l) => {
          change(l);
          if (l.what) setIndex(0);
        }}
      />
      <div
        ref={box}
        className="dailies-screen"
        data-testid="dailies"
        role="application"
        aria-label="The picture: space plays, J, K and L run backwards, stop and run forwards, arrows step, up and down change its exposure, Z zooms, F fills the screen"
        tabIndex={0}
        onKeyDown={key}
        onPointerDown={pressed}
      >
        {why ? (
          <p className="dailies-why">{why}</p>
        ) : !a && now ? (
          <p className="dailies-why">Coming …</p>
        ) : null}
        {!now ? (
          <p className="dailies-why">Nothing of the reel was rendered yet, shot by shot or as a cut.</p>
        ) : null}
        {pixel && now && pixel.seen === `${now.job.id} ${now.number}` ? (
          <PixelRead of={named(now.job)} pixel={pixel} byLight={isExr(now.job)} />
        ) : null}
      </div>
      <div className="dailies-time">
        <Pill wide aria-pressed={pace !== 0} onClick={() => setPace(pace ? 0 : 1)}>
          {pace ? 'Stop' : 'Play'}
        </Pill>
        <Slider
          size="small"
          aria-label="Frame"
          min={1}
          max={Math.max(1, list.length)}
          value={at + 1}
          onChange={(_, v) => step(Number(v) - 1 - at)}
        />
        <span className="mono">
          {now
            ? [
                what === 'version' ? '' : `${now.job.label} v${now.job.numbered}`,
                place?.code ?? '',
                `frame ${place?.frame ?? now.number}`,
                `${at + 1} of ${list.length}`,
                header.code,
              ]
                .filter(Boolean)
                .join(' · ')
            : ''}
        </span>
      </div>
    </>
  );
}
