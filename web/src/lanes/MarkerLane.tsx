import { useState } from 'react';
import type { Marker } from '../core/types';
import { addMarker, markersOf } from '../doing/markers';
import { Bare } from '../kit/Bare';
import { Swatch } from '../fields/Swatch';
import { heldArrows, useHandles } from '../kit/dragging';
import { Floating } from '../kit/Floating';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { edit, preview } from '../session/document';
import { useSequence } from '../session/state';
import { goToReel } from '../session/time';
import { useWithKeys } from '../shortcuts/words';
import { palette } from '../theme/tokens';
import { toFrame, toX, type Scale } from './scale';
import './lanes.css';

const HIGH = 22;

/** Letters of a marker that are shown beside it where there is room, pixels each. */
const LETTER_PX = 6.6;

/** Words on frames of the programme: click to go there and write, drag to move. */
export function MarkerLane({ scale }: { scale: Scale }) {
  const entities = useSequence((s) => s.entities);
  const mayReview = useSequence((s) => s.mayReview);
  const markers = markersOf(entities);
  const withKeys = useWithKeys();
  const [open, setOpen] = useState<{ id: string; left: number; top: number } | null>(null);
  const handle = useHandles();
  const one = markers.find((m) => m.id === open?.id);
  const put = (m: Marker, by: Partial<Marker>, label: string) =>
    edit(label, { kind: 'replace', entity: { ...m, ...by } });
  const move = (m: Marker, frame: number) =>
    preview('Move a marker', { kind: 'replace', entity: { ...m, frame } });
  return (
    <div className="lane">
      <div className="lane-head muted">
        Markers
        <span className="grow" />
        <Tip text={withKeys('A marker on this frame', 'marker')}>
          <Bare
            className="badge more"
            disabled={!mayReview}
            aria-label="A marker on this frame"
            onClick={addMarker}
          >
            +
          </Bare>
        </Tip>
      </div>
      <svg height={HIGH} aria-label="Markers" data-testid="markers">
        {markers.map((m, i) => {
          const x = toX(scale, m.frame);
          const room = (markers[i + 1] ? toX(scale, markers[i + 1].frame) : scale.width) - x - 18;
          const text = m.name.slice(0, Math.max(0, Math.floor(room / LETTER_PX)));
          const show = (e: { left: number; top: number }) => {
            goToReel(m.frame);
            setOpen({ id: m.id, left: e.left, top: e.top });
          };
          return (
            <g
              key={m.id}
              transform={`translate(${x} 0)`}
              tabIndex={0}
              role="button"
              aria-label={`Marker ${m.name}, frame ${m.frame}`}
              style={{ cursor: 'grab' }}
              onClick={(e) => show({ left: e.clientX, top: e.clientY })}
              onKeyDown={(e) => {
                const r = e.currentTarget.getBoundingClientRect();
                if (e.key === 'Enter') show({ left: r.left, top: r.bottom });
                else if (e.key === 'Delete') {
                  e.stopPropagation();
                  edit('Remove a marker', { kind: 'remove', ids: [m.id], letGo: true });
                } else heldArrows(e, (dx) => move(m, m.frame + dx));
              }}
              {...handle(() => ({
                moved: (dx) => move(m, Math.round(toFrame(scale, toX(scale, m.frame) + dx))),
              }))}
            >
              <path d={`M0 3h10l-3 4 3 4H0v8`} fill={m.colour} stroke={m.colour} strokeWidth={1.5} />
              <text x={14} y={15} fontSize={11.5} fill={palette.paper}>
                {text}
              </text>
              <title>{`${m.name}: click to write, drag to move`}</title>
            </g>
          );
        })}
      </svg>
      <Floating
        name="Marker"
        className="menu-part marker-menu"
        open={one !== undefined}
        onClose={() => setOpen(null)}
        anchorReference="anchorPosition"
        anchorPosition={open ?? undefined}
      >
        {one ? (
          <>
            <Words
              autoFocus
              onFocus={(e) => e.currentTarget.select()}
              aria-label="What the marker says"
              defaultValue={one.name}
              maxLength={120}
              disabled={!mayReview}
              onKeyDown={(e) => {
                if (e.key !== 'Enter') return;
                e.currentTarget.blur();
                setOpen(null);
              }}
              onBlur={(e) => {
                const name = e.target.value.trim();
                if (name && name !== one.name) put(one, { name }, 'Write on a marker');
              }}
            />
            <span className="line">
              <Swatch
                label="Colour of the marker"
                value={one.colour}
                commands={(colour) => [{ kind: 'replace', entity: { ...one, colour } }]}
              />
              <span className="grow" />
              <Pill
                disabled={!mayReview}
                onClick={() => {
                  setOpen(null);
                  edit('Remove a marker', { kind: 'remove', ids: [one.id], letGo: true });
                }}
              >
                Remove
              </Pill>
            </span>
          </>
        ) : null}
      </Floating>
    </div>
  );
}
