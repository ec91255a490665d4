import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { theCore } from '../core/load';
import type { CameraPackage, Fit, Lens, LensKit, Own, Standards, Style } from '../core/types';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../rig/Choice';
import { edit, say, useSequence } from '../sequence/store';
import { getJson, postJson } from '../shell/http';
import { closeDialog, Window } from '../shell/Window';

interface Agreed {
  production: string;
  name: string;
  version: number;
  standards: string;
}

interface Effect {
  sequence: string;
  code: string;
  title: string;
  changes: string[];
}

const RATES: [string, string][] = [
  ['24/1', '24'],
  ['24000/1001', '23.976'],
  ['25/1', '25'],
  ['30000/1001', '29.97'],
  ['30/1', '30'],
  ['48/1', '48'],
  ['50/1', '50'],
  ['60/1', '60'],
];
const SIZES: [number, number][] = [
  [1280, 720],
  [1920, 1080],
  [2048, 1080],
  [2048, 858],
  [3840, 2160],
  [4096, 1716],
];
export const FIT_NAMES: [string, string][] = [
  ['width', 'fit the width'],
  ['height', 'fit the height'],
  ['fill', 'fill the frame'],
  ['showAll', 'show all of it'],
];
const STYLES: [string, string][] = [
  ['asTyped', 'as typed'],
  ['sentence', 'Runaway kite'],
  ['underscores', 'runaway_kite'],
  ['joined', 'RunawayKite'],
];

interface NamedBack {
  name: string;
  widthMm: number;
  heightMm: number;
  squeeze: number;
}

/** What the production has agreed on; a change shows what it will do before it is done. */
export function StandardsDialog() {
  const id = useSequence((s) => s.id);
  const mayEdit = useSequence((s) => s.mayEdit);
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['standards', id],
    queryFn: () => getJson<Agreed>(`/api/sequences/${id}/standards`),
    staleTime: 0,
  });
  const [draft, setDraft] = useState<Standards | null>(null);
  const [effects, setEffects] = useState<Effect[] | null>(null);
  const [tab, setTab] = useState<'package' | 'kits' | 'names' | 'sequence'>('package');
  const agreed = query.data;
  const now = draft ?? (agreed ? (JSON.parse(agreed.standards) as Standards) : null);
  const change = (by: Partial<Standards>) => {
    setEffects(null);
    setDraft({ ...now!, ...by });
  };
  const send = async (agree: boolean) => {
    const body = { version: agreed!.version, standards: JSON.stringify(draft) };
    try {
      if (agree) {
        await postJson(`/api/productions/${agreed!.production}/standards`, body);
        await client.invalidateQueries({ queryKey: ['standards'] });
        say('The standards are changed, and every sequence that follows them.');
        closeDialog();
      } else
        setEffects(
          await postJson<Effect[]>(`/api/productions/${agreed!.production}/standards/effects`, body),
        );
    } catch (e) {
      say(e instanceof Error ? e.message : String(e), true);
    }
  };
  const total = effects?.reduce((n, e) => n + e.changes.length, 0) ?? 0;
  return (
    <Window
      wide
      title={`Standards${agreed ? ` of ${agreed.name}` : ''}`}
      buttons={
        <>
          <button className="pill wide" onClick={closeDialog}>
            {draft ? 'Leave them as they were' : 'Close'}
          </button>
          {draft && !effects ? (
            <button className="pill coral wide" disabled={!mayEdit} onClick={() => void send(false)}>
              See what will change
            </button>
          ) : null}
          {effects ? (
            <button className="pill coral wide" onClick={() => void send(true)}>
              {total ? 'Change all that follow' : 'Agree'}
            </button>
          ) : null}
        </>
      }
    >
      {query.isPending ? <p className="says">Fetching …</p> : null}
      {query.isError ? <p className="error">{query.error.message}</p> : null}
      {effects ? (
        <Effects effects={effects} onBack={() => setEffects(null)} />
      ) : now ? (
        <>
          <div className="segments" role="group" aria-label="Part of the standards">
            {(
              [
                ['package', 'Camera package'],
                ['kits', 'Lens kits'],
                ['names', 'Names'],
                ['sequence', 'This sequence'],
              ] as const
            ).map(([t, name]) => (
              <button
                key={t}
                className={tab === t ? 'on' : ''}
                aria-pressed={tab === t}
                onClick={() => setTab(t)}
              >
                {name}
              </button>
            ))}
          </div>
          {tab === 'package' ? <Package now={now} change={change} /> : null}
          {tab === 'kits' ? <Kits kits={now.kits} change={(kits) => change({ kits })} /> : null}
          {tab === 'names' ? <Names now={now} change={change} /> : null}
          {tab === 'sequence' ? <SequenceOwn /> : null}
        </>
      ) : null}
    </Window>
  );
}

function Effects({ effects, onBack }: { effects: Effect[]; onBack: () => void }) {
  return (
    <div data-testid="effects">
      {effects.map((e) => (
        <div key={e.sequence} className="card">
          <div className="card-head">
            <span className="card-name">{`${e.code} · ${e.title}`}</span>
          </div>
          {e.changes.length === 0 ? (
            <p className="says">Nothing changes here.</p>
          ) : (
            <ul className="uses">
              {e.changes.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          )}
        </div>
      ))}
      <button className="pill" onClick={onBack}>
        Back to the standards
      </button>
    </div>
  );
}

function Package({ now, change }: { now: Standards; change: (by: Partial<Standards>) => void }) {
  const p = now.cameraPackage;
  const pack = (by: Partial<CameraPackage>) => change({ cameraPackage: { ...p, ...by } });
  const backs = JSON.parse(theCore().filmBacks()) as NamedBack[];
  const named = backs.find((b) => b.widthMm === p.filmBack.widthMm && b.heightMm === p.filmBack.heightMm);
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
            onChange={(v) => pack({ deliveryWidth: Math.round(v) })}
          />
          <TextNumber
            label="Pixels down"
            unit="factor"
            value={p.deliveryHeight}
            onChange={(v) => pack({ deliveryHeight: Math.round(v) })}
          />
        </div>
        <Choice label="Fit" value={p.fit} options={FIT_NAMES} onChange={(v) => pack({ fit: v as Fit })} />
      </div>
      <div>
        <Choice
          label="Film back"
          value={named?.name ?? ''}
          options={[...backs.map((b): [string, string] => [b.name, b.name]), ['', 'other measures']]}
          onChange={(v) => {
            const b = backs.find((x) => x.name === v);
            if (b) pack({ filmBack: { widthMm: b.widthMm, heightMm: b.heightMm, squeeze: b.squeeze } });
          }}
        />
        <div className="numbers">
          <TextNumber
            label="Width"
            unit="millimetres"
            value={p.filmBack.widthMm}
            onChange={(v) => pack({ filmBack: { ...p.filmBack, widthMm: v } })}
          />
          <TextNumber
            label="Height"
            unit="millimetres"
            value={p.filmBack.heightMm}
            onChange={(v) => pack({ filmBack: { ...p.filmBack, heightMm: v } })}
          />
          <TextNumber
            label="Squeeze"
            unit="factor"
            value={p.filmBack.squeeze}
            onChange={(v) => pack({ filmBack: { ...p.filmBack, squeeze: v } })}
          />
          <TextNumber
            label="Circle of confusion, 0 for the usual"
            unit="factor"
            value={p.circleOfConfusionMm}
            onChange={(v) => pack({ circleOfConfusionMm: v })}
          />
          <TextNumber
            label="Usual near clip"
            unit="metres"
            value={now.nearClipM}
            onChange={(v) => change({ nearClipM: v })}
          />
          <TextNumber
            label="Usual far clip"
            unit="metres"
            value={now.farClipM}
            onChange={(v) => change({ farClipM: v })}
          />
        </div>
        <FilmPicture pack={p} />
      </div>
    </div>
  );
}

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
      <rect x={(-w * k) / 2} y={(-h * k) / 2} width={w * k} height={h * k} fill="#263856" stroke="#8fa3bf" />
      <rect
        x={(-dw * k) / 2}
        y={(-dh * k) / 2}
        width={dw * k}
        height={dh * k}
        fill="#b48af044"
        stroke="#b48af0"
      />
    </svg>
  );
}

/** 18, 25, 24–290 …, each with its widest stop and closest focus. */
function Kits({ kits, change }: { kits: LensKit[]; change: (kits: LensKit[]) => void }) {
  const [open, setOpen] = useState(0);
  const kit = kits[open];
  const put = (by: Partial<LensKit>) => change(kits.map((k, i) => (i === open ? { ...k, ...by } : k)));
  const lens = (i: number, by: Partial<Lens>) =>
    put({ lenses: kit.lenses.map((l, n) => (n === i ? { ...l, ...by } : l)) });
  return (
    <>
      <div className="primes">
        {kits.map((k, i) => (
          <button key={i} className={`chip ${i === open ? 'on' : ''}`} onClick={() => setOpen(i)}>
            {k.name}
          </button>
        ))}
        <button
          className="chip"
          onClick={() => {
            change([...kits, { name: `Kit ${kits.length + 1}`, squeeze: 1, lenses: [] }]);
            setOpen(kits.length);
          }}
        >
          + Kit
        </button>
      </div>
      {kit ? (
        <>
          <div className="line">
            <input
              type="text"
              aria-label="Name of the kit"
              value={kit.name}
              onChange={(e) => put({ name: e.target.value })}
            />
            <TextNumber
              label="Squeeze"
              unit="factor"
              value={kit.squeeze}
              onChange={(v) => put({ squeeze: v })}
            />
            <button
              className="pill"
              onClick={() => {
                change(kits.filter((_, i) => i !== open));
                setOpen(0);
              }}
            >
              Remove the kit
            </button>
          </div>
          <div className="lenses">
            {kit.lenses.map((l, i) => (
              <div className="line" key={i}>
                <TextNumber
                  label="From"
                  unit="millimetres"
                  value={l.shortestMm}
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
                  onChange={(v) => lens(i, { longestMm: v })}
                />
                <TextNumber
                  label="Opens to f/"
                  unit="fStop"
                  value={l.widestStop}
                  onChange={(v) => lens(i, { widestStop: v })}
                />
                <TextNumber
                  label="Closest focus"
                  unit="metres"
                  value={l.closestFocusM}
                  onChange={(v) => lens(i, { closestFocusM: v })}
                />
                <button
                  className="icon small"
                  aria-label={`Remove the ${l.shortestMm} mm`}
                  onClick={() => put({ lenses: kit.lenses.filter((_, n) => n !== i) })}
                >
                  ×
                </button>
              </div>
            ))}
          </div>
          <button
            className="pill"
            onClick={() =>
              put({
                lenses: [...kit.lenses, { shortestMm: 50, longestMm: 50, widestStop: 2, closestFocusM: 0.5 }],
              })
            }
          >
            + Lens
          </button>
        </>
      ) : (
        <p className="says">No kits: any lens may be used without a note.</p>
      )}
    </>
  );
}

function Names({ now, change }: { now: Standards; change: (by: Partial<Standards>) => void }) {
  const n = now.naming;
  return (
    <>
      <div className="line">
        <span className="line-label">Shots</span>
        <input
          type="text"
          className="mono"
          aria-label="Pattern of shot codes"
          value={n.shots}
          onChange={(e) => change({ naming: { ...n, shots: e.target.value } })}
        />
      </div>
      <p className="says">
        {
          '{sequence} is the sequence’s code; each # is a digit of a number that rises in tens. Empty: no rule.'
        }
      </p>
      <Choice
        label="Pieces"
        value={n.pieces}
        options={STYLES}
        onChange={(v) => change({ naming: { ...n, pieces: v as Style } })}
      />
      <Choice
        label="Cameras"
        value={n.cameras}
        options={STYLES}
        onChange={(v) => change({ naming: { ...n, cameras: v as Style } })}
      />
    </>
  );
}

/** What this sequence decides for itself, each with the way back to following. */
function SequenceOwn() {
  const header = useSequence((s) => s.header);
  const put = (label: string, by: Partial<typeof header>): boolean =>
    edit(label, { kind: 'setHeader', header: { ...header, ...by } });
  const own = (by: Partial<Own>, label: string) => put(label, { own: { ...header.own, ...by } });
  const s = header.standards;
  const rate = header.own.rate ?? s.rate;
  const delivery = header.own.delivery ?? {
    width: s.cameraPackage.deliveryWidth,
    height: s.cameraPackage.deliveryHeight,
  };
  const line = (name: string, overridden: boolean, field: React.ReactNode, drop: Partial<Own>) => (
    <div className={`own-line ${overridden ? 'own' : ''}`}>
      {field}
      {overridden ? (
        <button className="pill" onClick={() => own(drop, `Follow the ${name} again`)}>
          Follow again
        </button>
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
            value={
              (JSON.parse(theCore().filmBacks()) as NamedBack[]).find(
                (b) =>
                  b.widthMm === (header.own.filmBack ?? s.cameraPackage.filmBack).widthMm &&
                  b.heightMm === (header.own.filmBack ?? s.cameraPackage.filmBack).heightMm,
              )?.name ?? ''
            }
            options={[
              ['', 'other'],
              ...(JSON.parse(theCore().filmBacks()) as NamedBack[]).map((b): [string, string] => [
                b.name,
                b.name,
              ]),
            ]}
            onChange={(v) => {
              const b = (JSON.parse(theCore().filmBacks()) as NamedBack[]).find((x) => x.name === v);
              if (b)
                own(
                  { filmBack: { widthMm: b.widthMm, heightMm: b.heightMm, squeeze: b.squeeze } },
                  'Film back of the sequence',
                );
            }}
          />,
          { filmBack: null },
        )}
      </div>
      <div>
        <Choice
          label="Lengths in"
          value={header.displayUnit}
          options={['m', 'cm', 'mm', 'ft', 'in', 'ft+in'].map((u): [string, string] => [u, u])}
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
            unit="factor"
            value={header.lastFrame}
            onChange={(v) => put('Last frame', { lastFrame: Math.round(v) })}
          />
        </div>
        <p className="says">These are this sequence’s own and take effect at once.</p>
      </div>
    </div>
  );
}
