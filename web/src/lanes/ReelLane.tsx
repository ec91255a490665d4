import { useState } from 'react';
import type { Camera, Placed } from '../core/types';
import { chooseSounds } from '../doing/bring';
import { Chip } from '../kit/Chip';
import { heldArrows, useHandles } from '../kit/dragging';
import { Tip } from '../kit/Tip';
import { core } from '../session/evaluated';
import { shotOf, useProgramme } from '../session/programme';
import { select } from '../session/selection';
import { at } from '../session/http';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { goToReel } from '../session/time';
import { palette } from '../theme/tokens';
import { useShotPictures } from '../views/shotPictures';
import { Letters } from './CutLane';
import { Grip, GRIP } from './Grip';
import { MarkerLane } from './MarkerLane';
import { moveTo, orderAt, ReelDrag, type Way } from './reelDrag';
import { toX, type Scale } from './scale';
import { ShotMenu, type ShotMenuAt } from './ShotMenu';
import { dropSounds } from './SoundLanes';
import './lanes.css';

/** Height of the reel: a line of words over pictures. */
const HIGH = 116;
const WORDS = 24;

/** Narrower shots have no picture, and narrower ones yet no words and no grips, pixels. */
const [LEAST_PICTURED, LEAST_WORDED] = [48, 20];

/** What a shot without a camera looks like. */
const GAP = '#2a3a57';

/** Frames of the scene in one of the programme, on average. */
const speedOf = (p: Placed) => (p.last === p.first ? 1 : (p.sceneLast - p.sceneFirst) / (p.last - p.first));

/** A shot that is too narrow for anything to be done with it: closer it is a shot like the others. */
function Sliver({ x, w, colour }: { x: number; w: number; colour: string }) {
  return <rect x={x} y={2} width={Math.max(1, w - 1)} height={HIGH - 4} rx={2} fill={colour} />;
}

/** Said beside what is dragged. */
interface Says {
  x: number;
  text: string;
}

/** The programme: its shots one after the other, in its own time. */
export function ReelLane({ scale }: { scale: Scale }) {
  'use no memo';
  const shots = useProgramme();
  const wideOf = (p: Placed) => toX(scale, p.last + 1) - toX(scale, p.first);
  const seen = shots.filter(
    (p) => p.last + 1 > scale.first && p.first < scale.last + 1 && wideOf(p) >= LEAST_PICTURED,
  );
  const pictured = seen.map((p) => ({
    id: p.id,
    camera: p.camera,
    middle: core().sceneAt(Math.floor((p.first + p.last) / 2)),
  }));
  const { cameraPackage } = useSettings();
  const aspect = cameraPackage.deliveryWidth / cameraPackage.deliveryHeight;
  const pictures = useShotPictures(pictured, aspect);
  const approvals = useSequence((s) => s.approvals);
  const entities = useSequence((s) => s.entities);
  const selected = useSequence((s) => s.selected);
  const mayEdit = useSequence((s) => s.mayEdit);
  const [menu, setMenu] = useState<ShotMenuAt | null>(null);
  const [says, setSays] = useState<Says | null>(null);
  const [place, setPlace] = useState<number | null>(null);
  const handle = useHandles();
  const wide = (HIGH - WORDS - 6) * aspect;

  const grip = (p: Placed, i: number, way: Way, x: number, label: string) => (
    <Grip
      key={way}
      left={x}
      high={HIGH}
      label={label}
      value={way === 'tail' ? p.last : p.first}
      data-grip={`${way} ${p.id}`}
      onKeyDown={(e) => {
        const drag = new ReelDrag(shots, i, way, scale);
        heldArrows(e, (dx) => drag.by(dx));
      }}
      {...handle(() => {
        const drag = new ReelDrag(shots, i, way, scale);
        return {
          moved: (dx, _, now) => setSays({ x: x + dx, text: drag.to(dx, now.shiftKey) }),
          done: () => setSays(null),
        };
      })}
    />
  );

  /** A press on a shot: it is chosen; dragged it changes its place, with Alt its action, with Shift it slides. */
  const body = (p: Placed, i: number) =>
    handle((e) => {
      select(p.id);
      (e.currentTarget as SVGGElement).focus(); // keys are for the reel from here on
      const way: Way | null = e.altKey ? 'slip' : e.shiftKey ? 'slide' : null;
      const drag = way && new ReelDrag(shots, i, way, scale);
      const x = toX(scale, p.first);
      let to: number | null = null;
      return {
        moved: (dx) => {
          if (drag) setSays({ x: x + dx, text: drag.to(dx) });
          else if (Math.abs(dx) > GRIP) {
            to = orderAt(shots, scale, (toX(scale, p.first) + toX(scale, p.last + 1)) / 2 + dx);
            setPlace(to);
            setSays({ x: x + dx, text: to === shots.length ? 'behind all' : `before ${shots[to].shot}` });
          }
        },
        done: (kept) => {
          setSays(null);
          setPlace(null);
          if (kept && to !== null) moveTo(shots, i, to);
        },
      };
    });

  return (
    <>
      <div className="lane">
        <div className="lane-head muted">Cut here to</div>
        <Letters most={Infinity} />
      </div>
      <MarkerLane scale={scale} />
      <div className="lane">
        <div className="lane-head">
          <strong>Reel</strong>
          <span className="grow" />
          <span className="muted">{shots.length === 1 ? '1 shot' : `${shots.length} shots`}</span>
          <Tip text="WAV, FLAC, MP3 or OGG, laid where the playhead is; or drop them on the reel">
            <Chip disabled={!mayEdit} onClick={chooseSounds}>
              Sound…
            </Chip>
          </Tip>
        </div>
        <svg height={HIGH} aria-label="Reel" data-testid="reel" onDrop={(e) => dropSounds(e, scale, '')}>
          {shots.map((p, i) => {
            const c = p.camera ? (entities[p.camera] as Camera | undefined) : undefined;
            const shot = shotOf(p.id);
            const x = toX(scale, p.first);
            const w = Math.max(2, toX(scale, p.last + 1) - x);
            if (x + w < 0 || x > scale.width) return null;
            if (w < LEAST_WORDED) return <Sliver key={p.id} x={x} w={w} colour={c?.colour ?? GAP} />;
            const chosen = selected.includes(p.id);
            const colour = shot?.colour ?? c?.colour ?? GAP;
            const marks = [
              approvals[p.id] ? '✓' : '',
              (shot?.takes.length ?? 1) > 1 ? `${shot!.takes.length} takes` : '',
              speedOf(p) === 1 ? '' : `${Math.round(speedOf(p) * 100)} %`,
            ].filter(Boolean);
            return (
              <g key={p.id} data-shot={p.id}>
                <g
                  tabIndex={0}
                  role="button"
                  aria-pressed={chosen}
                  aria-label={`${c ? `${c.letter} ` : ''}${p.shot}${c ? ` · ${c.name}` : ': gap'}, frames ${p.first} to ${p.last} of the programme`}
                  style={{ cursor: 'grab' }}
                  onDoubleClick={() => goToReel(p.first)}
                  onContextMenu={(e) => {
                    e.preventDefault();
                    setMenu({ shot: p.id, left: e.clientX, top: e.clientY });
                  }}
                  onKeyDown={(e) => {
                    if (e.key !== 'Enter') return;
                    select(p.id);
                    goToReel(p.first);
                  }}
                  {...body(p, i)}
                >
                  <rect
                    x={x + 1}
                    y={2}
                    width={Math.max(1, w - 2)}
                    height={HIGH - 4}
                    rx={8}
                    fill={colour}
                    stroke={chosen ? palette.paper : 'none'}
                    strokeWidth={2}
                  />
                  <svg x={x} y={0} width={w} height={HIGH}>
                    <text x={9} y={WORDS - 7} fontSize={14} fontWeight={800} fill={palette.onAccent}>
                      {c?.letter ?? ''}
                    </text>
                    <text
                      x={c ? 27 : 9}
                      y={WORDS - 7}
                      fontSize={12}
                      fontWeight={600}
                      fill={c ? palette.onAccent : palette.soft}
                    >
                      {[p.shot, ...marks].join('  ')}
                    </text>
                    {p.board || (pictures[p.id] && c) ? (
                      <image
                        href={p.board ? at(`/api/assets/${p.board}`) : pictures[p.id]}
                        x={5}
                        y={WORDS}
                        width={wide}
                        height={HIGH - WORDS - 6}
                      />
                    ) : null}
                    {c || p.board ? null : (
                      <text x={9} y={WORDS + 22} fontSize={12} fill={palette.soft}>
                        Gap
                      </text>
                    )}
                  </svg>
                </g>
                {grip(p, i, 'head', i > 0 ? x + GRIP / 2 : x, `Beginning of ${p.shot}, later shots along`)}
                {i > 0 ? grip(p, i, 'roll', x - GRIP / 2, `Where ${p.shot} begins`) : null}
                {grip(p, i, 'tail', x + w - GRIP * 1.5, `End of ${p.shot}, later shots along`)}
              </g>
            );
          })}
          {place !== null ? (
            <rect
              x={toX(scale, shots[place]?.first ?? shots.at(-1)!.last + 1) - 2}
              y={0}
              width={4}
              height={HIGH}
              fill={palette.paper}
            />
          ) : null}
        </svg>
        {says ? (
          <span className="reel-says mono" role="status" style={{ left: Math.max(0, says.x) + 208 }}>
            {says.text}
          </span>
        ) : null}
        <ShotMenu at={menu} onClose={() => setMenu(null)} />
      </div>
    </>
  );
}
