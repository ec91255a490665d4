import { Words } from '../kit/Words';
import { useId, useState } from 'react';
import type { Lens, LensKit } from '../core/types';
import { Fault, faulty } from '../fields/Fault';
import { TextNumber } from '../fields/TextNumber';
import { useSequence } from '../session/state';
import type { Faults } from '../fields/choices';
import { Chip } from '../kit/Chip';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import './standards.css';

/** 18, 25, 24–290 …, each with its widest stop and closest focus. */
export function Kits({
  kits,
  change,
  faults,
}: {
  kits: LensKit[];
  change: (kits: LensKit[]) => void;
  faults: Faults;
}) {
  const mayEdit = useSequence((s) => s.role === 'lead');
  const nameFault = useId();
  const [open, setOpen] = useState(0);
  const kit = kits[open];
  const put = (by: Partial<LensKit>) => change(kits.map((k, i) => (i === open ? { ...k, ...by } : k)));
  const lens = (i: number, by: Partial<Lens>) =>
    put({ lenses: kits[open].lenses.map((l, n) => (n === i ? { ...l, ...by } : l)) });
  return (
    <>
      <div className="primes">
        {kits.map((k, i) => (
          <Chip on={i === open} key={i} onClick={() => setOpen(i)}>
            {k.name}
          </Chip>
        ))}
        <Chip
          disabled={!mayEdit}
          onClick={() => {
            change([...kits, { name: `Kit ${kits.length + 1}`, squeeze: 1, lenses: [] }]);
            setOpen(kits.length);
          }}
        >
          + Kit
        </Chip>
      </div>
      {kit ? (
        <>
          <div className="line">
            <Words
              aria-label="Name of the kit"
              value={kit.name}
              disabled={!mayEdit}
              {...faulty(nameFault, faults[`kits/${open}/name`] ?? '')}
              onChange={(e) => put({ name: e.target.value })}
            />
            <TextNumber
              label="Squeeze"
              unit="factor"
              value={kit.squeeze}
              fault={faults[`kits/${open}/squeeze`]}
              onChange={(v) => put({ squeeze: v })}
            />
            <Pill
              disabled={!mayEdit}
              onClick={() => {
                change(kits.filter((_, i) => i !== open));
                setOpen(0);
              }}
            >
              Remove the kit
            </Pill>
          </div>
          <Fault id={nameFault} text={faults[`kits/${open}/name`] ?? ''} />
          <div className="lenses">
            {kit.lenses.map((l, i) => (
              <div className="line" key={i}>
                <TextNumber
                  label="From"
                  unit="millimetres"
                  value={l.shortestMm}
                  fault={faults[`kits/${open}/lenses/${i}/shortestMm`]}
                  onChange={(v) =>
                    lens(i, {
                      shortestMm: v,
                      longestMm: Math.max(v, l.longestMm === l.shortestMm ? v : l.longestMm),
                    })
                  }
                />
                <TextNumber
                  label="To"
                  unit="millimetres"
                  value={l.longestMm}
                  fault={faults[`kits/${open}/lenses/${i}/longestMm`]}
                  onChange={(v) => lens(i, { longestMm: v })}
                />
                <TextNumber
                  label="Opens to f/"
                  unit="fStop"
                  value={l.widestStop}
                  fault={faults[`kits/${open}/lenses/${i}/widestStop`]}
                  onChange={(v) => lens(i, { widestStop: v })}
                />
                <TextNumber
                  label="Closest focus"
                  unit="metres"
                  value={l.closestFocusM}
                  fault={faults[`kits/${open}/lenses/${i}/closestFocusM`]}
                  onChange={(v) => lens(i, { closestFocusM: v })}
                />
                <IconAction
                  size="small"
                  disabled={!mayEdit}
                  aria-label={`Remove the ${l.shortestMm} mm`}
                  onClick={() => put({ lenses: kit.lenses.filter((_, n) => n !== i) })}
                >
                  ×
                </IconAction>
              </div>
            ))}
          </div>
          <Pill
            disabled={!mayEdit}
            onClick={() =>
              put({
                lenses: [...kit.lenses, { shortestMm: 50, longestMm: 50, widestStop: 2, closestFocusM: 0.5 }],
              })
            }
          >
            + Lens
          </Pill>
        </>
      ) : (
        <p className="says">No kits: any lens may be used without a note.</p>
      )}
    </>
  );
}
