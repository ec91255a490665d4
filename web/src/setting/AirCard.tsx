import { Tick } from '../kit/Tick';
import type { Air, ChannelInfo, Command } from '../core/types';
import { Fields } from '../fields/NumberField';
import { Swatch } from '../fields/Swatch';
import { edit } from '../session/document';

/** Haze: how dense, how high, which colour; and a plain background in the sky's place. */
export function AirCard({ air, channels }: { air: Air; channels: ChannelInfo[] }) {
  const as = (next: Partial<Air>): Command => ({ kind: 'replace', entity: { ...air, ...next } });
  return (
    <div className="card" data-card="air">
      <div className="card-head">
        <span className="card-name">Haze</span>
        <Swatch label="Colour of the haze" value={air.colour} commands={(colour) => [as({ colour })]} />
      </div>
      <p className="says">The far pales to this colour; the haze thins with height.</p>
      <Fields id={air.id} name={air.name} channels={channels} />
      <Tick
        checked={air.background !== null}
        onChange={(e) => edit('Background', as({ background: e.target.checked ? '#6f7f94' : null }))}
      >
        A plain background instead of the sky
      </Tick>
      {air.background !== null ? (
        <Swatch
          label="Background"
          named
          value={air.background}
          commands={(background) => [as({ background })]}
        />
      ) : null}
    </div>
  );
}
