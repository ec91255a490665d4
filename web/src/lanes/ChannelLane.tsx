import { useState } from 'react';
import { theCore } from '../core/load';
import type { Curve, Key, KeyShape } from '../core/types';
import { channelOf, type ChannelInfo } from '../fields/NumberField';
import { edit, preview, useSequence } from '../sequence/store';
import { drag } from './dragging';
import { toFrame, toX, type Scale } from './scale';

const CLOSED = 34;
const OPEN = 190;
const SHAPES: { id: KeyShape; name: string }[] = [
  { id: 'hold', name: 'Hold' },
  { id: 'straight', name: 'Straight' },
  { id: 'smooth', name: 'Smooth' },
  { id: 'free', name: 'Free' },
];

/** A key as a small kite whose tail hangs on the side it eases on. */
function KeyKite({ x, y, shape, on }: { x: number; y: number; shape: KeyShape; on: boolean }) {
  const tail =
    shape === 'smooth'
      ? 'M-4 3q-5 1-7 4M4 3q5 1 7 4'
      : shape === 'free'
        ? 'M4 3q6 0 8 4'
        : shape === 'straight'
          ? 'M3 4l6 5'
          : 'M5 0h8';
  return (
    <g transform={`translate(${x} ${y})`}>
      <path d={tail} fill="none" stroke="#f2b441" strokeWidth={1.5} />
      <path d="M0-7 5 0 0 7-5 0z" fill={on ? '#f6efe0' : '#f2b441'} stroke="#15223a" strokeWidth={1} />
    </g>
  );
}

/** One moving number: its curve small in the lane, or a full editor when opened. */
export function ChannelLane({ id, address, scale }: { id: string; address: string; scale: Scale }) {
  const key = `${id}:${address}`;
  const open = useSequence((s) => s.openLanes.includes(key));
  const entity = useSequence((s) => s.entities[id]);
  const frame = useSequence((s) => s.frame);
  const [chosen, setChosen] = useState<number[]>([]);
  const curve = channelOf(entity, address);
  if (!entity || typeof curve !== 'object') return null;
  const info = (JSON.parse(theCore().channels(id, frame)) as ChannelInfo[]).find(
    (c) => c.address === address,
  )!;
  const height = open ? OPEN : CLOSED;
  const samples = new Float64Array(Math.max(2, Math.floor(scale.width / 2)));
  const step = (scale.last + 1 - scale.first) / (samples.length - 1);
  theCore().curve(id, address, scale.first, step, samples);
  let low = Math.min(...samples, ...curve.keys.map((k) => k.value));
  let high = Math.max(...samples, ...curve.keys.map((k) => k.value));
  if (high - low < 1e-9) {
    low -= 1;
    high += 1;
  }
  const pad = open ? 26 : 8;
  const toY = (v: number) => height - pad - ((v - low) / (high - low)) * (height - 2 * pad);
  const perPixel = (high - low) / (height - 2 * pad);
  const line = Array.from(
    samples,
    (v, i) => `${((i / (samples.length - 1)) * scale.width).toFixed(1)} ${toY(v).toFixed(2)}`,
  ).join('L');
  const part =
    address.includes('/') && entity.kind === 'camera'
      ? entity.rig.find((p) => p.id === address.split('/')[0])?.kind
      : undefined;
  const on = chosen.filter((f) => curve.keys.some((k) => k.frame === f));
  const toggle = () =>
    useSequence.setState((s) => ({
      openLanes: open ? s.openLanes.filter((l) => l !== key) : [...s.openLanes, key],
    }));
  const move = (k: Key) => (e: React.PointerEvent) => {
    const frames = on.includes(k.frame) ? on : e.shiftKey ? [...on, k.frame] : [k.frame];
    setChosen(frames);
    (e.currentTarget as SVGElement).focus();
    let landed = frames;
    drag(
      e,
      (dx, dy, m) => {
        const byFrames = Math.round(toFrame(scale, toX(scale, k.frame) + dx) - k.frame);
        const byValue = open && !m.shiftKey ? -dy * perPixel : 0;
        landed = frames.map((f) => f + byFrames);
        preview(`Move keys of ${info.label}`, {
          kind: 'moveKeys',
          id,
          channel: address,
          frames,
          byFrames,
          byValue,
        });
      },
      () => setChosen(landed),
    );
  };
  const remove = () =>
    edit(`Remove keys of ${info.label}`, { kind: 'removeKeys', id, channel: address, frames: on });
  return (
    <div className="lane">
      <div className="lane-head">
        <span className="dot" style={{ background: 'var(--marigold)' }} />
        <button
          className="name"
          aria-expanded={open}
          title={open ? 'Close the lane' : 'Open the lane'}
          onClick={toggle}
        >
          {part ? `${part[0].toUpperCase()}${part.slice(1)} · ` : ''}
          {info.label}
        </button>
        <span className="mono muted">{theCore().showNumber(info.value, info.unit)}</span>
      </div>
      <div style={{ position: 'relative' }}>
        <svg
          height={height}
          aria-label={`Lane of ${info.label}`}
          data-lane={address}
          onDoubleClick={(e) => {
            const r = e.currentTarget.getBoundingClientRect();
            edit(`Key ${info.label}`, {
              kind: 'insertKey',
              id,
              channel: address,
              frame: Math.round(toFrame(scale, e.clientX - r.left)),
            });
          }}
          onPointerDown={() => setChosen([])}
        >
          {open
            ? [high, (high + low) / 2, low].map((v) => (
                <g key={v}>
                  <path d={`M0 ${toY(v)}H${scale.width}`} stroke="#34486b" strokeDasharray="3 5" />
                  <text x={4} y={toY(v) - 4} fontSize={10.5} fill="#9fb0c8" fontFamily="IBM Plex Mono">
                    {theCore().showNumber(v, info.unit)}
                  </text>
                </g>
              ))
            : null}
          <path d={`M${line}`} fill="none" stroke="#f2b441" strokeWidth={open ? 2 : 1.5} />
          {open ? (
            <HandleGrips
              id={id}
              address={address}
              label={info.label}
              curve={curve}
              scale={scale}
              toY={toY}
              perPixel={perPixel}
              chosen={on}
            />
          ) : null}
          {curve.keys.map((k) => (
            <g
              key={k.frame}
              tabIndex={0}
              role="button"
              aria-label={`Key of ${info.label} on frame ${k.frame}, ${theCore().showNumber(k.value, info.unit)}`}
              data-key={k.frame}
              style={{ cursor: 'move' }}
              onPointerDown={move(k)}
              onFocus={() => !on.includes(k.frame) && setChosen([k.frame])}
              onDoubleClick={(e) => e.stopPropagation()}
              onKeyDown={(e) => {
                const arrows: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1 };
                if (e.key === 'Delete' || e.key === 'Backspace') remove();
                else if (arrows[e.key]) {
                  if (
                    edit(`Move keys of ${info.label}`, {
                      kind: 'moveKeys',
                      id,
                      channel: address,
                      frames: on,
                      byFrames: arrows[e.key],
                      byValue: 0,
                    })
                  )
                    setChosen(on.map((f) => f + arrows[e.key]));
                } else return;
                e.preventDefault();
                e.stopPropagation();
              }}
            >
              <rect
                x={toX(scale, k.frame) - 9}
                y={toY(k.value) - 10}
                width={18}
                height={20}
                fill="transparent"
              />
              <KeyKite x={toX(scale, k.frame)} y={toY(k.value)} shape={k.shape} on={on.includes(k.frame)} />
            </g>
          ))}
        </svg>
        {on.length > 0 ? (
          <div
            className="segments"
            style={{ position: 'absolute', right: 6, top: 4 }}
            role="group"
            aria-label="Key shape"
          >
            {SHAPES.map((s) => {
              const all = on.every((f) => curve.keys.find((k) => k.frame === f)?.shape === s.id);
              return (
                <button
                  key={s.id}
                  className={all ? 'on' : ''}
                  aria-pressed={all}
                  onClick={() =>
                    edit(`${s.name} keys of ${info.label}`, {
                      kind: 'shapeKeys',
                      id,
                      channel: address,
                      frames: on,
                      shape: s.id,
                    })
                  }
                >
                  {s.name}
                </button>
              );
            })}
            <button onClick={remove}>Remove</button>
          </div>
        ) : null}
      </div>
    </div>
  );
}

/** The handles of chosen and of free keys; dragging one makes its key free. */
function HandleGrips(p: {
  id: string;
  address: string;
  label: string;
  curve: Curve;
  scale: Scale;
  toY: (v: number) => number;
  perPixel: number;
  chosen: number[];
}) {
  const handles = JSON.parse(theCore().handles(p.id, p.address)) as [number, number, number, number][];
  const grips: { key: Key; outgoing: boolean; reach: number; rise: number }[] = [];
  p.curve.keys.forEach((k, i) => {
    if (!p.chosen.includes(k.frame)) return;
    if (i < handles.length && k.shape !== 'hold')
      grips.push({ key: k, outgoing: true, reach: handles[i][0], rise: handles[i][1] });
    if (i > 0) grips.push({ key: k, outgoing: false, reach: handles[i - 1][2], rise: handles[i - 1][3] });
  });
  return (
    <>
      {grips.map(({ key: k, outgoing, reach, rise }) => {
        const x0 = toX(p.scale, k.frame);
        const y0 = p.toY(k.value);
        const x = toX(p.scale, k.frame + (outgoing ? reach : -reach));
        const y = p.toY(k.value + rise);
        return (
          <g key={`${k.frame}${outgoing}`}>
            <path d={`M${x0} ${y0}L${x} ${y}`} stroke="#f6efe0" strokeWidth={1} opacity={0.7} />
            <circle
              cx={x}
              cy={y}
              r={5}
              fill="#15223a"
              stroke="#f6efe0"
              strokeWidth={1.5}
              style={{ cursor: 'grab' }}
              data-handle={`${k.frame}-${outgoing ? 'out' : 'in'}`}
              onPointerDown={(e) =>
                drag(e, (dx, dy) => {
                  const frames = toFrame(p.scale, x + dx) - k.frame;
                  preview(`Shape ${p.label}`, {
                    kind: 'dragHandle',
                    id: p.id,
                    channel: p.address,
                    frame: k.frame,
                    outgoing,
                    reach: Math.max(0, outgoing ? frames : -frames),
                    rise: rise - dy * p.perPixel,
                  });
                })
              }
            />
          </g>
        );
      })}
    </>
  );
}
