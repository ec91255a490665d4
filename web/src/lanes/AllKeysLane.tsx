import { useRef, useState } from 'react';
import type { Entity } from '../core/types';
import { core } from '../session/evaluated';
import { useSequence } from '../session/state';
import { previewProposed } from '../session/proposals';
import { heldArrows, useHandles, type Follow } from '../kit/dragging';
import { toFrame, toX, type Scale } from './scale';
import { palette } from '../theme/tokens';
import { Chip } from '../kit/Chip';
import './lanes.css';

const HEIGHT = 24;

/** Every frame on which a key or a cue of the selected thing stands; all of a frame move together. */
export function AllKeysLane({ entity, scale }: { entity: Entity; scale: Scale }) {
  'use no memo';
  useSequence((s) => s.version); // cuts stand elsewhere, too
  const svg = useRef<SVGSVGElement>(null);
  const handle = useHandles();
  const [on, setOn] = useState<number[]>([]);
  const [box, setBox] = useState<{ x: number; w: number } | null>(null);
  const [cuts, setCuts] = useState(false);
  const camera = entity.kind === 'camera';
  const standing = (withCuts: boolean) => core().standing(entity.id, withCuts);
  const keyed = standing(false);
  const frames = cuts ? standing(true) : keyed;
  if (!frames.length && !camera) return null;
  const picked = on.filter((f) => frames.includes(f));
  const moved = (which: number[], by: number) => core().moveTogether(entity.id, which, by, cuts);
  const move =
    (f: number) =>
    (e: React.PointerEvent): Follow => {
      const which = picked.includes(f) ? picked : e.shiftKey || e.ctrlKey ? [...picked, f] : [f];
      setOn(which);
      (e.currentTarget as SVGElement).focus();
      let by = 0;
      return {
        moved: (dx) => {
          by = Math.round(toFrame(scale, toX(scale, f) + dx) - f);
          previewProposed(`Move keys and cues of ${entity.name}`, () => moved(which, by));
        },
        done: (kept) => kept && setOn(which.map((x) => x + by)),
      };
    };
  const boxSelect = (e: React.PointerEvent): Follow => {
    const x = e.clientX - svg.current!.getBoundingClientRect().left;
    setOn([]);
    return {
      moved: (dx) => {
        const b = { x: Math.min(x, x + dx), w: Math.abs(dx) };
        setBox(b);
        setOn(frames.filter((f) => toX(scale, f) >= b.x && toX(scale, f) <= b.x + b.w));
      },
      done: () => setBox(null),
    };
  };
  return (
    <div className="lane">
      <div className="lane-head">
        <strong title="Keys and cues of all lanes: drag one to move all that stands on its frame">
          All keys
        </strong>
        {camera ? (
          <Chip
            on={cuts}
            title="Its cuts too: they move along with what stands on their frame"
            onClick={() => setCuts(!cuts)}
          >
            Cuts too
          </Chip>
        ) : null}
        <span className="muted">{picked.length ? picked.length : ''}</span>
      </div>
      <svg ref={svg} height={HEIGHT} aria-label="All keys" data-testid="all-keys" {...handle(boxSelect)}>
        {frames.map((f, i) => (
          <g
            key={i}
            tabIndex={0}
            role="button"
            aria-label={`All keys and cues on frame ${f}`}
            data-standing={f}
            style={{ cursor: 'ew-resize' }}
            {...handle(move(f))}
            onKeyDown={(e) => {
              if (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight') return;
              const which = picked.includes(f) ? picked : [f];
              heldArrows(
                e,
                (by) => previewProposed(`Move keys and cues of ${entity.name}`, () => moved(which, by)),
                (by) => setOn(which.map((x) => x + by)),
              );
            }}
          >
            <title>{`Frame ${f}`}</title>
            <rect x={toX(scale, f) - 6} width={12} height={HEIGHT} fill="transparent" />
            {keyed.includes(f) ? null : (
              <path d={`M${toX(scale, f)} 0V${HEIGHT}`} stroke={palette.coral} strokeWidth={3} />
            )}
            <path
              d={`M${toX(scale, f)} 4l5 8-5 8-5-8z`}
              fill={picked.includes(f) ? palette.paper : '#9fb0c8'}
              stroke="#15223a"
            />
          </g>
        ))}
        {box ? (
          <rect x={box.x} width={box.w} height={HEIGHT} fill={palette.paper} fillOpacity={0.15} />
        ) : null}
      </svg>
    </div>
  );
}
