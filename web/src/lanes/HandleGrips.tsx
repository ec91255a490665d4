import type { Curve, Key } from '../core/types';
import { core } from '../session/evaluated';
import { preview } from '../session/document';
import { useHandles } from '../kit/dragging';
import { toFrame, toX, type Scale } from './scale';
import { palette } from '../theme/tokens';

/** The handles of chosen keys; dragging one makes its key free. */
export function HandleGrips(p: {
  id: string;
  address: string;
  label: string;
  curve: Curve;
  scale: Scale;
  toY: (v: number) => number;
  perPixel: number;
  chosen: number[];
}) {
  'use no memo';
  const handle = useHandles();
  const handles = core().handles(p.id, p.address);
  const grips: { key: Key; outgoing: boolean; reach: number; rise: number }[] = [];
  p.curve.keys.forEach((k, i) => {
    if (!p.chosen.includes(k.frame)) return;
    if (i < handles.length && k.shape !== 'hold')
      grips.push({ key: k, outgoing: true, reach: handles[i].outFrames, rise: handles[i].outValue });
    const into = handles[i - 1];
    if (into) grips.push({ key: k, outgoing: false, reach: into.inFrames, rise: into.inValue });
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
            <path d={`M${x0} ${y0}L${x} ${y}`} stroke={palette.paper} strokeWidth={1} opacity={0.7} />
            <circle
              cx={x}
              cy={y}
              r={5}
              fill="#15223a"
              stroke={palette.paper}
              strokeWidth={1.5}
              style={{ cursor: 'grab' }}
              data-handle={`${k.frame}-${outgoing ? 'out' : 'in'}`}
              {...handle(() => ({
                moved: (dx, dy) => {
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
                },
              }))}
            />
          </g>
        );
      })}
    </>
  );
}
