import type { Air } from '../core/types';
import { Fields, type ChannelInfo } from '../fields/NumberField';
import { edit } from '../sequence/store';

/** Haze: how dense, how high, which colour; and a plain background in the sky's place. */
export function AirCard({ air, channels }: { air: Air; channels: ChannelInfo[] }) {
  const put = (next: Partial<Air>) =>
    edit('Change the air', { kind: 'replace', entity: { ...air, ...next } });
  return (
    <div className="card" data-card="air">
      <div className="card-head">
        <span className="card-name">Haze</span>
        <input
          type="color"
          aria-label="Colour of the haze"
          value={air.colour}
          onChange={(e) => put({ colour: e.target.value })}
        />
      </div>
      <p className="says">The far pales to this colour; the haze thins with height.</p>
      <Fields id={air.id} name={air.name} channels={channels} />
      <label className="tick">
        <input
          type="checkbox"
          checked={air.background !== null}
          onChange={(e) => put({ background: e.target.checked ? '#6f7f94' : null })}
        />
        A plain background instead of the sky
      </label>
      {air.background !== null ? (
        <label className="swatch">
          <input
            type="color"
            aria-label="Colour of the background"
            value={air.background}
            onChange={(e) => put({ background: e.target.value })}
          />
          Background
        </label>
      ) : null}
    </div>
  );
}
