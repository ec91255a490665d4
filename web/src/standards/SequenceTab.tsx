import type { Fit, Own } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { FIT_NAMES, RATES, SIZES, UNITS } from '../fields/choices';
import { Pill } from '../kit/Pill';
import './standards.css';

/** What this sequence decides for itself, each with the way back to following. */
export function SequenceOwn() {
  'use no memo';
  const header = useSequence((s) => s.header);
  const put = (label: string, by: Partial<typeof header>): boolean =>
    edit(label, { kind: 'setHeader', header: { ...header, ...by } });
  const own = (by: Partial<Own>, label: string) => put(label, { own: { ...header.own, ...by } });
  const s = header.standards;
  const backs = core().filmBacks();
  const rate = header.own.rate ?? s.rate;
  const delivery = header.own.delivery ?? {
    width: s.cameraPackage.deliveryWidth,
    height: s.cameraPackage.deliveryHeight,
  };
  const line = (name: string, overridden: boolean, field: React.ReactNode, drop: Partial<Own>) => (
    <div className={`own-line ${overridden ? 'own' : ''}`}>
      {field}
      {overridden ? (
        <Pill onClick={() => own(drop, `Follow the ${name} again`)}>Follow again</Pill>
      ) : (
        <span className="muted">follows</span>
      )}
    </div>
  );
  return (
    <div className="two">
      <div>
        {line(
          'frame rate',
          header.own.rate !== null,
          <Choice
            label="Frame rate"
            value={`${rate.numerator}/${rate.denominator}`}
            options={RATES}
            onChange={(v) => {
              const [numerator, denominator] = v.split('/').map(Number);
              own({ rate: { numerator, denominator } }, 'Frame rate of the sequence');
            }}
          />,
          { rate: null },
        )}
        {line(
          'delivery',
          header.own.delivery !== null,
          <Choice
            label="Delivery"
            value={`${delivery.width}×${delivery.height}`}
            options={[
              ...SIZES.map(([w, h]): [string, string] => [`${w}×${h}`, `${w} × ${h}`]),
              ...(SIZES.some(([w, h]) => w === delivery.width && h === delivery.height)
                ? []
                : [
                    [`${delivery.width}×${delivery.height}`, `${delivery.width} × ${delivery.height}`] as [
                      string,
                      string,
                    ],
                  ]),
            ]}
            onChange={(v) => {
              const [width, height] = v.split('×').map(Number);
              own({ delivery: { width, height } }, 'Delivery of the sequence');
            }}
          />,
          { delivery: null },
        )}
        {line(
          'fit',
          header.own.fit !== null,
          <Choice
            label="Fit"
            value={header.own.fit ?? s.cameraPackage.fit}
            options={FIT_NAMES}
            onChange={(v) => own({ fit: v as Fit }, 'Fit of the sequence')}
          />,
          { fit: null },
        )}
        {line(
          'film back',
          header.own.filmBack !== null,
          <Choice
            label="Film back"
            value={core().filmBackName(header.own.filmBack ?? s.cameraPackage.filmBack) ?? ''}
            options={[['', 'other'], ...backs.map((b): [string, string] => [b.name, b.name])]}
            onChange={(v) => {
              const b = backs.find((x) => x.name === v);
              if (b) own({ filmBack: b.back }, 'Film back of the sequence');
            }}
          />,
          { filmBack: null },
        )}
      </div>
      <div>
        <Choice
          label="Lengths in"
          value={header.displayUnit}
          options={UNITS.map(([u]): [string, string] => [u, u])}
          onChange={(v) => put(`Show lengths in ${v}`, { displayUnit: v })}
        />
        <div className="numbers">
          <TextNumber
            label="Grid cell"
            unit="metres"
            value={header.gridM}
            onChange={(v) => put('Grid cell', { gridM: v })}
          />
          <TextNumber
            label="Lines in a cell"
            unit="factor"
            value={header.gridLines}
            onChange={(v) => put('Grid lines', { gridLines: Math.round(v) })}
          />
          <TextNumber
            label="First frame"
            unit="factor"
            value={header.firstFrame}
            onChange={(v) => put('First frame', { firstFrame: Math.round(v) })}
          />
          <TextNumber
            label="Last frame"
            unit="frame"
            value={header.lastFrame}
            onChange={(v) => put('Last frame', { lastFrame: Math.round(v) })}
          />
        </div>
        <p className="says">These are this sequence’s own and take effect at once.</p>
      </div>
    </div>
  );
}
