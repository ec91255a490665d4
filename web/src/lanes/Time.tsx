import { openWindow } from '../session/windows';
import { setView } from '../session/view';
import { setKeying, showLanes } from '../session/laneState';
import { Choose } from '../kit/Choose';
import { Words } from '../kit/Words';
import { Segments } from '../kit/Segments';
import { useEffect, useRef, useState } from 'react';
import type { Entity, Framings, Vec3 } from '../core/types';
import { core } from '../session/evaluated';
import { play } from '../session/time';
import { useSettings } from '../session/settings';
import { attempt } from '../session/said';
import { useSequence, type Keying } from '../session/state';
import { goTo } from '../session/time';
import { Editing } from '../kit/Editing';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { withKeys } from '../shortcuts/words';
import { PARTS } from '../doing/parts';
import { AllKeysLane } from './AllKeysLane';
import { ChannelLane } from './ChannelLane';
import { curveOf, partsOf } from './chosen';
import { CueLane } from './CueLane';
import { CutLane } from './CutLane';
import { FrameStrip } from './FrameStrip';
import { KeyTools } from './KeyTools';
import { MotionMenu } from './MotionMenu';
import { WarningsMenu } from './WarningsMenu';
import { ruling, snapped, toX, zoomed, type Scale } from './scale';
import { palette } from '../theme/tokens';
import { Chip } from '../kit/Chip';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import './lanes.css';

const HEAD = 200;

/** Height of the ruler, which stays in view, with a little air. */
const RULER = 30;
const [LEAST_OPEN, MOST_OPEN] = [130, 420];

/** Transport and lanes: the cut first, then the selected camera's cues, then what moves. */
export function Time() {
  const header = useSequence((s) => s.header);
  const frame = useSequence((s) => s.frame);
  const selected = useSequence((s) => s.entities[s.selected[0]] as Entity | undefined);
  const openLanes = useSequence((s) => s.openLanes);
  const [range, setRange] = useState({ first: header.firstFrame, last: header.lastFrame });
  const [width, setWidth] = useState(600);
  const [room, setRoom] = useState(200);
  const box = useRef<HTMLDivElement>(null);
  useEffect(
    () => setRange({ first: header.firstFrame, last: header.lastFrame }),
    [header.firstFrame, header.lastFrame],
  );
  useEffect(() => {
    const o = new ResizeObserver(([e]) => {
      setWidth(Math.max(100, e.contentRect.width - HEAD));
      setRoom(e.contentRect.height);
    });
    o.observe(box.current!);
    return () => o.disconnect();
  }, []);
  const scale: Scale = { ...range, width };
  const camera = selected?.kind === 'camera' ? selected : undefined;
  const hidden = useSequence((s) => s.hiddenLanes);
  const ghosts = useSequence((s) => s.ghosts);
  const mayEdit = useSequence((s) => s.mayEdit);
  const desk = useSequence((s) => s.desk);
  const keysChosen = useSequence((s) => Object.values(s.chosenKeys).some((f) => f.length > 0));
  const [filter, setFilter] = useState('');
  const [sameScale, setSameScale] = useState(false);
  const [speed, setSpeed] = useState(false);
  let lanes: string[] = [];
  if (selected)
    for (const c of core().channels(selected.id, frame))
      if (c.keyed) lanes.push(`${selected.id}:${c.address}`);
  for (const l of openLanes) if (!lanes.includes(l)) lanes.push(l);
  const hiddenHere = lanes.filter((l) => hidden.includes(l));
  lanes = lanes.filter((l) => !hidden.includes(l) && named(l).toLowerCase().includes(filter.toLowerCase()));
  const cued =
    (selected?.kind === 'light' && selected.attention) ||
    (camera &&
      (camera.focus?.subjects.length ||
        camera.rig.some(
          (p) =>
            (p.kind === 'framings' && p.cameras.length > 0) ||
            (p.kind === 'attention' && p.subjects.length > 0),
        )));
  const count = lanes.filter((l) => openLanes.includes(l)).length;
  const openPx = Math.max(LEAST_OPEN, Math.min(MOST_OPEN, (room - RULER) / Math.max(1, count)));
  const look = { openPx, shared: sameScale ? rangesOf(lanes) : null, speed };
  return (
    <section className="time" aria-label="Time">
      <Transport keysChosen={keysChosen}>
        {keysChosen ? (
          <Editing>
            <KeyTools />
          </Editing>
        ) : (
          <>
            <MotionMenu />
            <Tip text="Lanes of one unit on one scale, to compare them; else each fills its lane">
              <Chip on={sameScale} onClick={() => setSameScale(!sameScale)}>
                Same scale
              </Chip>
            </Tip>
            <Tip text="How fast each number changes, drawn over its lane">
              <Chip on={speed} onClick={() => setSpeed(!speed)}>
                Speed
              </Chip>
            </Tip>
            {hiddenHere.length ? (
              <Chip onClick={() => showLanes(hiddenHere)}>{hiddenHere.length} hidden: show</Chip>
            ) : null}
            <Tip text="The camera’s way in the set, its subject’s in the frame">
              <Chip on={ghosts} onClick={() => setView({ ghosts: !ghosts })}>
                Ghosts
              </Chip>
            </Tip>
            {camera ? (
              <>
                <Tip text="A plain camera beside the rig, or a path from its keys">
                  <Pill disabled={!mayEdit} onClick={() => openWindow({ kind: 'bake', id: camera.id })}>
                    Bake
                  </Pill>
                </Tip>
                <WarningsMenu key={camera.id} camera={camera} />
              </>
            ) : null}
          </>
        )}
      </Transport>
      <div className="lanes" ref={box}>
        <div className="lanes-all">
          <Ruler
            head={
              <Words
                className="short-search"
                type="search"
                placeholder="Find a lane"
                aria-label="Find a lane"
                value={filter}
                onChange={(e) => setFilter(e.target.value)}
                onKeyDown={(e) => e.stopPropagation()}
              />
            }
            scale={scale}
            onZoom={(about, by) => setRange(zoomed(scale, about, by, header.firstFrame, header.lastFrame))}
          />
          <CutLane scale={scale} />
          {selected ? <AllKeysLane key={`all-${selected.id}`} entity={selected} scale={scale} /> : null}
          {camera?.rig.map((p) =>
            p.kind === 'framings' && p.cameras.length > 0 ? (
              <CueLane key={p.id} camera={camera} part={cuesOf(p)} name="Framings" scale={scale} />
            ) : p.kind === 'attention' && p.subjects.length > 0 ? (
              <CueLane key={p.id} camera={camera} part={p} name="Attention" scale={scale} />
            ) : null,
          )}
          {camera?.focus?.subjects.length ? (
            <CueLane camera={camera} part={{ ...camera.focus, id: 'focus' }} name="Focus" scale={scale} />
          ) : null}
          {selected?.kind === 'light' && selected.attention && selected.attention.subjects.length > 0 ? (
            <CueLane camera={selected} part={selected.attention} name="Attention" scale={scale} />
          ) : null}
          {lanes.map((l) => (
            <ChannelLane
              key={l}
              id={l.slice(0, l.indexOf(':'))}
              address={l.slice(l.indexOf(':') + 1)}
              scale={scale}
              look={look}
            />
          ))}
          {lanes.length === 0 && !cued ? (
            <div className="lane-hint">
              {selected
                ? `Nothing of ${selected.name} moves yet. Put a key with the small kite beside any number.`
                : 'Select something to see what moves.'}
            </div>
          ) : null}
          <div
            className="playhead"
            style={{ left: HEAD + toX(scale, frame) + 0.5 * (toX(scale, 1) - toX(scale, 0)) }}
          />
        </div>
      </div>
      {camera && desk === 'move' ? <FrameStrip key={camera.id} camera={camera} scale={scale} /> : null}
    </section>
  );
}

/** What a lane is called, with its part, for finding it. */
function named(lane: string): string {
  const { id, channel } = partsOf(lane);
  const e = useSequence.getState().entities[id];
  const slash = channel.indexOf('/');
  const part = e?.kind === 'camera' && e.rig.find((p) => p.id === channel.slice(0, slash));
  return `${part ? PARTS[part.kind].name : ''} ${channel.slice(slash + 1)}`;
}

/** Least and most value among lanes of each unit. */
function rangesOf(lanes: string[]): Record<string, [number, number]> {
  const ranges: Record<string, [number, number]> = {};
  const { frame } = useSequence.getState();
  for (const l of lanes) {
    const { id, channel } = partsOf(l);
    const c = curveOf(id, channel);
    if (!c) continue;
    const { unit } = core()
      .channels(id, frame)
      .find((x) => x.address === channel)!;
    const values = c.keys.map((k) => k.value);
    const r = (ranges[unit] ??= [Infinity, -Infinity]);
    r[0] = Math.min(r[0], ...values);
    r[1] = Math.max(r[1], ...values);
  }
  return ranges;
}

/** Framings as a lane of cues has them: its cameras are the subjects. */
const cuesOf = (f: Framings) => ({
  id: f.id,
  subjects: f.cameras.map((entity) => ({ entity, anchor: null, offset: [0, 0, 0] as Vec3 })),
  cues: f.cues,
});

/** Whether a number that is changed gets a key. */
const KEYING: { value: Keying; shows: string; tip: string }[] = [
  {
    value: 'off',
    shows: 'Key by hand',
    tip: 'Nothing is keyed by itself: numbers with keys change only where you put one',
  },
  {
    value: 'keyed',
    shows: 'Key where keyed',
    tip: 'A number that has keys gets one on this frame; others stay fixed',
  },
  { value: 'all', shows: 'Key all', tip: 'Every number you change gets a key on this frame' },
];

/** Playing, the frame, what is done to lanes or chosen keys, and whether changes are keyed. */
function Transport({ keysChosen, children }: { keysChosen: boolean; children: React.ReactNode }) {
  const s = useSequence();
  const { rate } = useSettings();
  const fps = rate.numerator / rate.denominator;
  const [text, setText] = useState<string | null>(null);
  const button = (tip: string, icon: React.ReactNode, work: () => void, mark = {}) => (
    <Tip text={tip}>
      <IconAction aria-label={tip} onClick={work} {...mark}>
        {icon}
      </IconAction>
    </Tip>
  );
  return (
    <div className="transport">
      {button(withKeys('First frame', 'first'), <Icon.First />, () => goTo(s.header.firstFrame))}
      {button(withKeys('One frame back', 'back'), <Icon.StepBack />, () => goTo(Math.round(s.frame) - 1))}
      {button(
        withKeys(s.playing ? 'Stop playing' : 'Play', 'play'),
        s.playing ? <Icon.Pause /> : <Icon.Play />,
        () => play(!s.playing),
        { 'data-play': '' },
      )}
      {button(withKeys('One frame on', 'on'), <Icon.StepOn />, () => goTo(Math.round(s.frame) + 1))}
      {button(withKeys('Last frame', 'last'), <Icon.Last />, () => goTo(s.header.lastFrame))}
      <Words
        className="frame"
        aria-label="Frame"
        title="A frame, 12s, +2s or a timecode"
        value={text ?? String(s.frame)}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => setText(null)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter' && text !== null) {
            const read = attempt(() => core().readFrames(text, s.frame, false));
            if (read === undefined) return;
            goTo(read);
          }
          if (e.key !== 'Enter' && e.key !== 'Escape') return;
          setText(null);
          e.currentTarget.blur();
        }}
      />
      <Tip text={`${Math.round(fps * 1000) / 1000} frames a second`}>
        <span className="mono muted">{core().timecode(Math.floor(s.frame) - s.header.firstFrame)}</span>
      </Tip>
      {s.playing || s.dropped ? (
        <span
          className="mono"
          style={{ color: s.dropped ? 'var(--marigold)' : 'var(--soft)' }}
          data-testid="dropped"
        >
          {`${s.dropped} dropped`}
        </span>
      ) : null}
      <div className="lane-tools">{children}</div>
      <Editing>
        {keysChosen ? (
          <Choose
            aria-label="Automatic keying"
            value={s.keying}
            onChange={(e) => setKeying(e.target.value as Keying)}
          >
            {KEYING.map((k) => (
              <option key={k.value} value={k.value}>
                {k.shows}
              </option>
            ))}
          </Choose>
        ) : (
          <Segments
            name="Automatic keying"
            value={s.keying}
            of={KEYING}
            onChoose={(keying) => setKeying(keying)}
          />
        )}
      </Editing>
    </div>
  );
}

/** Frames that an arrow steps with Shift. */
const LEAP = 10;

function scrubByKey(e: React.KeyboardEvent): void {
  const by = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
  if (!by) return;
  e.preventDefault();
  e.stopPropagation();
  goTo(Math.round(useSequence.getState().frame) + by * (e.shiftKey ? LEAP : 1));
}

function Ruler({
  head,
  scale,
  onZoom,
}: {
  head: React.ReactNode;
  scale: Scale;
  onZoom: (about: number, by: number) => void;
}) {
  const { rate } = useSettings();
  const every = ruling(scale, rate.numerator / rate.denominator);
  const marks: number[] = [];
  for (let f = Math.ceil(scale.first / every) * every; f <= scale.last; f += every) marks.push(f);
  const svg = useRef<SVGSVGElement>(null);
  const scrub = (e: React.PointerEvent) =>
    goTo(
      snapped(
        scale,
        e.clientX - svg.current!.getBoundingClientRect().left - 0.5 * (toX(scale, 1) - toX(scale, 0)),
      ),
    );
  useEffect(() => {
    const el = svg.current!;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      onZoom(snapped(scale, e.offsetX), e.deltaY > 0 ? 1.25 : 0.8);
    };
    el.addEventListener('wheel', wheel, { passive: false });
    return () => el.removeEventListener('wheel', wheel);
  });
  return (
    <div
      className="lane"
      style={{ position: 'sticky', top: 0, zIndex: 3, background: 'var(--panel)', borderTop: 0 }}
    >
      <div className="lane-head">{head}</div>
      <svg
        ref={svg}
        height={22}
        role="slider"
        tabIndex={0}
        aria-label="Scrub"
        aria-valuenow={useSequence.getState().frame}
        aria-valuemin={scale.first}
        aria-valuemax={scale.last}
        style={{ cursor: 'ew-resize' }}
        onKeyDown={scrubByKey}
        onPointerDown={(e) => {
          play(false);
          e.currentTarget.setPointerCapture(e.pointerId);
          scrub(e);
        }}
        onPointerMove={(e) => e.buttons && scrub(e)}
      >
        <title>Drag to scrub; the wheel zooms, arrow keys step</title>
        {marks.map((f) => (
          <g key={f} transform={`translate(${toX(scale, f)} 0)`}>
            <path d="M0 15v7" stroke="#6d809e" />
            <text x={3} y={14} fill={palette.soft} fontSize={11} fontFamily="IBM Plex Mono">
              {f}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
