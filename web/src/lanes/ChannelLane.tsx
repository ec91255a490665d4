import { flipLane } from '../session/laneState';
import { choose, chooseKeys } from '../session/selection';
import { useEffect, useRef, useState } from 'react';
import type { ChannelInfo, Key } from '../core/types';
import { core } from '../session/evaluated';
import { STEP, channelOf } from '../fields/NumberField';
import { edit, preview } from '../session/document';
import { useSequence } from '../session/state';
import * as Icon from '../kit/icons';
import { PARTS } from '../doing/parts';
import { chosen, laneOf, removeChosen } from './chosen';
import { heldArrows, useHandles, type Follow } from '../kit/dragging';
import { HandleGrips } from './HandleGrips';
import { KeyKite } from '../kit/KeyKite';
import { toFrame, toX, type Scale } from './scale';
import { palette } from '../theme/tokens';
import { Bare } from '../kit/Bare';
import { IconAction } from '../kit/IconAction';
import './lanes.css';

const CLOSED = 34;
const NO_KEYS: number[] = [];

/** How lanes draw their curves. */
export interface LaneLook {
  /** Least and most value by unit, when lanes of one unit share a scale; else each fills its own. */
  shared: Record<string, [number, number]> | null;
  speed: boolean;
  /** Height of an opened lane in pixels. */
  openPx: number;
}

/** One moving number: its curve small in the lane, or a full editor when opened. */
export function ChannelLane({
  id,
  address,
  scale,
  look,
}: {
  id: string;
  address: string;
  scale: Scale;
  look: LaneLook;
}) {
  'use no memo';
  const key = laneOf(id, address);
  const open = useSequence((s) => s.openLanes.includes(key));
  const lockedHere = useSequence((s) => s.lockedLanes.includes(key));
  useSequence((s) => s.version); // numbers are shown in other units, too
  const entity = useSequence((s) => s.entities[id]);
  const frame = useSequence((s) => s.frame);
  const picked = useSequence((s) => s.chosenKeys[key] ?? NO_KEYS);
  const svg = useRef<SVGSVGElement>(null);
  const pressing = useRef(false);
  const handle = useHandles();
  useEffect(() => {
    if (open) svg.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const [box, setBox] = useState<{ x: number; y: number; w: number; h: number } | null>(null);
  const curve = channelOf(entity, address);
  if (!entity || typeof curve !== 'object') return null;
  const info = core()
    .channels(id, frame)
    .find((c) => c.address === address)!;
  // a camera's numbers are locked in the document, for everyone; others on this page
  const locked = lockedHere || info.locked !== '';
  const lock = () =>
    entity.kind === 'camera' && !entity.locked
      ? void edit(`${locked ? 'Unlock' : 'Lock'} ${info.label}`, {
          kind: 'lockChannels',
          camera: id,
          channels: [address],
          locked: !locked,
        })
      : flip('lockedLanes');
  const height = open ? look.openPx : CLOSED;
  const samples = new Float64Array(Math.max(2, Math.floor(scale.width / 2)));
  const step = (scale.last + 1 - scale.first) / (samples.length - 1);
  core().curve(id, address, scale.first, step, samples);
  let [low, high] = look.shared?.[info.unit] ?? [
    Math.min(...samples, ...curve.keys.map((k) => k.value)),
    Math.max(...samples, ...curve.keys.map((k) => k.value)),
  ];
  if (high - low < 1e-9) {
    low -= 1;
    high += 1;
  }
  const pad = open ? 26 : 8;
  const toY = (v: number) => height - pad - ((v - low) / (high - low)) * (height - 2 * pad);
  const perPixel = (high - low) / (height - 2 * pad);
  const across = (i: number) => ((i / (samples.length - 1)) * scale.width).toFixed(1);
  const line = Array.from(samples, (v, i) => `${across(i)} ${toY(v).toFixed(2)}`).join('L');
  const part =
    address.includes('/') && entity.kind === 'camera'
      ? entity.rig.find((p) => p.id === address.split('/')[0])
      : undefined;
  const on = picked.filter((f) => curve.keys.some((k) => k.frame === f));
  const flip = (list: 'openLanes' | 'lockedLanes' | 'hiddenLanes') => flipLane(list, key);
  const move =
    (k: Key) =>
    (e: React.PointerEvent): Follow => {
      const more = e.shiftKey || e.ctrlKey;
      const mine = on.includes(k.frame) ? on : more ? [...on, k.frame] : [k.frame];
      if (!on.includes(k.frame)) choose(key, mine, more);
      pressing.current = true; // the press has chosen; only a focus that comes by itself chooses
      (e.currentTarget as SVGElement).focus();
      pressing.current = false;
      const lanes = chosen();
      let landed = 0;
      return {
        moved: (dx, dy, m) => {
          landed = Math.round(toFrame(scale, toX(scale, k.frame) + dx) - k.frame);
          // values move in the lane that is dragged; frames move in all
          preview(
            `Move keys of ${info.label}`,
            ...lanes.map((p) => ({
              kind: 'moveKeys' as const,
              id: p.id,
              channel: p.channel,
              frames: p.frames,
              byFrames: landed,
              byValue: p.id === id && p.channel === address && open && !m.shiftKey ? -dy * perPixel : 0,
            })),
          );
        },
        done: (kept) =>
          kept &&
          chooseKeys(
            Object.fromEntries(lanes.map((p) => [laneOf(p.id, p.channel), p.frames.map((f) => f + landed)])),
          ),
      };
    };
  const boxSelect = (e: React.PointerEvent): Follow => {
    const r = svg.current!.getBoundingClientRect();
    const [x, y] = [e.clientX - r.left, e.clientY - r.top];
    const more = e.shiftKey || e.ctrlKey;
    let inside: number[] = [];
    if (!more) choose(key, []);
    return {
      moved: (dx, dy) => {
        const b = { x: Math.min(x, x + dx), y: Math.min(y, y + dy), w: Math.abs(dx), h: Math.abs(dy) };
        setBox(b);
        inside = curve.keys
          .filter((k) => {
            const kx = toX(scale, k.frame);
            return (
              kx >= b.x && kx <= b.x + b.w && (!open || (toY(k.value) >= b.y && toY(k.value) <= b.y + b.h))
            );
          })
          .map((k) => k.frame);
        choose(key, more ? [...new Set([...on, ...inside])] : inside, more);
      },
      done: () => setBox(null),
    };
  };
  const nudge = (e: React.KeyboardEvent): boolean => {
    const lanes = chosen();
    return heldArrows(
      e,
      (by, down) =>
        preview(
          'Move keys',
          ...lanes.map((p) => ({
            kind: 'moveKeys' as const,
            id: p.id,
            channel: p.channel,
            frames: p.frames,
            byFrames: by,
            byValue: p.id === id && p.channel === address ? -down * STEP[info.unit] : 0,
          })),
        ),
      (by) =>
        chooseKeys(
          Object.fromEntries(lanes.map((p) => [laneOf(p.id, p.channel), p.frames.map((f) => f + by)])),
        ),
    );
  };
  return (
    <div className={`lane ${locked ? 'lane-locked' : ''}`}>
      <div className="lane-head">
        <span className="dot" style={{ background: 'var(--marigold)' }} />
        <Bare
          className="name"
          aria-expanded={open}
          title={open ? 'Close the lane' : 'Open the lane'}
          onClick={() => flip('openLanes')}
        >
          {entity.kind === 'camera' ? `${entity.letter} · ` : `${entity.name} · `}
          {part ? `${PARTS[part.kind].name} · ` : ''}
          {info.label}
        </Bare>
        <span className="mono muted">{core().showNumber(info.value, info.unit)}</span>
        <IconAction
          size="tiny"
          lit={locked}
          aria-label={`${locked ? 'Unlock' : 'Lock'} the lane of ${info.label}`}
          title={locked ? 'Unlock this lane' : 'Lock this lane: its keys cannot be touched'}
          aria-pressed={locked}
          onClick={lock}
        >
          {locked ? <Icon.Lock /> : <Icon.Unlock />}
        </IconAction>
        <IconAction
          size="tiny"
          aria-label={`Hide the lane of ${info.label}`}
          title="Hide this lane"
          onClick={() => flip('hiddenLanes')}
        >
          <Icon.EyeShut />
        </IconAction>
      </div>
      <svg
        ref={svg}
        height={height}
        aria-label={`Lane of ${info.label}`}
        data-lane={address}
        onDoubleClick={(e) => {
          if (locked) return;
          const r = e.currentTarget.getBoundingClientRect();
          edit(`Key ${info.label}`, {
            kind: 'insertKey',
            id,
            channel: address,
            frame: Math.round(toFrame(scale, e.clientX - r.left)),
          });
        }}
        {...(locked ? {} : handle(boxSelect))}
      >
        {open
          ? [high, (high + low) / 2, low].map((v) => (
              <g key={v}>
                <path d={`M0 ${toY(v)}H${scale.width}`} stroke={palette.line} strokeDasharray="3 5" />
                <text x={4} y={toY(v) - 4} fontSize={10.5} fill="#9fb0c8" fontFamily="IBM Plex Mono">
                  {core().showNumber(v, info.unit)}
                </text>
              </g>
            ))
          : null}
        {look.speed ? (
          <SpeedLine id={id} info={info} scale={scale} height={height} pad={pad} open={open} />
        ) : null}
        <path d={`M${line}`} fill="none" stroke={palette.marigold} strokeWidth={open ? 2 : 1.5} />
        {open && !locked ? (
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
        {curve.keys.map((k, i) => (
          <g
            key={i}
            tabIndex={locked ? -1 : 0}
            role="button"
            aria-label={`Key of ${info.label} on frame ${k.frame}, ${core().showNumber(k.value, info.unit)}`}
            data-key={k.frame}
            style={{ cursor: locked ? 'default' : 'move' }}
            {...(locked ? {} : handle(move(k)))}
            onFocus={() => !pressing.current && !locked && !on.includes(k.frame) && choose(key, [k.frame])}
            onDoubleClick={(e) => e.stopPropagation()}
            onKeyDown={(e) => {
              if (nudge(e)) return;
              if (e.key !== 'Delete' && e.key !== 'Backspace') return;
              removeChosen();
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
        {box ? (
          <rect
            x={box.x}
            y={box.y}
            width={box.w}
            height={box.h}
            fill={palette.paper}
            fillOpacity={0.12}
            stroke={palette.paper}
            strokeDasharray="4 3"
          />
        ) : null}
      </svg>
    </div>
  );
}

/** What a speed is measured in, for each unit. */
const PER_SECOND: Record<string, string> = {
  metres: 'a second',
  degrees: '°/s',
  millimetres: 'mm/s',
  percent: '%/s',
};

/** How fast the number changes, on a scale of its own, with its greatest speed written. */
function SpeedLine({
  id,
  info,
  scale,
  height,
  pad,
  open,
}: {
  id: string;
  info: ChannelInfo;
  scale: Scale;
  height: number;
  pad: number;
  open: boolean;
}) {
  'use no memo';
  const n = Math.max(2, Math.floor(scale.width / 2));
  const v = new Float64Array(n);
  core().speed(id, info.address, scale.first, (scale.last + 1 - scale.first) / (n - 1), v);
  let most = 1e-9;
  for (const x of v) most = Math.max(most, Math.abs(x));
  const y = (x: number) => height / 2 - (x / most) * (height / 2 - pad);
  const unit = PER_SECOND[info.unit] ?? 'a second';
  const said = core().showNumber(most, info.unit);
  return (
    <g data-testid="speed">
      <path
        d={`M${Array.from(v, (x, i) => `${((i / (n - 1)) * scale.width).toFixed(1)} ${y(x).toFixed(1)}`).join('L')}`}
        fill="none"
        stroke="#7fb2f0"
        strokeWidth={1.2}
        strokeDasharray="5 3"
      />
      {open ? (
        <text
          x={scale.width - 8}
          y={14}
          textAnchor="end"
          fontSize={11}
          fill="#7fb2f0"
          fontFamily="IBM Plex Mono"
        >
          {`at most ${info.unit === 'metres' ? `${said} ${unit}` : `${said.replace(/[^0-9.,-]+$/, '')} ${unit}`}`}
        </text>
      ) : null}
    </g>
  );
}
