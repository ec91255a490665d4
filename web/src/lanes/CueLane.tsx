import { useState } from 'react';
import type { Attention, Camera, Cue, Light } from '../core/types';
import { core } from '../session/evaluated';
import { edit, preview } from '../session/document';
import { useSequence } from '../session/state';
import { CueEditor } from './CueEditor';
import { CueMenu } from './CueMenu';
import { ShareLines } from './ShareLines';
import { heldArrows, useHandles } from '../kit/dragging';
import { toFrame, toX, type Scale } from './scale';
import { palette } from '../theme/tokens';
import './lanes.css';

const HEIGHT = 56;
const LILACS = [palette.lilac, '#cdb3f7', '#8f6bd0', '#e0d2fb', '#a079dd', '#d3a7ea'];
const SHADES = [palette.teal, '#7bd3c8', '#1f7f78', '#a8e0c4', '#2a9a6f', '#68b5d6'];

/** Shares of attention as stacked areas that fill the lane, with the cues on top. */
export function CueLane({
  camera,
  part,
  name,
  scale,
}: {
  /** A camera, or a light that is aimed. */
  camera: Camera | Light;
  part: Pick<Attention, 'id' | 'subjects' | 'cues'>;
  name: 'Framings' | 'Attention' | 'Focus';
  scale: Scale;
}) {
  'use no memo';
  const entities = useSequence((s) => s.entities);
  const handle = useHandles();
  const shades =
    name === 'Focus'
      ? LILACS
      : name === 'Attention'
        ? SHADES
        : part.subjects.map((s) => (entities[s.entity] as Camera | undefined)?.colour ?? palette.slate);
  const [edited, setEdited] = useState<{ frame: number; left: number; top: number } | null>(null);
  const shownCue = part.cues.find((c) => c.frame === edited?.frame);
  const n = part.subjects.length;
  const steps = Math.max(2, Math.floor(scale.width / 3));
  const step = (scale.last + 1 - scale.first) / (steps - 1);
  const shares = new Float64Array(steps * n);
  core().shares(camera.id, part.id, scale.first, step, shares);
  const area = (i: number) => {
    const top: string[] = [];
    const bottom: string[] = [];
    for (let k = 0; k < steps; k++) {
      let below = 0;
      for (let j = 0; j < i; j++) below += shares[k * n + j];
      const x = (k / (steps - 1)) * scale.width;
      bottom.push(`${x} ${below * HEIGHT}`);
      top.push(`${x} ${(below + shares[k * n + i]) * HEIGHT}`);
    }
    return `M${bottom.join('L')}L${top.reverse().join('L')}Z`;
  };
  const move = (cue: Cue, toFrame_: number, travel: number) =>
    preview('Move a cue', {
      kind: 'moveCue',
      camera: camera.id,
      part: part.id,
      frame: cue.frame,
      toFrame: toFrame_,
      travel: Math.max(0, travel),
    });
  return (
    <div className="lane">
      <div className="lane-head">
        <span className="dot" style={{ background: shades[0] ?? palette.slate }} />
        <span className="name">{name}</span>
        <span className="muted">{part.cues.length === 1 ? '1 cue' : `${part.cues.length} cues`}</span>
        <CueMenu camera={camera} part={part.id} name={name} cues={part.cues} />
      </div>
      <svg height={HEIGHT} aria-label={`${name} lane`} data-testid={`${name.toLowerCase()}-lane`}>
        {part.subjects.map((s, i) => (
          <path key={s.entity} d={area(i)} fill={shades[i % shades.length]} opacity={0.85} />
        ))}
        {part.cues.map((cue, i) => {
          const x = toX(scale, cue.frame);
          const end = toX(scale, cue.frame + cue.travel);
          const held = Object.entries(cue.mix).sort((a, b) => b[1] - a[1])[0];
          const next = part.cues[i + 1];
          const room = (next ? toX(scale, next.frame) : scale.width) - end;
          return (
            <g key={i}>
              {room > 24 ? (
                <svg x={end} width={Math.max(0, room - 6)} height={HEIGHT}>
                  <text x={16} y={HEIGHT / 2 + 4} fontSize={12} fontWeight={700} fill="#06201d">
                    {held
                      ? `${entities[held[0]]?.name ?? ''}${held[1] < 0.995 ? ` ${Math.round(held[1] * 100)} %` : ''}`
                      : name === 'Framings'
                        ? 'its own place'
                        : 'free'}
                  </text>
                </svg>
              ) : null}
              <ShareLines
                camera={camera}
                part={part}
                cue={cue}
                from={end + 8}
                width={room - 14}
                height={HEIGHT}
              />
              <g
                tabIndex={0}
                role="button"
                aria-label={`Cue on frame ${cue.frame}, travels ${cue.travel} frames`}
                style={{ cursor: 'grab' }}
                data-cue={cue.frame}
                onKeyDown={(e) => {
                  if (e.key === 'ArrowLeft' || e.key === 'ArrowRight')
                    heldArrows(e, (dx) => move(cue, cue.frame + dx, cue.travel));
                  if (e.key === 'Enter') {
                    e.stopPropagation();
                    const r = e.currentTarget.getBoundingClientRect();
                    setEdited({ frame: cue.frame, left: r.left, top: r.top });
                  }
                  if (e.key === 'Delete' || e.key === 'Backspace') {
                    e.stopPropagation();
                    edit('Remove a cue', {
                      kind: 'removeCue',
                      camera: camera.id,
                      part: part.id,
                      frame: cue.frame,
                    });
                  }
                }}
                onDoubleClick={(e) => setEdited({ frame: cue.frame, left: e.clientX, top: e.clientY })}
                onContextMenu={(e) => {
                  e.preventDefault();
                  setEdited({ frame: cue.frame, left: e.clientX, top: e.clientY });
                }}
                {...handle((e) => {
                  (e.currentTarget as SVGElement).focus();
                  return { moved: (dx) => move(cue, Math.round(toFrame(scale, x + dx)), cue.travel) };
                })}
              >
                <title>{`Cue on frame ${cue.frame}: drag to move, double-click for its shares and ease, Delete removes`}</title>
                <path d={`M${x} 0V${HEIGHT}`} stroke={palette.paper} strokeWidth={2} />
                <path d={`M${x} 2l6 6-6 8-6-8z`} fill={palette.paper} />
              </g>
              <rect
                x={Math.max(end, x + 7)}
                y={0}
                width={8}
                height={HEIGHT}
                fill={palette.paper}
                fillOpacity={0.35}
                rx={3}
                style={{ cursor: 'ew-resize' }}
                data-travel={cue.frame}
                {...handle(() => ({
                  moved: (dx) => move(cue, cue.frame, Math.round(toFrame(scale, end + dx) - cue.frame)),
                }))}
              >
                <title>{`Travels ${cue.travel} frames: drag to change`}</title>
              </rect>
            </g>
          );
        })}
      </svg>
      {edited && shownCue ? (
        <CueEditor
          camera={camera}
          part={part.id}
          subjects={part.subjects.map((s) => s.entity)}
          cue={shownCue}
          at={edited}
          onClose={() => setEdited(null)}
        />
      ) : null}
    </div>
  );
}
