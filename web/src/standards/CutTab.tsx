import type { LimitsOfCuts, Standards, Unit } from '../core/types';
import type { Faults } from '../fields/choices';
import { TextNumber } from '../fields/TextNumber';
import './standards.css';

const LIMITS: { of: keyof LimitsOfCuts; label: string; unit: Unit | 'frames' }[] = [
  { of: 'shortFrames', label: 'A shot under so many frames', unit: 'frames' },
  { of: 'jumpDegrees', label: 'A jump: within degrees', unit: 'degrees' },
  { of: 'jumpShare', label: 'A jump: size changes by less than', unit: 'factor' },
  { of: 'leapShare', label: 'A leap: across so much of the frame', unit: 'factor' },
  { of: 'screenDegrees', label: 'Strobing: the screen, from where one sits', unit: 'degrees' },
];

/** What passes in a cut without being pointed out. */
export function Cuts({
  now,
  change,
  faults,
}: {
  now: Standards;
  change: (by: Partial<Standards>) => void;
  faults: Faults;
}) {
  const { cut } = now;
  return (
    <>
      <p className="says">What the Cut desk points out. Each can be left as it is there, with a word why.</p>
      <div className="numbers">
        {LIMITS.map(({ of, label, unit }) => (
          <TextNumber
            key={of}
            label={label}
            unit={unit}
            value={cut[of]}
            fault={faults[`cut/${of}`]}
            onChange={(v) => change({ cut: { ...cut, [of]: unit === 'frames' ? Math.round(v) : v } })}
          />
        ))}
      </div>
    </>
  );
}
