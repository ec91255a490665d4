import { ChooseThing } from '../kit/ChooseThing';
import { Tick } from '../kit/Tick';
import type { Attention, ChannelInfo, Command, Light } from '../core/types';
import { Fields } from '../fields/NumberField';
import { Swatch } from '../fields/Swatch';
import { TextNumber } from '../fields/TextNumber';
import { AttentionControls } from '../fields/AttentionControls';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { Chip } from '../kit/Chip';
import { Pill } from '../kit/Pill';

const OWN = [
  'heading',
  'elevation',
  'intensity',
  'skyIntensity',
  'softness',
  'power',
  'radius',
  'cone',
  'edge',
  'width',
  'height',
];

/** A light's colour, strength and shadow; a spot's aim. */
export function LightCard({ light, channels }: { light: Light; channels: ChannelInfo[] }) {
  const as = (next: Partial<Light>): Command => ({ kind: 'replace', entity: { ...light, ...next } });
  const put = (next: Partial<Light>, label = `Change ${light.name}`): boolean => edit(label, as(next));
  const colour = (label: string, key: 'colour' | 'shadowTint' | 'sky' | 'horizon') => (
    <Swatch label={label} named value={light[key]} commands={(c) => [as({ [key]: c })]} />
  );
  const tick = (label: string, key: 'softShadow' | 'specular' | 'shown') => (
    <Tick checked={light[key]} onChange={(e) => put({ [key]: e.target.checked })}>
      {label}
    </Tick>
  );
  if (light.form === 'guide')
    return (
      <div className="card">
        <p className="says">
          A guide lights nothing here. Its place is written into every hand-over file, for whoever lights the
          shot.
        </p>
      </div>
    );
  return (
    <div className="card" style={{ borderLeftColor: 'var(--marigold)' }} data-card="light">
      <div className="card-head">
        <span className="card-name">Light</span>
      </div>
      <Choice
        label="Colour by"
        value={light.kelvin > 0 ? 'kelvin' : 'swatch'}
        options={[
          ['swatch', 'a swatch'],
          ['kelvin', 'temperature'],
        ]}
        onChange={(v) => put({ kelvin: v === 'kelvin' ? 4300 : 0 })}
      />
      {light.kelvin > 0 ? (
        <>
          <TextNumber
            label="Kelvin"
            unit="factor"
            value={light.kelvin}
            onChange={(v) => put({ kelvin: v })}
          />
          <div className="buttons">
            {[
              ['Candle', 1900],
              ['Lamp', 2900],
              ['Daylight', 5600],
              ['Overcast', 7000],
            ].map(([n, k]) => (
              <Chip key={n} onClick={() => put({ kelvin: Number(k) })}>
                {n}
              </Chip>
            ))}
          </div>
        </>
      ) : (
        colour('Colour', 'colour')
      )}
      <Fields id={light.id} name={light.name} channels={channels.filter((c) => OWN.includes(c.address))} />
      {light.form === 'sun' ? (
        <div className="buttons">
          {colour('Sky overhead', 'sky')}
          {colour('Horizon', 'horizon')}
        </div>
      ) : null}
      {tick('Soft shadow', 'softShadow')}
      {tick('Shows as a highlight', 'specular')}
      {colour('Shadow tint', 'shadowTint')}
      {light.form === 'spot' ? <Aim light={light} put={put} channels={channels} /> : null}
    </div>
  );
}

/** What a spot is kept aimed at, like a camera's attention. */
function Aim({
  light,
  put,
  channels,
}: {
  light: Light;
  put: (next: Partial<Light>, label?: string) => boolean;
  channels: ChannelInfo[];
}) {
  const entities = useSequence((s) => s.entities);
  const header = useSequence((s) => s.header);
  const options = Object.values(entities).filter(
    (e) => e.kind === 'piece' || e.kind === 'mark' || e.kind === 'camera',
  );
  const aim = (entity: string): Attention => ({
    kind: 'attention',
    id: 'look',
    on: true,
    up: 'world',
    upPiece: null,
    blend: 'points',
    subjects: [{ entity, anchor: null, offset: [0, 0, 0] }],
    cues: [{ frame: header.firstFrame, travel: 0, ease: 'even', mix: { [entity]: 1 } }],
    channels: light.attention?.channels ?? {},
  });
  return (
    <>
      {light.attention ? (
        <div className="line">
          <span className="grow">Aimed</span>
          <Pill onClick={() => put({ attention: null }, `Free ${light.name}`)}>Let go</Pill>
        </div>
      ) : (
        <ChooseThing
          label="Aimed at"
          value=""
          words={[['', 'nothing']]}
          things={options}
          onChange={(v) => v && put({ attention: aim(v) }, `Aim ${light.name}`)}
        />
      )}
      {light.attention ? <AttentionControls camera={light} part={light.attention} /> : null}
      {light.attention ? (
        <Fields
          id={light.id}
          name={`the aim of ${light.name}`}
          channels={channels.filter((c) => c.address.includes('/'))}
        />
      ) : null}
    </>
  );
}
