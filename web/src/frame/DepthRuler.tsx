import { useEffect, useRef, useState } from 'react';
import type { Camera, Command } from '../core/types';
import { heldArrows, type Press, useHandles } from '../kit/dragging';
import { useCore, useShowNumber } from '../session/evaluated';
import { preview } from '../session/document';
import { mayKey } from '../session/laneState';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { rulerOf } from '../doing/about';
import { laidOut, scaleOf, ticks, toM, toX, type Scale } from './rulerLayout';
import { palette } from '../theme/tokens';
import './frame.css';

const HEIGHT = 74;
const ROW = 11;
const AXIS = 16;
const MOST_BARS = 14;

/** How much farther one press of an arrow puts a handle. */
const STEP = 1.02;

/** Distance from the lens: clips, focus, what is sharp, and each subject's extent; all of it drags. */
export function DepthRuler({ camera }: { camera: Camera }) {
  const svg = useRef<SVGSVGElement>(null);
  const [width, setWidth] = useState(400);
  const held = useRef<Scale | null>(null);
  const frame = useSequence((s) => s.frame);
  const mayEdit = useSequence((s) => s.mayEdit);
  const r = useCore((c) => (c.slot(camera.id) < 0 ? null : rulerOf(camera.id)));
  const grips = useHandles();
  useEffect(() => {
    const o = new ResizeObserver(([e]) => setWidth(Math.max(80, e.contentRect.width)));
    o.observe(svg.current!);
    return () => o.disconnect();
  }, []);
  const number = useShowNumber();
  if (!r) return null;
  const scale = held.current ? { ...held.current, width } : scaleOf(r, width);
  const show = (m: number | null) => (m === null ? '∞' : number(m, 'metres'));
  const set = (channel: string, value: number): Command => ({
    kind: 'setValue',
    id: camera.id,
    channel,
    frame,
    value,
    key: mayKey(),
  });
  const follows = camera.focus && camera.focus.subjects.length > 0 && camera.focus.cues.length > 0;
  const grab =
    (label: string, from: number, commands: (m: number) => Command[]): Press =>
    () => {
      held.current = scale; // it stays while something is dragged along it
      const x = toX(scale, from);
      return {
        moved: (dx) => preview(label, ...commands(toM(scale, x + dx))),
        done: () => (held.current = null),
      };
    };
  const limits = (nearM: number, farM: number | null): Command => ({
    kind: 'setLimits',
    camera: camera.id,
    frame,
    nearM,
    farM: farM ?? 1e9,
    key: mayKey(),
  });
  const handle = (
    name: string,
    m: number,
    colour: string,
    shape: string,
    y: number,
    press: Press,
    step: (m: number) => Command[],
    text = show(m),
  ) => (
    <g
      key={name}
      transform={`translate(${toX(scale, m)} 0)`}
      tabIndex={mayEdit ? 0 : -1}
      role="slider"
      aria-disabled={!mayEdit}
      aria-label={name}
      aria-valuenow={m}
      aria-valuetext={text}
      data-ruler={name}
      style={{ cursor: 'ew-resize', pointerEvents: mayEdit ? undefined : 'none' }}
      {...grips(press)}
      onKeyDown={(e) => {
        if (e.key === 'ArrowLeft' || e.key === 'ArrowRight')
          heldArrows(e, (steps) => preview(name, ...step(m * STEP ** steps)));
      }}
    >
      <title>{`${name}: ${text}`}</title>
      <rect
        x={name.startsWith('Near limit') ? -12 : name.startsWith('Far limit') ? 0 : -7}
        y={y < HEIGHT / 2 ? 0 : HEIGHT / 2}
        width={name.includes('limit') ? 12 : 14}
        height={HEIGHT / 2}
        fill="transparent"
      />
      <path d={`M0 0V${HEIGHT - AXIS}`} stroke={colour} strokeWidth={1.6} />
      <path d={shape} transform={`translate(0 ${y})`} fill={colour} />
    </g>
  );
  const focusTo = (m: number) => [set('focusDistance', m)];
  return (
    <div className="depth-ruler" data-testid="depth-ruler">
      <svg ref={svg} height={HEIGHT} aria-label="Depth ruler">
        <rect
          x={toX(scale, r.nearLimitM)}
          width={Math.max(1, toX(scale, r.farLimitM ?? scale.high) - toX(scale, r.nearLimitM))}
          height={HEIGHT - AXIS}
          fill={palette.lilac}
          opacity={0.26}
        >
          <title>{`Sharp from ${show(r.nearLimitM)} to ${show(r.farLimitM)}`}</title>
        </rect>
        <rect
          x={0}
          width={toX(scale, r.nearClipM)}
          height={HEIGHT - AXIS}
          fill={palette.coral}
          opacity={0.16}
        />
        <rect
          x={toX(scale, r.farClipM)}
          width={Math.max(0, width - toX(scale, r.farClipM))}
          height={HEIGHT - AXIS}
          fill={palette.coral}
          opacity={r.farClipM < scale.high ? 0.16 : 0}
        />
        {ticks(scale).map((m) => (
          <g key={m} transform={`translate(${toX(scale, m)} 0)`}>
            <path d={`M0 ${HEIGHT - AXIS}v4`} stroke={palette.slate} />
            <text
              y={HEIGHT - 2}
              textAnchor="middle"
              fontSize={10}
              fill={palette.soft}
              fontFamily="IBM Plex Mono"
            >
              {show(m)}
            </text>
          </g>
        ))}
        {laidOut(r.bars.slice(0, MOST_BARS), scale).map(({ bar: b, x, width: w, row, side }) => (
          <g
            key={b.id}
            transform={`translate(0 ${14 + row * (ROW + 2)})`}
            data-bar={b.id}
            opacity={b.inFrame ? 1 : 0.45}
            style={{ cursor: 'pointer' }}
            onClick={() => select(b.id)}
          >
            <title>{`${b.name}: ${show(b.pointM)} along the axis, ${show(b.straightM)} straight${b.inFrame ? '' : ', outside the frame'}`}</title>
            <rect x={x} width={w} height={ROW} rx={3} fill={palette.teal} />
            {side === 'none' ? null : (
              <text
                x={side === 'end' ? x - 4 : x + w + 4}
                y={9}
                fontSize={10.5}
                fontWeight={700}
                textAnchor={side}
                fill={palette.paper}
              >
                {b.name}
              </text>
            )}
          </g>
        ))}
        {handle(
          'Near clip',
          r.nearClipM,
          palette.coral,
          'M0 0h7v5H5V9H0z',
          0,
          grab('Near clip', r.nearClipM, (m) => [set('nearClip', m)]),
          (m) => [set('nearClip', m)],
        )}
        {r.farClipM < scale.high
          ? handle(
              'Far clip',
              r.farClipM,
              palette.coral,
              'M0 0h-7v5h2V9H0z',
              0,
              grab('Far clip', r.farClipM, (m) => [set('farClip', m)]),
              (m) => [set('farClip', m)],
            )
          : handle(
              'Far clip',
              scale.high,
              palette.coral,
              'M0 0h-7v5h2V9H0z',
              0,
              grab('Far clip', scale.high, (m) => [set('farClip', m)]),
              (m) => [set('farClip', m)],
              show(r.farClipM),
            )}
        {handle(
          'Near limit of what is sharp',
          r.nearLimitM,
          '#cdb3f7',
          'M0 0l-5 -4v8z',
          HEIGHT - AXIS - 5,
          grab('Near limit', r.nearLimitM, (m) => [limits(m, r.farLimitM)]),
          (m) => [limits(m, r.farLimitM)],
        )}
        {handle(
          'Far limit of what is sharp',
          r.farLimitM ?? scale.high,
          '#cdb3f7',
          'M0 0l5 -4v8z',
          HEIGHT - AXIS - 5,
          grab('Far limit', r.farLimitM ?? scale.high, (m) => [
            limits(r.nearLimitM, m > scale.high * 0.98 ? null : m),
          ]),
          (m) => [limits(r.nearLimitM, m)],
          show(r.farLimitM),
        )}
        {handle(
          'Focus',
          r.focusM,
          palette.lilac,
          'M0 -1l6 6-6 8-6-8z',
          1,
          (e) => {
            if (!follows) return grab('Focus', r.focusM, focusTo)(e);
            say('Focus follows its subjects. Let it go in the Focus card to set it by hand.');
            return null;
          },
          focusTo,
        )}
      </svg>
      <span className="mono ruler-says">
        {`focus ${show(r.focusM)} · `}
        <span className="ruler-clips">{`clips ${show(r.nearClipM)} – ${show(r.farClipM)} · `}</span>
        {`hyperfocal ${show(r.hyperfocalM)}`}
      </span>
    </div>
  );
}
