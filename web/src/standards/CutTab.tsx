import type { CutLimits, Standards } from '../core/types';
import type { Faults } from '../fields/choices';
import { TextNumber } from '../fields/TextNumber';
import './standards.css';

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
  const by = (next: Partial<CutLimits>) => change({ cut: { ...cut, ...next } });
  return (
    <>
      <p className="says">What the Cut desk points out. Each can be left as it is there, with a word why.</p>
      <div className="numbers">
        <TextNumber
          label="A shot under so many frames"
          unit="frames"
          value={cut.shortFrames}
          fault={faults['cut/shortFrames']}
          onChange={(v) => by({ shortFrames: Math.round(v) })}
        />
        <TextNumber
          label="A jump: within degrees"
          unit="degrees"
          value={cut.jumpDegrees}
          fault={faults['cut/jumpDegrees']}
          onChange={(v) => by({ jumpDegrees: v })}
        />
        <TextNumber
          label="A jump: size changes by less than"
          unit="factor"
          value={cut.jumpShare}
          fault={faults['cut/jumpShare']}
          onChange={(v) => by({ jumpShare: v })}
        />
        <TextNumber
          label="A leap: across so much of the frame"
          unit="factor"
          value={cut.leapShare}
          fault={faults['cut/leapShare']}
          onChange={(v) => by({ leapShare: v })}
        />
      </div>
    </>
  );
}
