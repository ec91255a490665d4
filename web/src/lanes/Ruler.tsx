import { useEffect, useRef } from 'react';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { goIn, play, shownTime, stepBy } from '../session/time';
import { palette } from '../theme/tokens';
import { ruling, snapped, toX, type Scale } from './scale';
import './lanes.css';

/** Frames that an arrow steps with Shift. */
const LEAP = 10;

function scrubByKey(e: React.KeyboardEvent): void {
  const by = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
  if (!by) return;
  e.preventDefault();
  e.stopPropagation();
  stepBy(by * (e.shiftKey ? LEAP : 1));
}

/** Frames along the top: dragged it scrubs, the wheel zooms. */
export function Ruler({
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
  const at = useSequence(shownTime);
  const loop = useSequence((s) => s.loop); // what is played over and over
  const scrub = (e: React.PointerEvent) =>
    goIn(
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
        aria-valuenow={at}
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
        {loop ? (
          <rect
            x={toX(scale, loop[0])}
            y={19}
            width={toX(scale, loop[1] + 1) - toX(scale, loop[0])}
            height={3}
            fill={palette.marigold}
          />
        ) : null}
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
