import type { Measure } from '../core/types';
import { core, useCore } from '../session/evaluated';
import { useSequence } from '../session/state';

/** A measurement in numbers: straight, and from a camera also along its axis. */
export function MeasureCard({ measure }: { measure: Measure }) {
  'use no memo';
  const entities = useSequence((s) => s.entities);
  const s = useCore((c) => (measure.camera ? c.pointSighting(measure.camera, ...measure.to) : null));
  const show = (m: number) => core().showNumber(m, 'metres');
  if (measure.camera && s) {
    return (
      <div className="card" data-testid="measured">
        <p className="says">From camera {entities[measure.camera]?.name}</p>
        <p className="mono">{`${show(s.straightM)} straight`}</p>
        <p className="mono">{`${show(s.alongM)} along the axis`}</p>
      </div>
    );
  }
  const d = [0, 1, 2].map((i) => measure.to[i] - measure.from[i]);
  return (
    <div className="card" data-testid="measured">
      <p className="mono">{`${show(Math.hypot(d[0], d[1], d[2]))} straight`}</p>
      <p className="mono muted">{`${show(Math.abs(d[0]))} · ${show(Math.abs(d[1]))} · ${show(Math.abs(d[2]))} along X, Y, Z`}</p>
    </div>
  );
}
