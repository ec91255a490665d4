import type { CameraPackage, Fit, Standards } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../kit/Choice';
import { FIT_NAMES, RATES, SIZES, type Faults } from '../fields/choices';
import { palette } from '../theme/tokens';
import './standards.css';

/** Rate, delivery, film back, circle of confusion and usual clips. */
export function Package({
  now,
  change,
  faults,
}: {
  now: Standards;
  change: (by: Partial<Standards>) => void;
  faults: Faults;
}) {
  'use no memo';
  const p = now.cameraPackage;
  const pack = (by: Partial<CameraPackage>) => change({ cameraPackage: { ...p, ...by } });
  const backs = core().filmBacks();
  const named = core().filmBackName(p.filmBack);
  const rate = `${now.rate.numerator}/${now.rate.denominator}`;
  const size = `${p.deliveryWidth}×${p.deliveryHeight}`;
  return (
    <div className="two">
      <div>
        <Choice
          label="Frame rate"
          value={rate}
          options={RATES.some(([v]) => v === rate) ? RATES : [[rate, rate], ...RATES]}
          onChange={(v) => {
            const [numerator, denominator] = v.split('/').map(Number);
            change({ rate: { numerator, denominator } });
          }}
        />
        <Choice
          label="Delivery"
          value={SIZES.some(([w, h]) => size === `${w}×${h}`) ? size : ''}
          options={[...SIZES.map(([w, h]): [string, string] => [`${w}×${h}`, `${w} × ${h}`]), ['', 'other']]}
          onChange={(v) => {
            const [w, h] = v ? v.split('×').map(Number) : [p.deliveryWidth, p.deliveryHeight];
            pack({ deliveryWidth: w, deliveryHeight: h });
          }}
        />
        <div className="numbers">
          <TextNumber
            label="Pixels across"
            unit="factor"
            value={p.deliveryWidth}
            fault={faults['deliveryWidth']}
            onChange={(v) => pack({ deliveryWidth: Math.round(v) })}
          />
          <TextNumber
            label="Pixels down"
            unit="factor"
            value={p.deliveryHeight}
            fault={faults['deliveryHeight']}
            onChange={(v) => pack({ deliveryHeight: Math.round(v) })}
          />
        </div>
        <Choice label="Fit" value={p.fit} options={FIT_NAMES} onChange={(v) => pack({ fit: v as Fit })} />
      </div>
      <div>
        <Choice
          label="Film back"
          value={named ?? ''}
          options={[...backs.map((b): [string, string] => [b.name, b.name]), ['', 'other measures']]}
          onChange={(v) => {
            const b = backs.find((x) => x.name === v);
            if (b) pack({ filmBack: b.back });
          }}
        />
        <div className="numbers">
          <TextNumber
            label="Width"
            unit="millimetres"
            value={p.filmBack.widthMm}
            fault={faults['filmBack.widthMm']}
            onChange={(v) => pack({ filmBack: { ...p.filmBack, widthMm: v } })}
          />
          <TextNumber
            label="Height"
            unit="millimetres"
            value={p.filmBack.heightMm}
            fault={faults['filmBack.heightMm']}
            onChange={(v) => pack({ filmBack: { ...p.filmBack, heightMm: v } })}
          />
          <TextNumber
            label="Squeeze"
            unit="factor"
            value={p.filmBack.squeeze}
            fault={faults['filmBack.squeeze']}
            onChange={(v) => pack({ filmBack: { ...p.filmBack, squeeze: v } })}
          />
          <TextNumber
            label="Circle of confusion, 0 for the usual"
            unit="factor"
            value={p.circleOfConfusionMm}
            fault={faults['circleOfConfusionMm']}
            onChange={(v) => pack({ circleOfConfusionMm: v })}
          />
          <TextNumber
            label="Usual near clip"
            unit="metres"
            value={now.nearClipM}
            fault={faults['nearClipM']}
            onChange={(v) => change({ nearClipM: v })}
          />
          <TextNumber
            label="Usual far clip"
            unit="metres"
            value={now.farClipM}
            fault={faults['farClipM']}
            onChange={(v) => change({ farClipM: v })}
          />
        </div>
        {Object.keys(faults).some((f) => PICTURED.includes(f)) ? null : <FilmPicture pack={p} />}
      </div>
    </div>
  );
}

/** What the picture of the film back is drawn from. */
const PICTURED = [
  'deliveryWidth',
  'deliveryHeight',
  'filmBack.widthMm',
  'filmBack.heightMm',
  'filmBack.squeeze',
];

/** The film back with the delivery frame on it, to scale. */
function FilmPicture({ pack }: { pack: CameraPackage }) {
  const w = pack.filmBack.widthMm * pack.filmBack.squeeze;
  const h = pack.filmBack.heightMm;
  const aspect = pack.deliveryWidth / pack.deliveryHeight;
  const wide =
    pack.fit === 'width' ||
    (pack.fit === 'fill' ? aspect >= w / h : pack.fit === 'showAll' && aspect < w / h);
  const dw = wide ? w : h * aspect;
  const dh = wide ? w / aspect : h;
  const k = 150 / Math.max(w, dw, (h * 150) / 80, (dh * 150) / 80);
  return (
    <svg
      viewBox="-80 -45 160 90"
      className="size-picture"
      role="img"
      aria-label="Delivery frame on the film back"
    >
      <rect
        x={(-w * k) / 2}
        y={(-h * k) / 2}
        width={w * k}
        height={h * k}
        fill={palette.raised}
        stroke={palette.slate}
      />
      <rect
        x={(-dw * k) / 2}
        y={(-dh * k) / 2}
        width={dw * k}
        height={dh * k}
        fill="#b48af044"
        stroke={palette.lilac}
      />
    </svg>
  );
}
